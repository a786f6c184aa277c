import type { HoldResult, HoldSample } from './types'

/** A finding that there is no leak is withdrawn only from here on: below, what came since is no evidence (assumed). */
export const STANDS_UNTIL = 0.5
/** Earlier moments looked at: so many times apart, from the judge's first minutes on; back to this share of what was held. */
const FIRST_LOOK_S = 180
const APART = 1.1
const BACK_TO = 0.25

/**
 * Since when a hold that is open now was found to be without a leak, s since isolation; null where it was not.
 *
 * Chances hover about a cut while a bend goes on, and a verdict taken at each moment alone turned to and fro up to seven
 * times in four hours on cars that were tight. Looked for at moments that depend on nothing but the clock, so that the
 * same record gives the same answer to whoever judges it, however often it was looked at.
 * @param judge - judges what had been read by then
 */
export function foundBefore(
  samples: readonly HoldSample[],
  now: HoldResult,
  judge: (part: readonly HoldSample[]) => HoldResult,
): number | null {
  if (now.verdict !== 'undecided' || now.probability.leak >= STANDS_UNTIL) return null
  const last = Math.floor(Math.log(now.heldS / FIRST_LOOK_S) / Math.log(APART))
  for (let k = last; k >= 0; k--) {
    const atS = FIRST_LOOK_S * APART ** k
    if (atS >= now.heldS) continue
    if (atS < BACK_TO * now.heldS) return null
    const then = judge(upTo(samples, atS))
    if (then.verdict === 'tight' || then.verdict === 'damp') return atS
    if (then.verdict !== 'undecided' || then.probability.leak >= STANDS_UNTIL) return null
  }
  return null
}

/** What had been read by a time, s; samples are in order. */
export function upTo(samples: readonly HoldSample[], elapsedS: number): readonly HoldSample[] {
  let high = samples.length
  let low = 0
  while (low < high) {
    const middle = (low + high) >> 1
    if ((samples[middle] as HoldSample).elapsedS <= elapsedS) low = middle + 1
    else high = middle
  }
  return samples.slice(0, low)
}
