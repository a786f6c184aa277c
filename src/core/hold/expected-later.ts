import { currentHold, type JobState } from '../job/state'
import { W } from '../language/hold/expected-later'
import { DAY_S, PA_PER_INHG } from '../units/constants'
import type { Say } from '../units/say'
import type { HoldResult } from './types'

/** What the vacuum was when it was last read, and what the judge makes of the hold. */
type Read = { vacuumPa?: number | undefined; judgement?: Pick<HoldResult, 'projected'> | undefined }

/**
 * What a gauge should show when a car under vacuum is come back to, if it is tight: the pressure inside stays, and what
 * a needle shows of it moves with the air of the day.
 */
export function expectedLater(state: JobState, { vacuumPa, judgement }: Read, say: Say): string[] {
  if (!currentHold(state) || vacuumPa === undefined) return []
  const { opened } = state
  if (opened.rig.gauge === 'electronic') return [inADay(vacuumPa, judgement, say)]
  const inches = (airPa: number) => ((airPa - vacuumPa) / PA_PER_INHG).toFixed(1)
  const { barometerPa } = opened.place
  const mbar = (pa: number) => W.mbar((pa / 100).toFixed(0))
  const lower = barometerPa - WEATHER_PA
  return [W.theNeedleShouldShowInhg(inches(barometerPa), mbar(barometerPa), inches(lower), mbar(lower))]
}

/** What an electronic gauge should show a day from now: by the hold's own curve, else what it shows if it is tight. */
function inADay(vacuumPa: number, judgement: Read['judgement'], say: Say): string {
  const day = judgement?.projected.find((p) => p.atS >= DAY_S)
  return day
    ? W.byThisHoldsCurveIt(say.vacuum(day.value), say.vacuumSpan(day.low, day.high))
    : W.ifItIsTightAnd(say.vacuum(vacuumPa))
}

/** How far the weather moves a barometer over a night or two, Pa (assumed). */
const WEATHER_PA = 1000
