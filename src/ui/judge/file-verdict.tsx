'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import { FOUND_SENTENCES } from '@/core/call/found-sentences'
import { reasonsIn } from '@/core/hold/reason-words'
import { W } from '@/core/language/screen/judge'
import { chanceWords } from '@/core/units/chance'
import { PA_PER_INHG } from '@/core/units/constants'
import { newSequence, send } from '../api'
import { RulesTable } from '../job/hold/rules-table'
import { useSay } from '../units'
import type { FileJudgement } from './file-judgement'

type Props = { judged: FileJudgement | undefined; waiting: boolean; holding: { id: string; name: string }[] }

// the chart library comes when there is something to draw with it
const RecordChart = dynamic(() => import('./record-chart'), {
  ssr: false,
  loading: () => <div className="h-[300px]" />,
})

const minutes = (s: number): string => W.min(Math.round(s / 60))

/** What the judge says of a file: verdict, reason, what it proves, the picture, and the simple rules beside it. */
export function FileVerdict({ judged, waiting, holding }: Props) {
  const say = useSay()
  if (!judged)
    return <p className="pt-14 text-row text-ink-2">{waiting ? W.theVerdictStandsHereAs : W.noRecordThatCanBe}</p>
  const { result, rules, read } = judged
  const limit = result.detectionLimitGramsPerYear
  const leaking = result.verdict === 'leak' || result.verdict === 'leak-and-damp'
  return (
    <section aria-label={W.verdict} aria-live="polite">
      <p className="text-small text-ink-2">
        {W.readingsOver2(read.samples.length.toLocaleString('en'), minutes(result.heldS))}
      </p>
      <h2 className="text-fig-s font-semibold leading-tight max-sm:text-call">{FOUND_SENTENCES[result.verdict]}</h2>
      <p className="text-lead">
        {W.leakWaterPresumed(
          chanceWords(result.probability.leak),
          chanceWords(result.probability.damp),
          chanceWords(result.priors.leak),
          chanceWords(result.priors.damp),
        )}
      </p>
      {reasonsIn(result, say).map((reason) => (
        <p key={reason} className="text-lead">
          {reason}
        </p>
      ))}
      <p className="mt-2 border-t border-rule pt-2 text-body">
        <b className="font-semibold">{W.whatItProves}</b>
        {limit ? W.aLeakOfOrMore(say.aYear(limit.high)) : W.nothingTheRecordCannotBear}
        {leaking &&
          result.leakGramsPerYear &&
          W.foundBetweenAnd(say.yearText(result.leakGramsPerYear.low), say.aYear(result.leakGramsPerYear.high))}
        {result.waterG !== null && W.waterSeenAsVapourAbout(say.roughMass(result.waterG, 2))}
      </p>
      {read.notices.slice(0, 3).map((notice) => (
        <p key={notice} className="text-small text-ink-2">
          {W.noted2(notice)}
        </p>
      ))}
      <Picture judged={judged} />
      <IntoCar judged={judged} holding={holding} />
      <RulesTable rules={rules} volumeL={judged.context.volumeL} when={minutes} />
    </section>
  )
}

function Picture({ judged: { result, read, context } }: { judged: FileJudgement }) {
  const say = useSay(context.barometerPa)
  const points = read.samples.map((s) => ({ at: s.elapsedS, value: s.pressurePa }))
  const last = points[points.length - 1]
  const needle = context.instrument === 'needle'
  const movedPa = (last?.value ?? 0) - (points[0]?.value ?? 0)
  const span = needle
    ? W.theNeedleMovedInhg((movedPa / PA_PER_INHG).toFixed(1))
    : W.fromTo(say.vacuumText(points[0]?.value ?? 0), say.vacuum(last?.value ?? 0))
  return (
    <div className="mt-2" role="img" aria-label={W.inWord(span, minutes(result.heldS))}>
      <RecordChart points={points} result={result} needle={needle} />
    </div>
  )
}

/** Puts the record into the hold of a car that waits for it. */
function IntoCar({ judged, holding }: { judged: FileJudgement; holding: { id: string; name: string }[] }) {
  const [said, setSaid] = useState('')
  if (holding.length === 0) return null
  const put = async (car: { id: string; name: string }) => {
    const readings = judged.read.samples.map((s) => ({ elapsedS: s.elapsedS, pressurePa: s.pressurePa }))
    const answer = await send(`/api/jobs/${car.id}/hold-file`, { file: { seq: newSequence(), readings } })
    setSaid(answer.ok ? W.readingsAreInTheHold(readings.length.toLocaleString('en'), car.name) : answer.message)
  }
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2 text-small">
      <span>{W.putItIntoTheRunning}</span>
      {holding.map((car) => (
        <button key={car.id} type="button" className="plain-button text-small" onClick={() => void put(car)}>
          {car.name}
        </button>
      ))}
      <span role="status">{said}</span>
    </div>
  )
}
