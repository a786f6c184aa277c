import { asChance } from '../units/chance'
import { DAY_S, NEEDLE_HALF_WIDTH_PA, SIGMAS_95 } from '../units/constants'
import { carriedOf } from './carried'
import { type Judged, LEAK_RANGE_PA_M3_S, SHORTEST_S, waterOfBend } from './judged'
import { leakGramsPerYear } from './leak-rate'
import { gathered, logSum, mixtureQuantile, type Normal } from './normal'
import type { Hypothesis } from './posterior'
import { priorsOf } from './priors'
import { problemOf } from './problem'
import type { Cleaned } from './problems'
import { reasonWords } from './reason-words'
import { type Reason, reasonsOf, spoilReasons, stoodStill } from './reasons'
import { AS_IT_IS, type Moment, type Standing } from './standing'
import type { Future, HoldContext, HoldResult, HoldSample, Interval, Problem, Shape, Verdict } from './types'

/** Cuts of model.md section 6 (assumed). */
const LEAK_FROM = 0.95
const NO_LEAK_TO = 0.1
const DAMP_FROM = 0.5
/** Water beside a certain leak is called from here on: a leak alone explains most of the rise (assumed). */
const DAMP_BESIDE_LEAK_FROM = 0.9
/** A record whose leftovers are so much larger than a gauge's noise, and as slow, fits no shape (assumed). */
const NO_SHAPE_SCALE = 4
const NO_SHAPE_CORRELATION_S = 40

/** The result of a record that bears no fit yet: too early, or spoilt. */
export function tooEarly(samples: readonly HoldSample[], problems: Problem[], context: HoldContext): HoldResult {
  const spoilt = problems.some((p) => p.spoils)
  const heldS = samples.length > 0 ? (samples[samples.length - 1] as HoldSample).elapsedS : 0
  const priors = priorsOf(context)
  return {
    verdict: spoilt ? 'invalid' : 'undecided',
    probability: { leak: priors.leak, damp: priors.damp },
    priors,
    sustainedRisePaS: null,
    leakGramsPerYear: null,
    detectionLimitGramsPerYear: null,
    limitAtEndGramsPerYear: null,
    projected: [],
    waterG: null,
    decisionExpectedS: spoilt ? null : Math.max(SHORTEST_S + 60, heldS + 60),
    problems,
    futures: [],
    samples: samples.length,
    heldS,
    cannotSeeBelowGramsPerYear: null,
    carried: null,
    ...split(spoilt ? spoilReasons(problems.filter((p) => p.spoils)) : [{ code: 'too-few', of: {} }]),
  }
}

/** Reasons as figures, as words in the usual units, and as the codes programs read. */
const split = (reasons: readonly Reason[]): Pick<HoldResult, 'findings' | 'reasons' | 'codes'> => ({
  findings: [...reasons],
  reasons: reasons.map((r) => reasonWords(r)),
  codes: reasons.map((r) => r.code),
})

/** Water is spoken of in grams from this chance of it on (assumed). */
const WATER_SPOKEN_OF_FROM = 0.3
/** The uncertainty of a slope shrinks with this power of the time held: white noise on a straight line. */
const SLOPE_SHARPENS = 1.5
/** Explanations lighter than this move no interval; of leaks alone, lighter ones still count. */
const LEAST_WEIGHT = 1e-6
const LEAST_LEAK_WEIGHT = 1e-9
const INTERVAL_95 = [0.025, 0.975] as const
const EIGHT_IN_TEN = [0.1, 0.9] as const
/** Deviations on either side of the middle that hold 80 of 100 of a normal. */
const SIGMAS_80 = 1.2816
/** Belief in a leak that may stay hidden above the stated limit, and above it while a leak stays open (assumed). */
const HIDDEN_BELIEF = 0.03
const HIDDEN_WHILE_OPEN = 0.01
/** Lighter than this an explanation draws no future, and a shape less likely than that is not shown. */
const LEAST_PROJECTED = 0.001
const LEAST_SHOWN = 0.005
/** No drawn future falls to nothing, Pa, nor is surer than this share of itself. */
const LEAST_PA = 0.01
const LEAST_SPREAD = 0.005
/** A leak of some grams a year, Pa m3/s: what a hold of a tight car is waited out for (assumed). */
const SMALLEST_WORTH_PA_M3_S = 3.2e-6
/** A rise that is seen at all, and one that decides, in its deviations (assumed); nothing decides at once. */
const SEEN_SIGMAS = 1.5
const DECIDES_SIGMAS = 3.6
const SOONEST = 1.05

