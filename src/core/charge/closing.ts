import type { ScaleReading } from './scale-watch'

/**
 * How long a hand and its valve take from the word to the last gram, s: what is thought of it and how far off that may
 * be.
 */
export type Lead = { meanS: number; spreadS: number; seen: number }

/** A stranger's hand: between one and four seconds (assumed). */
export const STRANGER: Lead = { meanS: 2.5, spreadS: 0.9, seen: 0 }
/**
 * One hand differs from its own mean by so much from time to time, and is measured no better than that, s (assumed).
 */
const OWN_SPREAD_S = 0.25
/** Grams of doubt that are no reason to stop short. */
const SURE_WITHIN_G = 2.5
/** Deviations kept between the worst hand and the target when it is stopped short. */
const KEPT_SPREADS = 1.75
/** Doubt of a difference of two weights, in steps of the scale (two roundings). */
const STEP_BLUR = 0.4
/** Flow is measured over at least so many steps of the scale, within these times, s. */
const STEPS_FOR_FLOW = 6
const SHORTEST_S = 6
const LONGEST_S = 45

/** After stopping short the rest is let in through a valve opened so far: a hand cannot be quicker than itself. */
export const TOP_UP_OPENING = 0.25

/** What leaves the container and what it weighs now, through the steps of the scale. */
export type FlowNow = { gramsPerS: number; nowG: number }

/**
 * Flow and weight by a straight line through the last readings; as many as the scale's steps ask for.
 * @returns null while there are too few
 */
export function flowNow(readings: readonly ScaleReading[], stepG: number): FlowNow | null {
  const last = readings[readings.length - 1]
  if (!last) return null
  let from = readings.length - 1
  while (from > 0 && last.tS - (readings[from - 1] as ScaleReading).tS <= LONGEST_S) {
    from--
    const r = readings[from] as ScaleReading
    if (last.tS - r.tS >= SHORTEST_S && Math.abs(last.grams - r.grams) >= STEPS_FOR_FLOW * stepG) break
  }
  const part = readings.slice(from)
  if (part.length < 4 || last.tS - (part[0] as ScaleReading).tS < 0.6 * SHORTEST_S) return null
  const n = part.length
  const meanT = part.reduce((s, r) => s + r.tS, 0) / n
  const meanG = part.reduce((s, r) => s + r.grams, 0) / n
  const tt = part.reduce((s, r) => s + (r.tS - meanT) ** 2, 0)
  const tg = part.reduce((s, r) => s + (r.tS - meanT) * (r.grams - meanG), 0)
  const slope = tt > 0 ? tg / tt : 0
  return { gramsPerS: Math.max(0, -slope), nowG: meanG + slope * (last.tS - meanT) }
}

/** When to say the word, and whether the first closing is meant to stop short of the target. */
export type Closing = { inS: number; aimG: number; short: boolean; flowGMin: number; nowG: number }

/**
 * When the valve has to be told to close so that the last grams land on the weight to stop at.
 * Where the hand is not known well enough for this flow, it is closed short of the target by what a slow hand would let
 * through; the rest follows with the hand as it was then seen.
 * @param stopG - gross to stop at, g
 */
export function closingOf(readings: readonly ScaleReading[], stopG: number, stepG: number, lead: Lead): Closing | null {
  const flow = flowNow(readings, stepG)
  if (!flow || flow.gramsPerS < 0.02) return null
  const doubtG = flow.gramsPerS * lead.spreadS
  const short = doubtG > SURE_WITHIN_G
  const leadS = lead.meanS + (short ? KEPT_SPREADS * lead.spreadS : 0)
  return {
    inS: (flow.nowG - stopG) / flow.gramsPerS - leadS,
    aimG: stopG + (short ? KEPT_SPREADS * doubtG : 0),
    short,
    flowGMin: flow.gramsPerS * 60,
    nowG: flow.nowG,
  }
}

/**
 * What one closing teaches of a hand.
 * @param saidG - weight when the word was said, g
 * @param endedG - weight it came to rest at, g
 * @param gramsPerS - flow when the word was said
 * @param stepG - step of the scale, which blurs both weights
 */
export function learnLead(lead: Lead, saidG: number, endedG: number, gramsPerS: number, stepG: number): Lead {
  if (!(gramsPerS > 0.05)) return lead
  const tookS = (saidG - endedG) / gramsPerS
  // no hand is quicker than nothing or slower than ten seconds: then something else happened
  if (!(tookS >= 0 && tookS <= 10)) return lead
  const measured = Math.hypot(OWN_SPREAD_S, (STEP_BLUR * stepG) / gramsPerS)
  const weight = lead.spreadS ** 2 / (lead.spreadS ** 2 + measured ** 2)
  const spread = Math.sqrt((1 - weight) * lead.spreadS ** 2)
  return {
    meanS: lead.meanS + weight * (tookS - lead.meanS),
    spreadS: Math.max(OWN_SPREAD_S, spread),
    seen: lead.seen + 1,
  }
}
