'use client'

import { type ReactNode, useMemo } from 'react'
import { certificateWords } from '@/core/job/certificate'
import type { JobEvent } from '@/core/job/events'
import { chargedG, type Hold, type JobState } from '@/core/job/state'
import { STEP_NAMES } from '@/core/job/steps'
import { CLOSED_LINES } from '@/core/job/summary'
import { leakRecord } from '@/core/leak/proved'
import { customerWords, restAfterCharge } from '@/core/prove/proof-history'
import { groupedFingerprint } from '@/core/record/signing-key'
import { chanceWords } from '@/core/units/chance'
import { formatPoundsOunces } from '@/core/units/mass'
import type { Say } from '@/core/units/say'
import { ACCEPTED_BY, eventWords } from '@/core/words/event-words'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { Sign } from '../form/sign'
import { dateTimeIn, gaugeText, micronText } from '../format'
import { FoundSketch } from '../job/fix/search/found-sketch'
import { Photos } from '../job/notes/notes-bar'
import { BeforeAfter } from '../job/prove/before-after'
import { useSay } from '../units'
import { CorrectRecord } from './correct-record'

type Props = {
  jobId: string
  state: JobState
  events: JobEvent[]
  shopName: string
  timeZone: string
  head: string
  mayCorrect: boolean
  fingerprint: string
}

