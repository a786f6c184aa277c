import { type JobState, lastProof } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { bothPressures } from '@/core/units/say'
import { useSay } from '../../units'

/** How it ran when it came in beside how it runs now; nothing while one of them was not read. */
export function BeforeAfter({ state }: { state: JobState }) {
  const say = useSay()
  const { before } = state
  const after = lastProof(state)
  if (!before || !after) return null
  const pressure = (v: number | null): string => (v === null ? W.notRead : bothPressures(v, say))
  const rows = [
    [W.middleVent, say.celsius(before.ventC, 1), say.celsius(after.ventC, 1)],
    [
      W.belowTheAirOutsideBy,
      say.difference(before.ambientC - before.ventC, 0),
      say.difference(after.ambientC - after.ventC, 0),
    ],
    [W.lowSide, pressure(before.lowPaG), pressure(after.lowPaG)],
    [W.highSide, pressure(before.highPaG), pressure(after.highPaG)],
  ]
  return (
    <table aria-label={W.beforeAndAfter} className="mt-3 w-full max-w-[760px] text-body">
      <thead className="border-b-2 border-ink text-left text-note text-ink-2">
        <tr>
          <th className="font-medium">{W.running}</th>
          <th className="text-right font-medium">{W.before}</th>
          <th className="text-right font-medium">{W.now}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, was, is]) => (
          <tr key={name} className="border-b border-rule">
            <td className="py-1">{name}</td>
            <td className="py-1 text-right text-ink-2">{was}</td>
            <td className="py-1 text-right font-semibold">{is}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
