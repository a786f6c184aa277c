'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { massWords } from '@/core/charge/working'
import { REFRIGERANTS, type Refrigerant } from '@/core/fluids/refrigerants'
import { type Balance, LEDGER_KINDS, type LedgerEntry, type LedgerQuery, totalsOf } from '@/core/shop/ledger'
import { newEventId, send } from '../api'
import { massHint, readMass } from '../form/entries'
import { Choice, Field } from '../form/field'
import { Pick } from '../form/pick'
import { dateTimeIn } from '../format'

type Stock = { id: string; name: string; refrigerant: Refrigerant }
type Props = {
  entries: LedgerEntry[]
  balances: Balance[]
  query: LedgerQuery
  containers: Stock[]
  timeZone: string
  mayCorrect: boolean
}

const KIND_WORDS = {
  bought: 'bought',
  charged: 'into a car',
  purged: 'purged',
  recovered: 'recovered',
  heel: 'heel of an empty can',
  corrected: 'corrected',
} as const
const grams = (g: number): string => `${g > 0 ? '+' : g < 0 ? '−' : ''}${Math.abs(Math.round(g)).toLocaleString('en')}`

/** The refrigerant ledger: what is left in every container by the book, the sums, and every line; a file of all. */
export function LedgerPage({ entries, balances, query, containers, timeZone, mayCorrect }: Props) {
  const asked = new URLSearchParams(
    Object.entries(query).filter((pair): pair is [string, string] => Boolean(pair[1])),
  ).toString()
  const at = dateTimeIn(timeZone)
  return (
    <main className="grid grid-cols-[minmax(0,1fr)_380px] gap-8 px-5 py-4 max-lg:grid-cols-1 max-sm:px-4">
      <section aria-label="Ledger">
        <div className="flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-[30px] font-semibold leading-tight">Refrigerant ledger</h1>
          <a href={`/api/ledger.csv${asked ? `?${asked}` : ''}`} className="plain-button flex items-center text-[16px]">
            {asked ? 'These lines as CSV' : 'All of it as CSV'}
          </a>
        </div>
        <Which query={query} asked={asked !== ''} />
        <Totals entries={entries} />
        {entries.length === 0 ? (
          <p className="py-6 text-[19px]">
            {asked
              ? 'No line is as asked for.'
              : 'Nothing booked yet. What a charge takes out of a container is booked when the container is weighed.'}
          </p>
        ) : (
          <table className="mt-3 w-full text-[16px] max-sm:text-[15px]">
            <thead className="border-b-2 border-ink text-left text-[15px] text-ink-2">
              <tr>
                <th className="font-medium">when</th>
                <th className="font-medium">what</th>
                <th className="font-medium">container</th>
                <th className="text-right font-medium">g</th>
                <th className="pl-4 font-medium max-sm:hidden">by</th>
              </tr>
            </thead>
            <tbody>
              {entries.map((e) => (
                <tr key={e.id} className="border-b border-rule align-top">
                  <td className="py-1 pr-3 whitespace-nowrap">{at(e.happenedAt)}</td>
                  <td className="py-1 pr-3">
                    {e.jobId ? (
                      <a href={`/job/${e.jobId}`} className="underline underline-offset-4">
                        {KIND_WORDS[e.kind]}
                        {e.kind === 'charged' && e.car ? `, ${e.car}` : ''}
                      </a>
                    ) : (
                      KIND_WORDS[e.kind]
                    )}
                    {e.why && <span className="block text-[15px] text-ink-2">{e.why}</span>}
                  </td>
                  <td className="py-1 pr-3">
                    {e.container} <span className="text-ink-2">{e.refrigerant}</span>
                  </td>
                  <td className="py-1 text-right font-semibold">{grams(e.grams)}</td>
                  <td className="py-1 pl-4 max-sm:hidden">{e.by}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      <aside aria-label="Containers by the book">
        <h2 className="text-[20px] font-semibold">Left by the book</h2>
        <ul className="mt-1 border-t-2 border-ink">
          {balances.map((b) => (
            <li
              key={b.equipmentId ?? `${b.container} ${b.refrigerant}`}
              className="flex items-baseline justify-between gap-3 border-b border-rule py-1.5 text-[17px]"
            >
              <span>
                {b.container} <span className="text-[15px] text-ink-2">{b.refrigerant}</span>
              </span>
              <b className="font-semibold">{Math.round(b.grams).toLocaleString('en')} g</b>
            </li>
          ))}
        </ul>
        <Entry containers={containers} mayCorrect={mayCorrect} />
      </aside>
    </main>
  )
}

/** Which lines are shown: days, container, car. An ordinary form, so that the address says it and can be kept. */
function Which({ query, asked }: { query: LedgerQuery; asked: boolean }) {
  const box = 'field mt-0.5 !min-h-11 !text-[16px]'
  return (
    <form
      method="get"
      action="/ledger"
      aria-label="Which lines"
      className="mt-2 flex flex-wrap items-end gap-3 text-[16px]"
    >
      <label className="w-40">
        From
        <input type="date" name="from" defaultValue={query.from} className={box} />
      </label>
      <label className="w-40">
        To
        <input type="date" name="to" defaultValue={query.to} className={box} />
      </label>
      <label className="w-32">
        Container
        <input name="container" defaultValue={query.container} className={box} />
      </label>
      <label className="w-32">
        Car
        <input name="car" defaultValue={query.car} className={box} />
      </label>
      <button type="submit" className="plain-button text-[16px]">
        Show these
      </button>
      {asked && (
        <a href="/ledger" className="plain-button flex items-center text-[16px]">
          All
        </a>
      )}
    </form>
  )
}

function Totals({ entries }: { entries: LedgerEntry[] }) {
  return (
    <dl className="mt-2 grid gap-y-1 text-[17px]">
      {totalsOf(entries).map(({ refrigerant, sums }) => (
        <div key={refrigerant} className="flex flex-wrap gap-x-6">
          <dt className="font-semibold">{refrigerant}</dt>
          {LEDGER_KINDS.filter((kind) => sums[kind] !== 0).map((kind) => (
            <dd key={kind}>
              {KIND_WORDS[kind]}{' '}
              <b className="font-semibold">
                {kind === 'corrected' ? grams(sums[kind]) : Math.round(sums[kind]).toLocaleString('en')} g
              </b>
            </dd>
          ))}
        </div>
      ))}
    </dl>
  )
}

/** A purchase or a correction by hand. */
function Entry({ containers, mayCorrect }: { containers: Stock[]; mayCorrect: boolean }) {
  const router = useRouter()
  const blank = {
    kind: 'bought' as 'bought' | 'corrected',
    stock: '',
    container: '',
    refrigerant: 'R-134a' as Refrigerant,
    grams: '',
    why: '',
  }
  const [draft, setDraft] = useState(blank)
  const [errors, setErrors] = useState<Record<string, string>>({})
  const [said, setSaid] = useState('')
  const stock = containers.find((c) => c.id === draft.stock)
  const book = async () => {
    const negative = draft.grams.trim().startsWith('-') || draft.grams.trim().startsWith('−')
    const mass = readMass(draft.grams.trim().replace(/^[-−]/, ''))
    if ('error' in mass) {
      setErrors({ grams: mass.error })
      return
    }
    const answer = await send('/api/ledger', {
      id: newEventId(),
      kind: draft.kind,
      refrigerant: stock?.refrigerant ?? draft.refrigerant,
      container: stock?.name ?? draft.container,
      equipmentId: stock?.id ?? null,
      grams: negative ? -mass.value : mass.value,
      why: draft.why.trim(),
    })
    setErrors(answer.ok ? {} : Object.fromEntries(answer.faults.map((f) => [f.path, f.reason])))
    // a reason that stands beside its field is not said twice
    setSaid(answer.ok ? 'Booked.' : answer.faults.length > 0 ? '' : answer.message)
    if (!answer.ok) return
    setDraft(blank)
    router.refresh()
  }
  return (
    <form
      aria-label="Book by hand"
      className="mt-6 space-y-1"
      onSubmit={(e) => {
        e.preventDefault()
        void book()
      }}
    >
      <h2 className="text-[20px] font-semibold">Book by hand</h2>
      <Choice
        label="What"
        value={draft.kind}
        options={[
          { value: 'bought' as const, label: 'bought' },
          ...(mayCorrect ? [{ value: 'corrected' as const, label: 'correction' }] : []),
        ]}
        onChange={(kind) => setDraft((d) => ({ ...d, kind }))}
      />
      <Pick
        label="Container"
        value={draft.stock}
        options={{ '': 'one not on the shelf', ...Object.fromEntries(containers.map((c) => [c.id, c.name])) }}
        onPick={(s) => setDraft((d) => ({ ...d, stock: s }))}
      />
      {!stock && (
        <>
          <Field
            label="Its name"
            value={draft.container}
            error={errors.container}
            onChange={(container) => setDraft((d) => ({ ...d, container }))}
            placeholder="cylinder 9, a box of cans …"
          />
          <Choice
            label="Refrigerant"
            value={draft.refrigerant}
            options={REFRIGERANTS.map((r) => ({ value: r, label: r }))}
            onChange={(refrigerant) => setDraft((d) => ({ ...d, refrigerant }))}
          />
        </>
      )}
      <Field
        label={draft.kind === 'bought' ? 'Weight' : 'Weight, minus for what is missing'}
        value={draft.grams}
        error={errors.grams}
        hint={massHint(draft.grams.replace(/^[-−]/, '')).hint ?? 'such as 5.7 kg or 340 g'}
        onChange={(g) => setDraft((d) => ({ ...d, grams: g }))}
      />
      <Field
        label={draft.kind === 'bought' ? 'Note' : 'Why'}
        value={draft.why}
        error={errors.why}
        onChange={(why) => setDraft((d) => ({ ...d, why }))}
        placeholder={draft.kind === 'bought' ? '' : 'weighed again, lost …'}
      />
      <div className="flex items-center gap-3 pt-1">
        <button type="submit" className="plain-button text-[16px]">
          Book it
        </button>
        <span role="status">{said}</span>
      </div>
      <p className="text-[15px] text-ink-2">
        {massWords(1000)} is a kilogram. Lines are never taken back; a wrong one is corrected by another.
      </p>
    </form>
  )
}
