'use client'

import { useEffect, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import type { JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { W } from '@/core/language/screen/check'
import { type Checked, checkRecord, LARGEST_RECORD, type OnPaper, paperOf } from '@/core/record/check-file'
import type { RecordFile } from '@/core/record/record'
import { READINGS_FILE } from '@/core/record/record'
import { groupedFingerprint } from '@/core/record/signing-key'
import { dateTimeIn } from '@/core/units/clock-text'
import { eventWords } from '@/core/words/event-words'
import { recordFacts } from '@/core/words/record-words'
import { Field } from '../form/field'
import { Fold } from '../form/fold'
import { Sign } from '../form/sign'
import { useKeepPage } from '../offline/use-keep-page'
import { useSay } from '../units'
import { Strong, slot, Worded } from '../worded'
import { browserCrypto } from './browser-crypto'

type Given = { name: string; text: string } | { name: string; refused: string }

/** A record held against itself in the browser: what holds, what does not, and whose key signed it. */
export function CheckPage() {
  const [record, setRecord] = useState<Given | null>(null)
  const [readings, setReadings] = useState<Given | null>(null)
  const [key, setKey] = useState('')
  const [paper, setPaper] = useState<OnPaper | null>(null)
  useKeepPage('/check')
  useEffect(() => setPaper(paperOf(window.location.hash)), [])
  const checked =
    record && 'text' in record
      ? checkRecord(record.text, browserCrypto, {
          readings: readings && 'text' in readings ? readings.text : undefined,
          trusted: key,
          paper,
        })
      : null
  const refused = [record, readings].flatMap((g) => (g && 'refused' in g ? [g.refused] : []))
  return (
    <main
      className={
        'mx-auto grid max-w-[1180px] grid-cols-[minmax(0,400px)_minmax(0,1fr)] gap-10 px-5 py-4 max-lg:grid-cols-1 ' +
        'max-sm:px-4'
      }
    >
      <section aria-label={W.files}>
        <h1 className="text-title font-semibold leading-tight">{W.checkARecord}</h1>
        <p className="mt-1 text-body">{W.theFileIsLookedAt}</p>
        <Drop label={W.recordFile} hint={W.dropTheRecordHereOr} given={record} onGiven={setRecord} />
        <Drop label={W.readingsFile} hint={W.andItsReadingsWhereYou} given={readings} onGiven={setReadings} />
        <div className="mt-3">
          <Field label={W.theShopsKeyOrIts} value={key} onChange={setKey} placeholder="1a2b 3c4d …" />
        </div>
        <p className="mt-1 text-note text-ink-2">{W.withoutItNobodyKnowsWhose}</p>
        {paper && (
          <p className="mt-3 border-t border-rule pt-2 text-small">
            <Worded
              words={W.fromTheCodeOnThe(slot('head'))}
              head={<b className="break-all font-medium">{paper.head}</b>}
            />
          </p>
        )}
        {refused.map((why) => (
          <p key={why} role="alert" className="mt-3 text-body font-medium text-leak">
            <Sign kind="fault" />
            {why}
          </p>
        ))}
      </section>
      {checked ? (
        <Found checked={checked} keyTyped={key.trim() !== ''} />
      ) : (
        <p className="pt-14 text-row text-ink-2 max-lg:pt-0">{W.whatHoldsAndWhatDoes}</p>
      )}
    </main>
  )
}

function Drop({
  label,
  hint,
  given,
  onGiven,
}: {
  label: string
  hint: string
  given: Given | null
  onGiven: (given: Given) => void
}) {
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    onDrop: ([file]) => {
      if (file) void readFile(file).then(onGiven)
    },
  })
  return (
    <div
      {...getRootProps()}
      className={
        `mt-3 flex min-h-[64px] cursor-pointer items-center rounded border-[1.5px] border-dashed border-ink px-4 ` +
        `py-2 text-lead font-medium focus-within:outline-2 ${isDragActive ? 'bg-deep' : 'bg-sheet'}`
      }
    >
      <span className="min-w-0 break-words">{given?.name ?? hint}</span>
      <input {...getInputProps({ 'aria-label': label })} />
    </div>
  )
}

/** A file as text, read as a stream and given up where it is larger than any record. */
async function readFile(file: File): Promise<Given> {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  const reader = file.stream().getReader()
  let [text, read] = ['', 0]
  try {
    for (;;) {
      const { done, value } = await reader.read()
      if (done) return { name: file.name, text: text + decoder.decode() }
      read += value.length
      if (read > LARGEST_RECORD) {
        await reader.cancel()
        return { name: file.name, refused: W.isLargerThan50Mb(file.name) }
      }
      text += decoder.decode(value, { stream: true })
    }
  } catch {
    return { name: file.name, refused: W.isNoTextUtf8(file.name) }
  }
}

