import { W } from '@/core/language/screen/job-hold'
import type { RuleSaid } from '@/core/schools/rules'
import { RULE_NAMES } from '@/core/schools/rules'
import { useSay } from '../../units'

const SAYS = { passes: W.passesIt, fails: W.failsIt, 'not yet': W.notYet } as const

/** What people's simple rules say of the same record, when, and the leak each would let through on this volume. */
export function RulesTable({
  rules,
  volumeL,
  when,
}: {
  rules: readonly RuleSaid[]
  volumeL: number
  when: (elapsedS: number) => string
}) {
  const say = useSay()
  if (rules.length === 0) return null
  return (
    <div className="text-small">
      <h3 className="font-semibold">{W.whatSimpleRulesSayOf}</h3>
      <table className="w-full">
        <thead className="text-left text-note text-ink-2">
          <tr>
            <th className="font-medium">{W.rule}</th>
            <th className="font-medium">{W.says}</th>
            <th className="text-right font-medium">{W.letsThrough}</th>
          </tr>
        </thead>
        <tbody>
          {rules.map((r) => (
            <tr key={r.id} className="border-t border-rule align-top">
              <td className="pr-3">{RULE_NAMES[r.id]}</td>
              <td className="pr-3 whitespace-nowrap">
                {SAYS[r.says]}
                {r.says !== 'not yet' && r.atS !== null && `, ${when(r.atS)}`}
              </td>
              <td className="text-right">{say.aYear(r.letsThrough.high)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-note text-ink-2">{W.theLeakEachWould(volumeL)}</p>
    </div>
  )
}