/** The record as a page to print: what was done, what it proves, who signed, and every entry below. */
export function RecordPage({ jobId, state, events, shopName, timeZone, head, mayCorrect, fingerprint }: Props) {
  const at = useMemo(() => dateTimeIn(timeZone), [timeZone])
  const { opened, signed } = state
  const say = useSay(opened.place.barometerPa)
  return (
    <main className="mx-auto max-w-[920px] px-5 py-6 max-sm:px-4">
      <div className="flex flex-wrap items-end justify-between gap-4 border-b-2 border-ink pb-3">
        <div>
          <h1 className="text-call font-semibold leading-tight">{opened.car.name}</h1>
          <p className="text-lead text-ink-2">
            {[opened.car.model, opened.car.plate, shopName].filter(Boolean).join(', ')}, {at(state.openedAt)}
          </p>
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <a className="plain-button inline-flex items-center" href={`/job/${jobId}`}>
            Back to the job
          </a>
          <button type="button" className="plain-button" onClick={() => window.print()}>
            Print
          </button>
          <a className="plain-button inline-flex items-center" href={`/api/jobs/${jobId}/readings.csv`}>
            Readings, CSV
          </a>
          {signed && (
            <a className="plain-button inline-flex items-center" href={`/api/jobs/${jobId}/record.json`}>
              Record file
            </a>
          )}
        </div>
      </div>
      {opened.simulated && (
        <p className="mt-3 text-body font-medium text-caution">
          <Sign kind="caution" />
          On the simulated bench: no real car was worked on.
        </p>
      )}
      {!signed && (
        <p className="mt-3 text-body font-medium text-caution">
          <Sign kind="caution" />
          Not signed yet: this is a draft.
        </p>
      )}
      <dl className="mt-3 grid grid-cols-[150px_1fr] gap-y-2 text-body max-sm:grid-cols-[110px_1fr]">
        <Fact name="Label">
          {opened.label.refrigerant}, {opened.label.typed}, from the{' '}
          {opened.label.source === 'label' ? 'label' : 'service manual'}; oil {opened.label.oilKind}
        </Fact>
        <Fact name="Recovered">{state.recoveredG === undefined ? 'nothing' : `${Math.round(state.recoveredG)} g`}</Fact>
        <Fact name="Renewed">
          {state.fix?.renewed.map((r) => `${RENEWED_WORDS[r.what].toLowerCase()} ×${r.count}`).join(', ') || 'nothing'}
          {state.fix && state.fix.oilOwedMl > 0 ? `; oil ${state.fix.oilOwedMl} mL, ${state.fix.oilReason}` : ''}
        </Fact>
        <Fact name="Procedure">
          {opened.procedure.name}: {micronText(opened.procedure.targetPa)} micron, hold {opened.procedure.holdMinutes}{' '}
          min
        </Fact>
        {state.pulls.map((p, i) => (
          <Fact key={p.startedAt} name={`Pull ${i + 1}`}>
            {at(p.startedAt)}
            {p.endedAt ? `, ${Math.round((Date.parse(p.endedAt) - Date.parse(p.startedAt)) / 60_000)} min` : ''}
          </Fact>
        ))}
        {state.sweeps.length > 0 && (
          <Fact name="Nitrogen">
            swept {state.sweeps.reduce((sum, s) => sum + s.passes, 0)} times, by{' '}
            {[...new Set(state.sweeps.map((s) => s.by))].join(', ')}
          </Fact>
        )}
        {state.holds.map((h, i) => (
          <Fact key={h.isolatedAt} name={`Hold ${i + 1}`}>
            {holdWords(h, say)}
          </Fact>
        ))}
        {state.hosesHeld && (
          <Fact name="Hoses alone">
            held {Math.round(state.hosesHeld.minutes)} min: {state.hosesHeld.moved ? 'they rose' : 'they stood still'},{' '}
            {state.hosesHeld.by}
          </Fact>
        )}
        {state.looked.length > 0 && (
          <Fact name="Looked for the leak">{state.looked.map((l) => `${l.place}: ${l.found}`).join('; ')}</Fact>
        )}
        {leakRecord(state, say).map(({ name, words }) => (
          <Fact key={words} name={name}>
            {words}
          </Fact>
        ))}
        {state.turns.map((t) => (
          <Fact key={t.at} name={`Back to ${STEP_NAMES[t.to]}`}>
            {at(t.at)}, {t.by}: {t.why}
          </Fact>
        ))}
        {state.spent.map((s) => (
          <Fact key={s.at} name="Charged and recovered">
            {say.mass(s.chargedG)} were charged, {say.mass(s.recoveredG)} recovered again, {at(s.at)}
          </Fact>
        ))}
        {state.accepted && (
          <Fact name="Known to leak">
            up to {say.aYear(state.accepted.gramsPerYear)}, worst case; charged all the same by {state.accepted.by}:{' '}
            {state.accepted.why}; the customer: {state.accepted.customer}
          </Fact>
        )}
        {state.closed && (
          <Fact name="Ended early">
            {CLOSED_LINES[state.closed.as]}: {state.closed.why}; {state.closed.by}, {at(state.closed.at)}
          </Fact>
        )}
        <Fact name="Charged">
          <b className="font-semibold">
            {Math.round(chargedG(state))} g, {formatPoundsOunces(chargedG(state))}
          </b>{' '}
          {state.counted
            ? `by ${state.counted.emptied.length} whole ${state.counted.emptied.length === 1 ? 'can' : 'cans'} counted, not weighed`
            : `of ${Math.round(state.plan?.targetG ?? 0)} g`}
          ;{' '}
          {state.containers
            .map(
              (c) =>
                `${c.id} ${Math.round(c.startGrossG)} to ${c.endGrossG === undefined ? '…' : Math.round(c.endGrossG)} g`,
            )
            .join(', ')}
        </Fact>
        {state.proofs.map((p) => (
          <Fact key={p.at + p.engine} name={p.engine === 'idle' ? 'At idle' : 'At 1,500 rpm'}>
            low {gaugeText(p.lowPaG)}; high {p.highPaG === null ? 'not read' : gaugeText(p.highPaG)}; vent{' '}
            {p.ventC.toFixed(1)} °C at {p.ambientC} °C
            {p.note && `; ${p.note}`}
          </Fact>
        ))}
        {state.rest && (
          <Fact name="At rest, charged">
            {gaugeText(state.rest.paG)} at {state.rest.ambientC} °C: {REST_WORDS[restAfterCharge(state) ?? 'right']}
          </Fact>
        )}
        <Fact name="In plain words">{customerWords(state, say)}</Fact>
        {signed && (
          <Fact name="Signed">
            <b className="font-semibold">{signed.by}</b>, {certificateWords(signed.certificate)}, {at(signed.at)};{' '}
            {signed.readingCount.toLocaleString('en')} readings
          </Fact>
        )}
        {signed && (
          <Fact name="Sealed with">
            the key of {shopName}, <span className="text-note">{groupedFingerprint(fingerprint)}</span>
          </Fact>
        )}
      </dl>
      <FoundSketch state={state} />
      <BeforeAfter state={state} />
      {state.corrections.length > 0 && (
        <section className="mt-5">
          <h2 className="text-row font-semibold">Corrections on top</h2>
          <ul className="text-body">
            {state.corrections.map((c) => (
              <li key={c.at + c.is}>
                <s className="text-ink-2">{c.was}</s> <b className="font-semibold">{c.is}</b>, {c.why}; {c.by},{' '}
                {at(c.at)}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Photos jobId={jobId} photos={state.photos} />
      {state.notes.length > 0 && (
        <ul aria-label="Notes" className="mt-3 text-body">
          {state.notes.map((n) => (
            <li key={n.at + n.text}>
              {at(n.at)}, {n.by}: {n.text}
            </li>
          ))}
        </ul>
      )}
      {mayCorrect && <CorrectRecord jobId={jobId} events={events} />}
      <section className="mt-6">
        <h2 className="border-b border-rule pb-1 text-row font-semibold">Every entry</h2>
        <table className="mt-1 w-full text-note">
          <tbody>
            {events.map((e) => (
              <tr key={e.id} className="align-top">
                <td className="w-[170px] py-px pr-3 whitespace-nowrap text-ink-2">{at(e.happenedAt)}</td>
                <td className="py-px pr-3">{eventWords(e)}</td>
                <td className="py-px text-right text-ink-2">{e.by}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p className="mt-4 break-all text-note text-ink-2">
        Chain ends in {head}. Recovery, venting, purchase and records are regulated: local codes and licensed practice
        decide.
      </p>
    </main>
  )
}

/** How a hold ended: what it was accepted by, what it would have shown, and what stays unproved. */
function holdWords(h: Hold, say: Say): string {
  if (h.skipped)
    return `skipped by ${h.skipped.by}: ${h.skipped.why}. Not proved: that it is tight, and that it is dry.`
  if (!h.ended) return h.left ? `left unjudged by ${h.left.by}: ${h.left.why}` : 'running'
  const { verdict, leak, heldS, provesGramsPerYear: proves } = h.ended
  const held = `${acceptedWords(h)}${verdict}, leak ${chanceWords(leak)}; held ${Math.round(heldS / 60)} min`
  return [
    held,
    ...(proves === null
      ? []
      : [
          `Would have shown a leak of ${say.aYear(proves)}, worst case; not proved: a smaller one, a core under its ` +
            'coupler, a seal that opens under pressure only',
        ]),
    ...(h.shortened
      ? [`Ended after ${Math.round(heldS / 60)} of ${h.plannedMinutes} min by ${h.shortened.by}: ${h.shortened.why}`]
      : []),
  ].join('. ')
}

/** By which rule a hold was accepted, and who did. */
function acceptedWords({ accepted, ended }: Hold): string {
  if (!accepted) return ''
  const rule = accepted.as === 'rule' && ended?.rule ? `: ${ended.rule.words}` : ''
  return `accepted by ${ACCEPTED_BY[accepted.as]}${rule} (${accepted.by}); `
}

const REST_WORDS = {
  air: 'above saturation, so air inside',
  right: 'as it should be',
  'no-liquid': 'below saturation, so no liquid left',
} as const

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </>
  )
}
