import type { PromisesKept } from '@/core/day/view'
import { W } from '@/core/language/screen/day'
import { lengthWords } from '@/core/units/duration'

/** Promised times that were kept and missed, by month. */
export function PromisesByMonth({ kept }: { kept: readonly PromisesKept[] }) {
  if (kept.length === 0) return null
  return (
    <table className="w-full text-small">
      <caption className="text-left text-body font-semibold">{W.promisesByMonth}</caption>
      <thead>
        <tr className="border-b border-rule text-left text-ink-2">
          <th className="font-normal">{W.month}</th>
          <th className="text-right font-normal">{W.kept}</th>
          <th className="text-right font-normal">{W.missed}</th>
          <th className="text-right font-normal">{W.halfOfThoseByMore}</th>
        </tr>
      </thead>
      <tbody>
        {kept.map((m) => (
          <tr key={m.month} className="border-b border-rule">
            <td className="py-1">{m.month}</td>
            <td className="text-right">{m.kept}</td>
            <td className="text-right">{m.missed}</td>
            <td className="text-right">{m.medianLateMin === null ? '–' : lengthWords(m.medianLateMin * 60)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
