'use client'

import type { Live } from '@/core/call/types'
import type { JobState } from '@/core/procedure/state'
import type { LiveJob } from '../hooks/use-job-live'
import { BeforeAfter } from './before-after'
import { Causes } from './causes'
import { ProofForm } from './forms/step-forms'
import { ProofBands } from './proof-bands'
import { RunningTrace } from './running-trace'
import { BeforeEntry, MakerEntry, RestEntry } from './side-entries'
import type { Deeds } from './use-deeds'

type Props = { state: JobState; live: Live; job: LiveJob; clock: (ms: number) => string; deeds: Deeds; asking: boolean }

/** The proof: what is read now, how it runs, the bands, and what it all points to. */
export function ProveStep({ state, live, job, clock, deeds, asking }: Props) {
  const { barometerPa } = state.opened.place
  const gauge = (pa: number | undefined) => (pa === undefined ? undefined : pa - barometerPa)
  const running = state.rig.engine === 'on'
  const now = { lowPaG: running ? gauge(live.lowPa) : undefined, highPaG: running ? gauge(live.highPa) : undefined, ventC: running ? live.ventC : undefined }
  return (
    <>
      {asking && <ProofForm state={state} />}
      <ProofBands state={state} now={now} />
      <Causes state={state} cycling={live.cycling ?? false} />
      <RunningTrace state={state} sides={job.sides} nowMs={live.nowMs} said={live.running ?? []} clock={clock} />
      <BeforeAfter state={state} />
      <div className="mt-3 max-w-[880px]">
        <RestEntry state={state} deeds={deeds} />
        <MakerEntry state={state} deeds={deeds} />
        {!state.before && <BeforeEntry state={state} deeds={deeds} />}
      </div>
    </>
  )
}
