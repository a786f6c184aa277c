'use client'

import type { Live } from '@/core/call/types'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { MINUTE_MS } from '@/core/units/constants'
import { otherPressure } from '@/core/units/say'
import { shownPressure, shownTemperature } from '@/core/units/shown'
import { Figure } from '../../form/figure'
import type { LiveJob } from '../../hooks/use-job-live'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'
import { BeforeEntry } from '../zero/before-entry'
import { BeforeAfter } from './before-after'
import { Causes } from './causes'
import { MakerEntry } from './maker-entry'
import { ProofBands } from './proof-bands'
import { ProofForm } from './proof-form'
import { RestEntry } from './rest-entry'
import { RunningTrace } from './running-trace'

type Props = { state: JobState; live: Live; job: LiveJob; clock: (ms: number) => string; deeds: Deeds }

/** What both sides and the vent show while the engine runs; nothing of it counts at rest. */
function runningNow(state: JobState, live: Live): Now {
  const { barometerPa } = state.opened.place
  const gauge = (pa: number | undefined) => (pa === undefined ? undefined : pa - barometerPa)
  if (state.rig.engine !== 'on') return { lowPaG: undefined, highPaG: undefined, ventC: undefined }
  return { lowPaG: gauge(live.lowPa), highPaG: gauge(live.highPa), ventC: live.ventC }
}

/** The proof's own instrument: what is read now, and the form that keeps it. */
export function ProveStep({ state, live, asking }: Pick<Props, 'state' | 'live'> & { asking: boolean }) {
  const sinceMs = state.rig.engine === 'on' && state.turnedAt.engine ? Date.parse(state.turnedAt.engine) : null
  return (
    <div className="mt-3">
      <ProofFigures
        now={runningNow(state, live)}
        sinceMs={sinceMs}
        nowMs={live.nowMs}
        ambientC={state.opened.place.ambientC}
      />
      {asking && <ProofForm state={state} />}
    </div>
  )
}

/** What the readings are held against, how it runs, what it all points to, and what may be entered besides. */
export function ProveDetails({ state, live, job, clock, deeds }: Props) {
  return (
    <div>
      <ProofBands state={state} now={runningNow(state, live)} />
      <Causes state={state} cycling={live.cycling ?? false} />
      <RunningTrace state={state} sides={job.sides} nowMs={live.nowMs} said={live.running ?? []} clock={clock} />
      <BeforeAfter state={state} />
      <div className="mt-3 max-w-[880px]">
        <RestEntry state={state} deeds={deeds} />
        <MakerEntry state={state} deeds={deeds} />
        {!state.before && <BeforeEntry state={state} deeds={deeds} />}
      </div>
    </div>
  )
}

type Now = { lowPaG: number | undefined; highPaG: number | undefined; ventC: number | undefined }

/** What the instruments show now: the vent largest, because it is what the driver feels. */
function ProofFigures({
  now,
  sinceMs,
  nowMs,
  ambientC,
}: {
  now: Now
  sinceMs: number | null
  nowMs: number
  ambientC: number
}) {
  const minutes = sinceMs === null ? null : Math.max(0, Math.floor((nowMs - sinceMs) / MINUTE_MS))
  const say = useSay()
  const { pressure, temperature } = say.units
  const other = (pa: number | undefined) => (pa === undefined ? W.notMeasured : otherPressure(pa, say))
  const warm = (celsius: number) => shownTemperature(celsius, temperature)
  const side = (pa: number | undefined) =>
    pa === undefined ? { ...shownPressure(0, pressure), text: '–' } : shownPressure(pa, pressure)
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-10 gap-y-2 max-sm:gap-x-6">
      <Figure
        big
        text={now.ventC === undefined ? '–' : warm(now.ventC).text}
        unit={warm(0).unit}
        below={W.middleVentOutside(shownTemperature(ambientC, temperature, 0).text, warm(0).unit)}
      />
      <Figure {...side(now.lowPaG)} below={W.lowSide2(other(now.lowPaG))} />
      <Figure {...side(now.highPaG)} below={W.highSide2(other(now.highPaG))} />
      <Figure
        text={minutes === null ? W.off : String(minutes)}
        unit={minutes === null ? '' : 'min'}
        below={W.engineRunning}
      />
    </div>
  )
}
