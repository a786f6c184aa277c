import { W } from '@/core/language/screen/job-readings'
import type { VacuumSeen } from '@/core/readings/vacuum-seen'
import { MINUTE_MS } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'
import { Fold } from '../../form/fold'
import { paText } from '../../format'

const ROWS = 24

/**
 * The curve as a table: as many rows as a glance takes in, evenly over its time, the last reading always among them.
 */
export function ReadingsTable({
  points,
  clock,
  seen,
}: {
  points: readonly CurvePoint[]
  clock: (ms: number) => string
  seen: (pa: number) => VacuumSeen
}) {
  if (points.length < 2) return null
  const every = Math.max(1, Math.ceil(points.length / ROWS))
  const needle = seen(0).byNeedle
  const rows = points.filter((_p, i) => i % every === 0 || i === points.length - 1)
  return (
    <Fold title={W.theReadingsAsATable} className="mt-3 border-t border-rule pt-1 text-small">
      <table className="w-full max-w-[560px]">
        <thead className="text-left text-note text-ink-2">
          <tr>
            <th className="font-medium">{W.time}</th>
            <th className="text-right font-medium">{seen(0).unit}</th>
            <th className="text-right font-medium">{needle ? W.whatItCanMean : W.pa}</th>
            <th className="text-right font-medium">{W.sinceTheFirst}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((p) => (
            <tr key={p.at} className="border-t border-rule">
              <td>{clock(p.at)}</td>
              <td className="text-right">{seen(p.value).text}</td>
              <td className="text-right">{needle ? seen(p.value).means : paText(p.value)}</td>
              <td className="text-right">{W.min2(Math.round((p.at - (points[0] as CurvePoint).at) / MINUTE_MS))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Fold>
  )
}
