import { codeWords } from '../language/codes'
import { W } from '../language/prove/diagnose'
import { type Say, USUAL_SAY } from '../units/say'
import type { ProofBands } from './bands'

/**
 * What readings point to, how likely, why, and what to look at next. Never a certainty: two needles are a cross-check.
 */
export type Cause = { kind: CauseKind; chance: number; sentence: string; reason: string; next: string }
export type CauseKind =
  | 'as-it-should-be'
  | 'short'
  | 'restriction'
  | 'too-much'
  | 'air'
  | 'condenser'
  | 'compressor'
  | 'elsewhere'

/** `highPaG` null where nothing hangs on the high port: then it says nothing. */
export type ProofReading = { lowPaG: number; highPaG: number | null; ventC: number }
/**
 * What the job knows besides the needles: grams in against the target, the tolerance, whether air could have got in,
 * the pressure at rest and how the compressor ran.
 */
export type ProofHistory = {
  chargedG: number
  targetG: number
  toleranceG: number
  holdProved: boolean
  /** the charged system at rest, against its saturation pressure */
  rest?: 'air' | 'right' | 'no-liquid'
  cycling?: boolean
}

/** Where a reading lies: 0 in the middle of its band, 1 at an edge, in half-widths. */
const place = (value: number, [low, high]: [number, number]): number =>
  (value - (low + high) / 2) / Math.max(1e-9, (high - low) / 2)

/**
 * What each cause makes of low side, high side and vent, in half-widths of the typical bands, and its chance before any
 * reading (assumed; practice, model.md section 10).
 */
const SIGNS: Record<CauseKind, { low: number; high: number; vent: number; prior: number }> = {
  'as-it-should-be': { low: 0, high: 0, vent: 0, prior: 0.4 },
  short: { low: -2, high: -2, vent: 2, prior: 0.12 },
  restriction: { low: -3.5, high: -1.2, vent: 2, prior: 0.08 },
  'too-much': { low: 1.6, high: 2.2, vent: 0.8, prior: 0.08 },
  air: { low: 1.4, high: 2.4, vent: 1.5, prior: 0.06 },
  condenser: { low: 1.8, high: 2.8, vent: 1.5, prior: 0.08 },
  compressor: { low: 2.2, high: -2.2, vent: 2.5, prior: 0.08 },
  elsewhere: { low: 0, high: 0, vent: 2.5, prior: 0.1 },
}
/** A reading farther out than this many half-widths is no clearer sign; nor is one more deviations off than that. */
const FARTHEST = 4
const MOST_OFF = 9
/** Causes less likely than this are left out. */
const LEAST_SHOWN = 0.04
/** Spread of the signs, half-widths (assumed): idle, humidity and the sun move them. */
const SPREAD = 1.1

const WORDS: Record<CauseKind, { sentence: string; next: string }> = {
  'as-it-should-be': {
    sentence: W.asItShouldBe,
    next: W.readItAgainAfterFive,
  },
  short: { sentence: W.shortOfCharge, next: W.weighAgainWhatWentIn },
  restriction: {
    sentence: W.aRestrictionAtTheExpansion,
    next: W.lookForFrostAtOne,
  },
  'too-much': {
    sentence: W.tooMuchInIt,
    next: W.recoverItAndChargeBy,
  },
  air: { sentence: W.airInIt, next: W.restPressureAgainstAmbientTells },
  condenser: {
    sentence: W.noAirOverTheCondenser,
    next: W.fanBonnetSealsLeavesBetween,
  },
  compressor: {
    sentence: W.theCompressorDoesNotPump,
    next: W.clutchGapAndSlipControl,
  },
  elsewhere: {
    sentence: W.theWeightIsRightThe,
    next: W.blendDoorCabinFilterHeater,
  },
}

/** Two needles and a thermometer are wrong about the cause so often, whatever they agree on (assumed). */
const DOUBT = 0.1
/** Readings after the first say little new: the same car, the same day. All of them count as so many at most. */
const READINGS_COUNT_AS = 1.5

/**
 * A short ranked list of what the readings and the whole job point to.
 * @param readings - each with the bands it is held against; an empty list says nothing and gives nothing
 * @returns likeliest first, chances add up to one over all causes; those under 4 % are left out
 */
