'use client'

import { W } from '@/core/language/screen/ledger'

import {
  type Balance,
  EITHER_WAY,
  LEDGER_KINDS,
  type LedgerEntry,
  type LedgerQuery,
  type Totals,
} from '@/core/shop/ledger'
import { BookByHand, type Stock } from './book-by-hand'
import { LedgerTable } from './ledger-table'
import { KIND_WORDS, signedGrams } from './ledger-words'

type Props = {
  entries: LedgerEntry[]
  /** there are more lines than these */
  more: boolean
  totals: Totals
  balances: Balance[]
  query: LedgerQuery
  containers: Stock[]
  timeZone: string
  mayCorrect: boolean
  /** null for whoever may; else why not */
  mayNotBook: string | null
}

/** The refrigerant ledger: what is left in every container by the book, the sums, and every line; a file of all. */
export function LedgerPage({
  entries,
  more,
  totals,
  balances,
  query,
  containers,
  timeZone,
  mayCorrect,
  mayNotBook,
}: Props) {
  const asked = new URLSearchParams(
    Object.entries(query).filter((pair): pair is [string, string] => Boolean(pair[1])),
  ).toString()
  return (
    <main className="grid grid-cols-[minmax(0,1fr)_380px] gap-8 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <section aria-label={W.ledger}>
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-title font-semibold leading-tight">{W.refrigerantLedger}</h1>
          <a href={`/api/ledger.csv${asked ? `?${asked}` : ''}`} className="plain-button flex items-center text-small">
            {asked ? W.theseLinesAsCsv : W.allOfItAsCsv}
          </a>
        </div>
        <Which query={query} asked={asked !== ''} />
        <TotalsTable totals={totals} />
        {entries.length === 0 ? (
          <p className="py-6 text-row">{asked ? W.noLineIsAsAsked : W.nothingBookedYetWhatA}</p>
        ) : (
          <LedgerTable entries={entries} timeZone={timeZone} />
        )}
        {more && (
          <p className="mt-2 text-small text-ink-2">{W.theNewestLinesThe(entries.length.toLocaleString('en'))}</p>
        )}
      </section>
      <aside aria-label={W.containersByTheBook}>
        <h2 className="text-row font-semibold">{W.leftByTheBook}</h2>
        <ul className="mt-1 border-t-2 border-ink">
          {balances.map((b) => (
            <li
              key={b.equipmentId ?? `${b.container} ${b.refrigerant}`}
              className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5 text-body"
            >
              <span>
                {b.container} <span className="text-note text-ink-2">{b.refrigerant}</span>
              </span>
              <b className="font-semibold">{Math.round(b.grams).toLocaleString('en')} g</b>
            </li>
          ))}
        </ul>
        {mayNotBook === null ? (
          <BookByHand containers={containers} mayCorrect={mayCorrect} />
        ) : (
          <p className="text-body text-ink-2">{mayNotBook}</p>
        )}
      </aside>
    </main>
  )
}

/** Which lines are shown: days, container, car. An ordinary form, so that the address says it and can be kept. */
function Which({ query, asked }: { query: LedgerQuery; asked: boolean }) {
  const box = 'field mt-0.5 !min-h-11 !text-small'
  return (
    <form
      method="get"
      action="/ledger"
      aria-label={W.whichLines}
      className="mt-2 flex flex-wrap items-end gap-3 text-small"
    >
      <label className="w-40">
        {W.from}
        <input type="date" name="from" defaultValue={query.from} className={box} />
      </label>
      <label className="w-40">
        {W.to}
        <input type="date" name="to" defaultValue={query.to} className={box} />
      </label>
      <label className="w-32">
        {W.container}
        <input name="container" defaultValue={query.container} className={box} />
      </label>
      <label className="w-32">
        {W.car}
        <input name="car" defaultValue={query.car} className={box} />
      </label>
      <button type="submit" className="plain-button text-small">
        {W.showThese}
      </button>
      {asked && (
        <a href="/ledger" className="plain-button flex items-center text-small">
          {W.all}
        </a>
      )}
    </form>
  )
}

/** What came in and where it went, a line for each refrigerant, so that the columns can be held against each other. */
function TotalsTable({ totals }: { totals: Totals }) {
  const kinds = LEDGER_KINDS.filter((kind) => totals.some(({ sums }) => sums[kind] !== 0))
  if (kinds.length === 0) return null
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: many kinds are wider than a phone, and are scrolled by keys too
    <section aria-label={W.sums} className="overflow-x-auto" tabIndex={0}>
      <table className="mt-4 w-full text-body">
        <caption className="sr-only">{W.sumsInGrams}</caption>
        <thead className="text-right text-note text-ink-2">
          <tr>
            <th className="text-left font-medium">{W.gInAll}</th>
            {kinds.map((kind) => (
              <th key={kind} className="pl-3 font-medium">
                {KIND_WORDS[kind]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {totals.map(({ refrigerant, sums }) => (
            <tr key={refrigerant} className="border-t border-rule text-right">
              <th className="py-1 text-left font-semibold">{refrigerant}</th>
              {kinds.map((kind) => (
                <td key={kind} className="py-1 pl-3 text-row font-semibold">
                  {EITHER_WAY.includes(kind) ? signedGrams(sums[kind]) : Math.round(sums[kind]).toLocaleString('en')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
