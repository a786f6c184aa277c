import type { HoldSample } from './types'

/** A reading of the gauge: job time in ms, Pa absolute. */
export type HoldReading = { at: number; value: number }

/**
 * A hold's samples from its readings: all of them from isolation on, in order of time. The one way there is from
 * readings to what is
 * judged: thinned or averaged ones give another verdict (jumps and steps are looked for in every reading).
 * @param untilMs - job time the hold ends, ms; to the last reading when left out
 */
export function holdSamples(
  readings: readonly HoldReading[],
  isolatedMs: number,
  untilMs = Number.POSITIVE_INFINITY,
): HoldSample[] {
  return readings
    .filter((r) => r.at >= isolatedMs && r.at <= untilMs)
    .sort((a, b) => a.at - b.at)
    .map((r) => ({ elapsedS: (r.at - isolatedMs) / 1000, pressurePa: r.value }))
}