export function diagnose(
  readings: readonly { reading: ProofReading; bands: ProofBands }[],
  history: ProofHistory,
  say = USUAL_SAY,
): Cause[] {
  if (readings.length === 0) return []
  const places = readings.map(({ reading, bands }) => ({
    low: place(reading.lowPaG, bands.lowPaG),
    high: reading.highPaG === null ? null : place(reading.highPaG, bands.highPaG),
    vent: place(reading.ventC, bands.ventC),
  }))
  const weight = Math.min(READINGS_COUNT_AS, readings.length) / readings.length
  const off = history.chargedG - history.targetG
  const vacuum = readings.some(({ reading }) => reading.lowPaG < 0)
  // beyond the edge a sign does not weaken
  const clip = (x: number) => Math.max(-FARTHEST, Math.min(FARTHEST, x))
  const one = (x: number, at: number) => -0.5 * Math.min(MOST_OFF, Math.abs(clip(x) - at) / SPREAD) ** 2
  const score = (kind: CauseKind): number => {
    const s = SIGNS[kind]
    const signs = places.reduce(
      (sum, p) => sum + one(p.low, s.low) + (p.high === null ? 0 : one(p.high, s.high)) + one(p.vent, s.vent),
      0,
    )
    return Math.log(s.prior) + weight * signs + storyOf(kind, off, history, vacuum)
  }
  const kinds = Object.keys(SIGNS) as CauseKind[]
  const scores = kinds.map((kind) => ({ kind, score: score(kind) }))
  const top = Math.max(...scores.map((s) => s.score))
  const total = scores.reduce((sum, s) => sum + Math.exp(s.score - top), 0)
  const last = places[places.length - 1] as (typeof places)[number]
  const reason = reasonOf(last, off, history, vacuum, say)
  return scores
    .map(({ kind, score: own }) => ({
      kind,
      chance: (1 - DOUBT) * (Math.exp(own - top) / total) + DOUBT / kinds.length,
      ...WORDS[kind],
      reason,
    }))
    .filter((c) => c.chance >= LEAST_SHOWN)
    .sort((a, b) => b.chance - a.chance)
}

/** What rest pressure and cycling say for or against a cause, ln (assumed). */
const REST_SAYS: Record<NonNullable<ProofHistory['rest']>, Partial<Record<CauseKind, number>>> = {
  air: { air: 2.5, 'as-it-should-be': -2.5 },
  right: { air: -2.5 },
  'no-liquid': { short: 2, 'too-much': -2, 'as-it-should-be': -2 },
}
const CYCLING_SAYS: Partial<Record<CauseKind, number>> = { short: 1, elsewhere: 0.5, 'as-it-should-be': -0.7 }

/**
 * What the weight and the hold say for or against a cause, ln, where it fits them and otherwise (assumed): short or too
 * much by weight, air without a proved hold, a low side in vacuum, the right weight.
 */
const STORY_SAYS: Partial<Record<CauseKind, { where: number; otherwise: number }>> = {
  short: { where: 1.2, otherwise: -2.5 },
  'too-much': { where: 1.2, otherwise: -2 },
  air: { where: 0.7, otherwise: -1.5 },
  restriction: { where: 2, otherwise: 0 },
  elsewhere: { where: 0.5, otherwise: -0.5 },
}

/** What the whole job says for or against a cause, ln. */
function storyOf(kind: CauseKind, offG: number, history: ProofHistory, vacuum: boolean): number {
  const { rest, cycling } = history
  return (
    weighed(kind, offG, history, vacuum) +
    (rest ? (REST_SAYS[rest][kind] ?? 0) : 0) +
    (cycling ? (CYCLING_SAYS[kind] ?? 0) : 0)
  )
}

function weighed(kind: CauseKind, offG: number, { toleranceG, holdProved }: ProofHistory, vacuum: boolean): number {
  const says = STORY_SAYS[kind]
  if (!says) return 0
  const holds = {
    short: offG < -toleranceG,
    'too-much': offG > toleranceG,
    air: !holdProved,
    restriction: vacuum,
    elsewhere: Math.abs(offG) <= toleranceG,
  }
  return holds[kind as keyof typeof holds] ? says.where : says.otherwise
}

function reasonOf(
  at: { low: number; high: number | null; vent: number },
  offG: number,
  { toleranceG, rest, cycling }: ProofHistory,
  vacuum: boolean,
  say: Say,
): string {
  const side = (x: number) => codeWords(x < -1 ? 'below' : x > 1 ? 'above' : 'within')
  const weight =
    Math.abs(offG) <= toleranceG
      ? W.theWeightIsInSo
      : offG < 0
        ? W.shortByWeight(say.mass(-offG))
        : W.overByWeight(say.mass(offG))
  const atRest =
    rest === 'air'
      ? W.atRestAboveSaturation
      : rest === 'no-liquid'
        ? W.atRestBelowSaturationSo
        : rest === 'right'
          ? W.atRestAsItShould
          : ''
  return W.lowSideHighSideVent(
    vacuum ? W.inVacuum : W.itsBand(side(at.low)),
    at.high === null ? W.notRead : side(at.high),
    side(at.vent),
    weight,
    atRest,
    cycling ? W.theCompressorCycles : '',
  )
}
