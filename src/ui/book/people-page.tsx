import { type PersonFigures, personWords } from '@/core/book/people'
import type { Period } from '@/core/shop/statement'
import { PeriodForm } from '../frame/period-form'

const COLUMNS: { key: keyof PersonFigures; name: string }[] = [
  { key: 'signed', name: 'records signed' },
  { key: 'charges', name: 'charges' },
  { key: 'offMedianG', name: 'g off the plan, half within' },
  { key: 'offMostG', name: 'farthest' },
  { key: 'skipped', name: 'holds skipped' },
  { key: 'shortened', name: 'holds ended early' },
  { key: 'cautions', name: 'cautions passed' },
  { key: 'unanswered', name: 'alarms answered by nobody' },
]

/** What is told of each person, plainly: everybody's for the lead, one's own for each. */
export function PeoplePage({
  period,
  lead,
  people,
}: {
  period: Period
  lead: boolean
  people: readonly PersonFigures[]
}) {
  const own = lead ? undefined : people[0]
  return (
    <main className="px-5 py-4 max-sm:px-4">
      <PeriodForm action="/people" name="Which time" period={period}>
        <h1 className="mr-4 text-title font-semibold leading-tight">{lead ? 'People' : 'Your own figures'}</h1>
      </PeriodForm>
      {own && <p className="mt-4 text-call font-semibold leading-tight">{personWords(own)}</p>}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what is scrolled sideways on a phone is scrolled by keys too */}
      <section aria-label="Figures" className="overflow-x-auto" tabIndex={0}>
        <table className="mt-4 w-full min-w-[720px] text-body">
          <caption className="sr-only">Figures of each person</caption>
          <thead>
            <tr className="border-b-2 border-ink text-right text-small text-ink-2 align-bottom">
              <th className="text-left font-normal">name</th>
              {COLUMNS.map((c) => (
                <th key={c.key} className="w-28 pl-4 font-normal">
                  {c.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {people.map((p) => (
              <tr key={p.id ?? p.name} className="border-b border-rule text-right">
                <th className="py-1.5 text-left text-lead font-semibold">{p.name}</th>
                {COLUMNS.map((c) => {
                  const value = p[c.key]
                  return (
                    <td key={c.key} className="pl-4">
                      {value === null ? '' : typeof value === 'number' ? Math.round(value).toLocaleString('en') : value}
                      {c.key === 'unanswered' && p.alarms > 0 && <span className="text-ink-2"> of {p.alarms}</span>}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p className="mt-3 max-w-[760px] text-small text-ink-2">
        A caution passed is often right: the log of its job says which and why. What stands here is a reason to talk, no
        mark. {lead ? 'Each sees their own line.' : 'The lead sees the same line of everybody.'}
      </p>
    </main>
  )
}
