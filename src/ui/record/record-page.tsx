'use client'

import { type ReactNode, useMemo } from 'react'
import type { JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/record'
import type { RecordPicture as Picture } from '@/core/record/picture'
import { groupedFingerprint } from '@/core/record/signing-key'
import { dateTimeIn } from '@/core/units/clock-text'
import { eventWords } from '@/core/words/event-words'
import { recordFacts } from '@/core/words/record-words'
import { Sign } from '../form/sign'

import { FoundSketch } from '../job/fix/search/found-sketch'
import { Photos } from '../job/notes/notes-bar'
import { BeforeAfter } from '../job/prove/before-after'
import { useSay } from '../units'
import { CorrectRecord } from './correct-record'
import { RecordPicture } from './record-picture'

type Props = {
  jobId: string
  state: JobState
  events: JobEvent[]
  shopName: string
  timeZone: string
  head: string
  mayCorrect: boolean
  fingerprint: string
  picture: Picture
}

/** The record as a page to print: what was done, what it proves, who signed, and every entry below. */
export function RecordPage({
  jobId,
  state,
  events,
  shopName,
  timeZone,
  head,
  mayCorrect,
  fingerprint,
  picture,
}: Props) {
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
            {W.backToTheJob}
          </a>
          <button type="button" className="plain-button" onClick={() => window.print()}>
            {W.print}
          </button>
          <a className="plain-button inline-flex items-center" href={`/api/jobs/${jobId}/readings.csv`}>
            {W.readingsCsv}
          </a>
          {signed && (
            <a className="plain-button inline-flex items-center" href={`/api/jobs/${jobId}/record.json`}>
              {W.recordFile}
            </a>
          )}
          <a className="plain-button inline-flex items-center" href={`/api/jobs/${jobId}/certificate.pdf`}>
            {signed ? W.certificatePdf : W.draftPdf}
          </a>
        </div>
      </div>
      {opened.simulated && (
        <p className="mt-3 text-body font-medium text-caution">
          <Sign kind="caution" />
          {W.onTheSimulatedBenchNo}
        </p>
      )}
      {!signed && (
        <p className="mt-3 text-body font-medium text-caution">
          <Sign kind="caution" />
          {W.notSignedYetThisIs}
        </p>
      )}
      <RecordPicture picture={picture} id={jobId} />
      <dl className="mt-4 grid grid-cols-[150px_1fr] gap-y-2 text-body max-sm:grid-cols-[110px_1fr]">
        {recordFacts(state, say, at).map(({ name, strong, words }) => (
          <Fact key={name + words} name={name}>
            {strong && <b className="font-semibold">{strong}</b>}
            {words}
          </Fact>
        ))}
        {signed && (
          <Fact name={W.sealedWith}>
            {W.theKeyOf2(shopName)}, <span className="text-note">{groupedFingerprint(fingerprint)}</span>
          </Fact>
        )}
      </dl>
      <FoundSketch state={state} />
      <BeforeAfter state={state} />
      {state.corrections.length > 0 && (
        <section className="mt-5">
          <h2 className="text-row font-semibold">{W.correctionsOnTop}</h2>
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
        <ul aria-label={W.notes} className="mt-3 text-body">
          {state.notes.map((n) => (
            <li key={n.at + n.text}>
              {at(n.at)}, {n.by}: {n.text}
            </li>
          ))}
        </ul>
      )}
      {mayCorrect && <CorrectRecord jobId={jobId} events={events} />}
      <section className="mt-6">
        <h2 className="border-b border-rule pb-1 text-row font-semibold">{W.everyEntry}</h2>
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
      <p className="mt-4 break-all text-note text-ink-2">{W.chainEndsInRecovery(head)}</p>
    </main>
  )
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </>
  )
}
