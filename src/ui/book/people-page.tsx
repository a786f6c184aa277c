import { type PersonFigures, personWords } from '@/core/book/people'
import { W } from '@/core/language/screen/book'
import type { Period } from '@/core/shop/statement'
import { PeriodForm } from '../frame/period-form'

const COLUMNS: { key: keyof PersonFigures; name: string }[] = [
  { key: 'signed', name: W.recordsSigned },
  { key: 'charges', name: W.charges },
  { key: 'offMedianG', name: W.gOffThePlanHalf },
  { key: 'offMostG', name: W.farthest },
  { key: 'skipped', name: W.holdsSkipped },
  { key: 'shortened', name: W.holdsEndedEarly },
  { key: 'cautions', name: W.cautionsPassed },
  { key: 'unanswered', name: W.alarmsAnsweredByNobody },
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
      <PeriodForm action="/people" name={W.whichTime} period={period}>
        <h1 className="mr-4 text-title font-semibold leading-tight">{lead ? W.people : W.yourOwnFigures}</h1>
      </PeriodForm>
      {own && <p className="mt-4 text-call font-semibold leading-tight">{personWords(own)}</p>}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what is scrolled sideways on a phone is scrolled by keys too */}
      <section aria-label={W.figures} className="overflow-x-auto" tabIndex={0}>
        <table className="mt-4 w-full min-w-[720px] text-body">
          <caption className="sr-only">{W.figuresOfEachPerson}</caption>
          <thead>
            <tr className="border-b-2 border-ink text-right text-small text-ink-2 align-bottom">
              <th className="text-left font-normal">{W.name2}</th>
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
                      {c.key === 'unanswered' && p.alarms > 0 && <span className="text-ink-2">{W.of(p.alarms)}</span>}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p className="mt-3 max-w-[760px] text-small text-ink-2">
        {W.aCautionPassedIsOften}
        {lead ? W.eachSeesTheirOwnLine : W.theLeadSeesTheSame}
      </p>
    </main>
  )
}