/**
 * Verdict, intervals and words from the weighed hypotheses.
 * @param standing - what the record's earlier moments say of the verdict
 * @param known - what it hands on, where that was worked out already
 */
export function conclude(
  judged: Judged,
  samples: readonly HoldSample[],
  { samples: used, problems: found }: Cleaned,
  context: HoldContext,
  standing: Standing = AS_IT_IS,
  known?: HoldResult['carried'],
): HoldResult {
  const hypotheses = weighted(judged.hypotheses)
  const { chance, leak, damp, dampWithoutLeak } = chancesOf(hypotheses)
  const heldS = (samples[samples.length - 1] as HoldSample).elapsedS
  const rise = riseOf(hypotheses)
  const problems = [...found, ...unexplained(judged)]
  const limitPaS = Math.max(limitOf(hypotheses, judged.prior, leak, rise, context), creptUnseen(context, heldS))
  const verdict = verdictOf({ leak, damp, dampWithoutLeak, clear: rise.low > 0, standing }, problems)
  const grams = (risePaS: number) =>
    leakGramsPerYear(risePaS, context.volumeL, context.refrigerant, context.barometerPa)
  const longer = Math.max(1, context.plannedS / Math.max(60, heldS))
  const invalid = verdict === 'invalid'
  const unseen = verdict === 'undecided' && stoodStill(used, context) ? grams(limitPaS).high : null
  const heightPa = hypotheses.reduce((sum, { h, weight }) => sum + weight * h.heightPa, 0)
  return {
    verdict,
    probability: { leak: asChance(leak), damp: asChance(damp) },
    priors: priorsOf(context),
    sustainedRisePaS: invalid ? null : rise,
    leakGramsPerYear: invalid || leak < 0.5 ? (invalid ? null : grams(rise.value)) : grams(Math.max(rise.value, 0)),
    detectionLimitGramsPerYear: invalid ? null : grams(limitPaS),
    limitAtEndGramsPerYear: invalid ? null : grams(limitPaS / longer ** SLOPE_SHARPENS),
    projected: invalid ? [] : projections(judged, hypotheses, [Math.max(context.plannedS, heldS), DAY_S], heldS),
    waterG: damp >= WATER_SPOKEN_OF_FROM && !invalid ? waterOfBend(heightPa, context) : null,
    decisionExpectedS: verdict === 'undecided' ? expectedAt(rise, limitPaS, heldS, context) : null,
    problems,
    futures: invalid ? [] : futuresOf(judged, hypotheses, chance, heldS, context),
    samples: samples.length,
    heldS,
    cannotSeeBelowGramsPerYear: unseen,
    carried: invalid ? null : (known ?? carriedOf(hypotheses, judged.prior.slopes)),
    ...split(reasonsOf({ verdict, used, risePaS: rise.value, leak, damp, problems, context, unseen, heldS, standing })),
  }
}

/** The chances of a moment alone and whether it would be called leaking: what `conclude` says, without all the rest. */
export function momentOf(judged: Judged | null, { problems: found }: Cleaned, context: HoldContext): Moment {
  if (!judged) {
    const { leak, damp } = priorsOf(context)
    return { leak, damp, claims: false }
  }
  const hypotheses = weighted(judged.hypotheses)
  const { leak, damp, dampWithoutLeak } = chancesOf(hypotheses)
  const problems = [...found, ...unexplained(judged)]
  const clear = leak >= LEAK_FROM && riseOf(hypotheses).low > 0
  const verdict = verdictOf({ leak, damp, dampWithoutLeak, clear, standing: AS_IT_IS }, problems)
  return { leak: asChance(leak), damp: asChance(damp), claims: verdict === 'leak' || verdict === 'leak-and-damp' }
}

function chancesOf(hypotheses: readonly Weighted[]) {
  const chance: Record<Shape, number> = { tight: 0, damp: 0, leak: 0, 'leak-and-damp': 0 }
  for (const { h, weight } of hypotheses) chance[h.shape] += weight
  const leak = chance.leak + chance['leak-and-damp']
  const damp = chance.damp + chance['leak-and-damp']
  return { chance, leak, damp, dampWithoutLeak: chance.damp / Math.max(Number.EPSILON, 1 - leak) }
}

/** A needle that shows the same mark again may have crept half an inch: its errors are one and the same error; Pa/s. */
const creptUnseen = ({ instrument, resolutionPa = 0 }: HoldContext, heldS: number): number =>
  instrument === 'needle' ? Math.max(resolutionPa, NEEDLE_HALF_WIDTH_PA) / Math.max(60, heldS) : 0

