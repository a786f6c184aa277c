'use client'

import dynamic from 'next/dynamic'
import { pressureWords } from '@/core/call/search-pressure'
import type { Live } from '@/core/call/types'
import { currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { soakS } from '@/core/leak/pressure-test'
import { correctedPa, pressureTestOf } from '@/core/leak/pressure-test-of-job'
import { soughtGramsPerYear } from '@/core/leak/sizes'
import { lengthWords } from '@/core/units/duration'
import type { LiveJob } from '../../../hooks/use-job-live'
import { useSay } from '../../../units'

// the chart library comes when there is something to draw with it
const PressureLines = dynamic(() => import('./pressure-lines'), {
  ssr: false,
  loading: () => <div className="h-[190px]" />,
})

type Props = { state: JobState; live: Live; job: LiveJob; clock: (ms: number) => string }

/** Nitrogen's pressure as read, and with the temperature taken out: what only cools is no leak. */
export function PressurePicture({ state, live, job, clock }: Props) {
  const say = useSay(state.opened.place.barometerPa)
  const { barometerPa, ambientC } = state.opened.place
  const nitrogen = state.search?.nitrogen
  const test = pressureTestOf(state, job.sides.low, job.warmth)
  if (!nitrogen || !test) return null
  const words = pressureWords(live.pressureTest, say, currentHold(state)?.ended?.provesGramsPerYear)
  const fromMs = Date.parse(nitrogen.inAt)
  const { gramsPerYear } = soughtGramsPerYear(state)
  const soak = soakS(gramsPerYear, nitrogen.pressurePaG + barometerPa, test, ambientC)
  const points = (values: readonly { atS: number; pa: number }[]) =>
    values.map(({ atS, pa }) => ({ at: fromMs + atS * 1000, value: pa - barometerPa }))
  const last = test.warmth[test.warmth.length - 1]
  return (
    <figure className="mt-3" aria-label={W.pressureTest}>
      <div className="flex flex-wrap items-end gap-x-6">
        {live.lowPa === undefined ? (
          <p className="text-body">{W.nothingReadYet}</p>
        ) : (
          <p>
            <b className="figure text-fig-s font-semibold leading-none">{say.pressure(live.lowPa - barometerPa)}</b>{' '}
            <span className="text-body">{W.aboveTheAirNow}</span>
          </p>
        )}
        <p className="text-body">{last ? W.theGas(say.celsius(last.celsius, 1)) : W.noTemperatureOfTheGas}</p>
        <p className="text-body">
          {soak === null
            ? W.fourHoursWouldNotShow
            : W.soakToToShow(lengthWords(soak), clock(fromMs + soak * 1000), say.aYear(gramsPerYear))}
        </p>
      </div>
      {test.samples.length > 1 && (
        <div role="img" aria-label={words.join(' ')}>
          <PressureLines
            raw={points(test.samples)}
            corrected={points(correctedPa(test))}
            fromMs={fromMs}
            nowMs={live.nowMs}
            clock={clock}
          />
        </div>
      )}
      <figcaption className="text-small">{words.join(' ')}</figcaption>
    </figure>
  )
}
