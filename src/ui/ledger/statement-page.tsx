import { W } from '@/core/language/screen/ledger'
import { outOfBalanceG, type Period, STATEMENT_LINES, type Statement, statementWords } from '@/core/shop/statement'
import { Refused } from '../form/refused'
import { PeriodForm } from '../frame/period-form'
import { PrintButton } from '../frame/print-button'

type Props = { shop: string; period: Period; year: number; fault: string; statements: readonly Statement[] }

/** Years offered with one tap. */
const YEARS_BACK = 3

/** What every refrigerant did in a period, on one page to print, sign and hand over. */
export function StatementPage({ shop, period, year, fault, statements }: Props) {
  const years = Array.from({ length: YEARS_BACK + 1 }, (_, i) => year - i)
  return (
    <main className="mx-auto max-w-[980px] px-5 py-4 max-sm:px-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-title font-semibold leading-tight">{W.refrigerantTo(period.from, period.to)}</h1>
        <div className="no-print flex gap-2">
          <PrintButton />
          <a
            className="plain-button inline-flex items-center"
            href={`/api/statement.csv?${new URLSearchParams(period)}`}
          >
            {W.asCsv}
          </a>
        </div>
      </div>
      <p className="text-body text-ink-2">{shop}</p>
      <div className="mt-3">
        <PeriodForm action="/statement" name={W.whichPeriod} period={period}>
          {years.map((y) => (
            <a
              key={y}
              className={
                'plain-button inline-flex items-center aria-[current=page]:bg-ink ' + 'aria-[current=page]:text-ground'
              }
              aria-current={period.from === `${y}-01-01` && period.to === `${y}-12-31` ? 'page' : undefined}
              href={`/statement?from=${y}-01-01&to=${y}-12-31`}
            >
              {y}
            </a>
          ))}
        </PeriodForm>
      </div>
      <Refused>{fault}</Refused>
      {statements.length === 0 ? (
        <p className="py-6 text-row">{W.nothingWasBookedUpTo}</p>
      ) : (
        <table className="mt-5 w-full text-body">
          <caption className="sr-only">{W.sumsInGramsForEach}</caption>
          <thead>
            <tr className="border-b-2 border-ink text-right text-lead">
              <th className="text-left font-normal text-ink-2">g</th>
              {statements.map((s) => (
                <th key={s.refrigerant} className="pl-6 font-semibold">
                  {s.refrigerant}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {STATEMENT_LINES.map(({ key, name, adds }) => (
              <tr
                key={key}
                className={
                  adds === 0
                    ? 'border-y-2 border-ink text-lead font-semibold'
                    : `border-b border-rule ` +
                      (key === 'unexplainedG' && statements.some((s) => Math.abs(s[key]) >= 1)
                        ? 'font-semibold text-leak'
                        : '')
                }
              >
                <th className="py-1.5 text-left font-[inherit]">{name}</th>
                {statements.map((s) => (
                  <td key={s.refrigerant} className="pl-6 text-right">
                    {figure(s[key], adds)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="mt-4 space-y-1 text-lead">
        {statements.map((s) => (
          <p key={s.refrigerant}>
            {statementWords(s)}
            {Math.abs(outOfBalanceG(s)) >= 0.5 && W.theLinesDoNotAdd}
          </p>
        ))}
      </div>
      <p className="mt-4 text-small text-ink-2">{W.whatCansOfASingle}</p>
      <p className="mt-14 hidden border-t border-ink pt-1 text-small print:block">{W.dayNameSignature}</p>
    </main>
  )
}

/** Grams with the sign they count with. */
function figure(g: number, adds: -1 | 0 | 1): string {
  const value = Math.round(adds === 0 ? g : adds * g)
  const text = Math.abs(value).toLocaleString('en')
  return adds === 0 || value === 0 ? text : `${value > 0 ? '+' : '−'}${text}`
}