type Chances = {
  leak: number
  damp: number
  dampWithoutLeak: number
  /** the rise is clear of zero */
  clear: boolean
  standing: Standing
}

function verdictOf({ leak, damp, dampWithoutLeak, clear, standing }: Chances, problems: readonly Problem[]): Verdict {
  if (problems.some((p) => p.spoils || (p.unlessLeak && leak < LEAK_FROM))) return 'invalid'
  if (standing.kind === 'open') return 'undecided'
  if (standing.kind === 'found' && standing.finding === 'no-leak')
    return dampWithoutLeak >= DAMP_FROM ? 'damp' : 'tight'
  if (standing.kind === 'found') return damp >= DAMP_BESIDE_LEAK_FROM ? 'leak-and-damp' : 'leak'
  // a leak whose rise is not clear of zero is no finding
  if (leak >= LEAK_FROM && !clear) return 'undecided'
  if (leak >= LEAK_FROM) return damp >= DAMP_BESIDE_LEAK_FROM ? 'leak-and-damp' : 'leak'
  if (leak <= NO_LEAK_TO) return dampWithoutLeak >= DAMP_FROM ? 'damp' : 'tight'
  return 'undecided'
}

/** A hypothesis with its share of the belief; the shares of all add up to one. */
type Weighted = { h: Hypothesis; weight: number }

/** Heaviest first. */
function weighted(hypotheses: readonly Hypothesis[]): Weighted[] {
  const total = logSum(hypotheses.map((h) => h.log))
  return hypotheses.map((h) => ({ h, weight: Math.exp(h.log - total) })).sort((a, b) => b.weight - a.weight)
}

const risesOf = (hypotheses: readonly Weighted[], least: number): (Normal & { weight: number })[] =>
  hypotheses
    .filter((w) => w.weight > least)
    .map(({ h, weight }) => ({ mean: h.rise.mean, sigma: h.rise.sigma, weight }))

/** What does not die: the mixture of every explanation's own, 95 %. */
function riseOf(hypotheses: readonly Weighted[]): Interval {
  const parts = gathered(risesOf(hypotheses, LEAST_WEIGHT))
  const total = parts.reduce((sum, p) => sum + p.weight, 0)
  const value = parts.reduce((sum, p) => sum + p.weight * p.mean, 0) / total
  return { value, low: mixtureQuantile(parts, INTERVAL_95[0]), high: mixtureQuantile(parts, INTERVAL_95[1]) }
}

/**
 * Smallest rise this hold can tell from none: above it no more than a twentieth of what is believed remains,
 * and never less than two deviations of the rise itself.
 */
function limitOf(
  hypotheses: readonly Weighted[],
  prior: Judged['prior'],
  leak: number,
  rise: Interval,
  context: HoldContext,
): number {
  const half = Math.max(rise.high - rise.value, (rise.high - rise.low) / 2)
  const volume = context.volumeL / 1000
  const least = Math.max(half, prior.driftPaS)
  // a leak that is found, its rise clear of zero, is itself what is told
  if (leak >= LEAK_FROM && rise.low > 0) return least
  // belief in a leak above a rise, by the mixture cut to what leaks can be
  const parts = gathered(
    risesOf(
      hypotheses.filter(({ h }) => h.shape === 'leak' || h.shape === 'leak-and-damp'),
      LEAST_LEAK_WEIGHT,
    ),
  )
  const weightOfLeaks = parts.reduce((sum, p) => sum + p.weight, 0)
  if (parts.length === 0 || weightOfLeaks <= HIDDEN_BELIEF) return Math.max(least, LEAK_RANGE_PA_M3_S[0] / volume)
  // undecided, a leak there may be must lie below it as surely, and so must what the rise may still be
  const hidden =
    leak > NO_LEAK_TO
      ? Math.min(HIDDEN_WHILE_OPEN, HIDDEN_BELIEF / weightOfLeaks)
      : Math.min(0.5, HIDDEN_BELIEF / weightOfLeaks)
  const open = leak > 0.5 ? rise.high : 0
  return Math.max(least, open, LEAK_RANGE_PA_M3_S[0] / volume, mixtureQuantile(parts, 1 - hidden))
}