function Found({ checked, keyTyped }: { checked: Checked; keyTyped: boolean }) {
  if (checked.kind === 'no-record')
    return (
      <section aria-label={W.whatWasFound} aria-live="polite" className="pt-2">
        <h2 className="text-call font-semibold leading-tight">{W.notARecord}</h2>
        <p className="mt-2 text-lead">{checked.why}</p>
      </section>
    )
  const { record, fingerprint, broken, withReadings, onPaper } = checked
  const at = dateTimeIn(Intl.DateTimeFormat().resolvedOptions().timeZone)
  return (
    <section aria-label={W.whatWasFound} aria-live="polite" className="pt-2">
      <h2 className={`text-call font-semibold leading-tight ${broken ? 'text-leak' : ''}`}>
        {broken ? W.itDoesNotHold : W.itHolds}
      </h2>
      {broken ? (
        <p className="mt-2 text-lead">
          <Worded words={W.atIt(slot('place'), broken.reason)} place={<Strong>{broken.place}</Strong>} />
        </p>
      ) : (
        <p className="mt-2 text-lead">
          <Worded
            words={W.allEntriesFollowOne(record.events.length, slot('by'), at(record.signed.at))}
            by={<Strong>{record.signed.by}</Strong>}
          />
        </p>
      )}
      <ul className="mt-3 border-t-2 border-ink text-body">
        <Line
          holds={broken === null || broken.place === READINGS_FILE || broken.place.startsWith('$.readings')}
          words={W.entriesUnchangedNoneDroppedAdded}
        />
        <Line
          holds={withReadings ? !broken?.place.includes('readings') : null}
          words={
            withReadings
              ? W.readingsTheThatWereSigned(record.readings.count.toLocaleString('en'))
              : W.readingsNotHeldAgainstIt
          }
        />
        <Line
          holds={keyTyped ? broken?.place !== '$.signature.public_key' : null}
          words={keyTyped ? W.keyTheOneThatWas : W.keyNotComparedAskThe}
        />
        {onPaper !== null && (
          <Line holds={onPaper} words={onPaper ? W.paperPrintedOfThisRecord : W.paperPrintedOfAnotherRecord} />
        )}
      </ul>
      <p className="mt-2 text-note text-ink-2">
        {W.keyCertificate(
          fingerprint ? groupedFingerprint(fingerprint) : W.thatIsNone,
          record.signed.certificate || W.noneGiven,
        )}
      </p>
      {!broken && <WhatItSays record={record} at={at} />}
    </section>
  )
}

function Line({ holds, words }: { holds: boolean | null; words: string }) {
  return (
    <li className="flex gap-3 border-b border-rule py-1.5">
      <b className="w-24 shrink-0 font-semibold">{holds === null ? W.notKnown : holds ? W.holds : W.fails}</b>
      {words}
    </li>
  )
}

/** What stands in a record that holds, in words. */
function WhatItSays({ record, at }: { record: RecordFile; at: (iso: string) => string }) {
  const say = useSay()
  const events = record.events.map(
    (e) => ({ ...e, happenedAt: e.happened_at, storedAt: e.stored_at }) as unknown as JobEvent,
  )
  const state = attempt(() => foldJob(events))
  if (!state) return null
  const { opened } = state
  return (
    <div className="mt-4">
      <h3 className="text-row font-semibold">
        {[opened.car.name, opened.car.model, opened.car.plate, String(record.job.place ?? '')]
          .filter(Boolean)
          .join(', ')}
      </h3>
      <dl className="mt-2 grid grid-cols-[150px_1fr] gap-y-1.5 text-body max-sm:grid-cols-[110px_1fr]">
        {recordFacts(state, say, at).map((f) => (
          <div key={f.name + f.words} className="contents">
            <dt className="text-ink-2">{f.name}</dt>
            <dd>
              {f.strong && <b className="font-semibold">{f.strong}</b>}
              {f.words}
            </dd>
          </div>
        ))}
      </dl>
      <Fold title={W.everyEntry(events.length)} className="mt-3">
        <ul className="text-note">
          {events.map((e) => (
            <li key={e.id} className="grid grid-cols-[170px_1fr_auto] gap-3">
              <span className="text-ink-2">{at(e.happenedAt)}</span>
              {eventWords(e)}
              <span className="text-ink-2">{e.by}</span>
            </li>
          ))}
        </ul>
      </Fold>
    </div>
  )
}

function attempt<T>(work: () => T): T | null {
  try {
    return work()
  } catch {
    // a sound record of a later version may hold what this one cannot fold: the check stands all the same
    return null
  }
}
