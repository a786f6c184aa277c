'use client'

import { FOUND_SENTENCES } from '@/core/call/found-sentences'
import { certificateWords } from '@/core/job/certificate'
import { chargedG, currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-leave'
import { shownMass } from '@/core/units/shown'
import { useSay } from '../../units'
import { Strong, slot, Worded } from '../../worded'
import { Section } from '../instrument/section'
import { CarFacts } from '../zero/car-facts'

/** A car that was handed over: what went in, what its hold proved, who vouches, and the way to its record. */
export function HandedOver({ state, jobId }: { state: JobState; jobId: string }) {
  const hold = currentHold(state)
  const say = useSay()
  const charged = shownMass(chargedG(state), say.units.mass)
  const proved = hold?.ended?.provesGramsPerYear
  return (
    <Section title={W.handedOver}>
      <div className="flex flex-wrap items-end gap-x-14 gap-y-4">
        <p>
          <span className="figure text-fig-xxl font-semibold max-sm:text-fig-l">{charged.text}</span>
          <span className="ml-2 text-title">{charged.unit}</span>
          <span className="block text-body font-semibold">{W.chargedTheLabelAsks(state.opened.label.typed)}</span>
        </p>
        <p className="max-w-[420px]">
          <span className="block text-fig-s font-semibold leading-tight">
            {hold?.ended ? FOUND_SENTENCES[hold.ended.verdict] : W.noHold}
          </span>
          <span className="block text-body font-semibold">
            {hold?.skipped
              ? W.theHoldWasSkipped(hold.skipped.why)
              : proved
                ? W.aLeakOfWouldHave(say.aYear(proved))
                : W.nothingWasProved}
          </span>
        </p>
      </div>
      <p className="mt-5 text-row">
        <Worded
          words={W.signedBy(slot('who'), certificateWords(state.signed?.certificate ?? ''), slot('record'))}
          who={<Strong>{state.signed?.by}</Strong>}
          record={
            <a href={`/job/${jobId}/record`} className="font-semibold underline">
              {W.itsRecord}
            </a>
          }
        />
      </p>
      <CarFacts state={state} />
    </Section>
  )
}