/** Leftovers that are no gauge's noise: the record fits nothing we know; the span where it strays the most. */
function unexplained({ curve, hypotheses, prior, noise }: Judged): Problem[] {
  if (noise.scale < NO_SHAPE_SCALE || noise.correlationS < NO_SHAPE_CORRELATION_S) return []
  const best = hypotheses.reduce((a, b) => (b.log > a.log ? b : a))
  const left = curve.leftOver(best, prior)
  const worst = left.reduce((at, v, i) => (Math.abs(v) > Math.abs(left[at] as number) ? i : at), 0)
  const far = Math.abs(left[worst] as number) / 2
  let [from, to] = [worst, worst]
  while (from > 0 && Math.abs(left[from - 1] as number) > far) from--
  while (to < left.length - 1 && Math.abs(left[to + 1] as number) > far) to++
  const at = (i: number) => (curve.samples[i] as HoldSample).elapsedS
  return [
    {
      fromS: at(from),
      toS: at(to),
      ...problemOf('no-shape'),
      spoils: true,
    },
  ]
}

/** So many of the heaviest explanations speak for all when the future is drawn. */
const MOST_PROJECTED = 40

function projections(
  { curve, prior }: Judged,
  hypotheses: readonly Weighted[],
  times: readonly number[],
  heldS: number,
): HoldResult['projected'] {
  const used = hypotheses.slice(0, MOST_PROJECTED).filter((w, i) => i === 0 || w.weight > LEAST_PROJECTED)
  const total = used.reduce((sum, w) => sum + w.weight, 0)
  const curves = used.map(({ h }) => curve.through(h, prior))
  return times.map((atS) => {
    const parts = used.map(({ h, weight }, i) => ({
      ...spreadAt(curves[i] as (s: number) => number, h, atS, heldS, prior.driftPaS),
      weight,
    }))
    return {
      atS,
      value: parts.reduce((sum, p) => sum + p.weight * p.mean, 0) / total,
      low: mixtureQuantile(parts, EIGHT_IN_TEN[0]),
      high: mixtureQuantile(parts, EIGHT_IN_TEN[1]),
    }
  })
}

function spreadAt(curve: (s: number) => number, h: Hypothesis, atS: number, heldS: number, driftPaS: number): Normal {
  const mean = Math.max(LEAST_PA, curve(atS))
  const sigma = h.shape === 'tight' || h.shape === 'damp' ? driftPaS : h.rise.sigma
  return { mean, sigma: Math.max(LEAST_SPREAD * mean, sigma * Math.max(0, atS - heldS)) }
}

/**
 * When a decision is to be expected if things go on so, s; the rise's uncertainty shrinks with the three-halves power
 * of time.
 */
function expectedAt(rise: Interval, limitPaS: number, heldS: number, context: HoldContext): number | null {
  const sigma = Math.max(1e-9, (rise.high - rise.low) / (2 * SIGMAS_95))
  const tight = SMALLEST_WORTH_PA_M3_S / (context.volumeL / 1000)
  const needed = rise.value > SEEN_SIGMAS * sigma ? Math.abs(rise.value) / DECIDES_SIGMAS : tight / 2
  const factor = Math.max(SOONEST, (Math.max(sigma, limitPaS / 3) / Math.max(needed, 1e-9)) ** (1 / SLOPE_SHARPENS))
  const atS = heldS * factor
  return atS > DAY_S ? null : atS
}

const POINTS = 13

/** One future for each shape that is still worth showing. */
function futuresOf(
  { curve, prior }: Judged,
  hypotheses: readonly Weighted[],
  chance: Record<Shape, number>,
  heldS: number,
  context: HoldContext,
): Future[] {
  const end = Math.max(context.plannedS, heldS)
  return (['tight', 'damp', 'leak', 'leak-and-damp'] as const).flatMap((shape): Future[] => {
    const best = hypotheses.find((w) => w.h.shape === shape)?.h
    const probability = asChance(chance[shape])
    if (!best || probability < LEAST_SHOWN) return []
    const through = curve.through(best, prior)
    const value = (s: number) => Math.max(LEAST_PA, through(s))
    const { sigma } = spreadAt(through, best, end, heldS, prior.driftPaS)
    const half = SIGMAS_80 * sigma
    const points = Array.from({ length: POINTS }, (_, i) => heldS + ((end - heldS) * i) / (POINTS - 1)).map((s) => ({
      elapsedS: s,
      pressurePa: value(s),
    }))
    return [
      {
        shape,
        probability,
        atEndPa: value(end),
        lowPa: Math.max(LEAST_PA / 2, value(end) - half),
        highPa: value(end) + half,
        points,
      },
    ]
  })
}
