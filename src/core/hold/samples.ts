import type { AirOverTime } from '../units/air-over-time'
import { PA_PER_INHG } from '../units/constants'
import type { HoldSample } from './types'

/**
 * A reading of the gauge: job time in ms, Pa absolute; what a needle's dial said, inHg below the air, where it was
 * one.
 */
export type HoldReading = { at: number; value: number; inHg?: number | null }

/**
 * A hold's samples from its readings: all of them from isolation on, in order of time. The one way there is from
 * readings to what is judged: thinned or averaged ones give another verdict (jumps and steps are looked for in every
 * reading).
 * @param untilMs - job time the hold ends, ms; to the last reading when left out
 * @param air - of the place, by job time in ms: what a needle shows is counted from it, and beyond it is its zero, not
 *   the car
 */
export function holdSamples(
  readings: readonly HoldReading[],
  isolatedMs: number,
  untilMs = Number.POSITIVE_INFINITY,
  air?: AirOverTime,
): HoldSample[] {
  const within = readings.filter((r) => r.at >= isolatedMs && r.at <= untilMs).sort((a, b) => a.at - b.at)
  // beside an electronic gauge that was hung on meanwhile, what a needle showed says nothing
  const electronic = within.filter((r) => r.inHg === undefined || r.inHg === null)
  const held = electronic.length > 0 ? electronic : within
  const shown = held.map((r) =>
    air === undefined || r.inHg === undefined || r.inHg === null ? r.value : air.at(r.at) - r.inHg * PA_PER_INHG,
  )
  // a needle beyond its stop is off its zero: the whole of it is lifted, since it is the rise that is judged
  const lowest = shown.reduce((low, pa) => Math.min(low, pa), 0)
  return held.map((r, i) => ({ elapsedS: (r.at - isolatedMs) / 1000, pressurePa: (shown[i] as number) - lowest }))
}
