import { type Judged, LEAK_RANGE_PA_M3_S, priorsOf, SHORTEST_S, waterOfBend } from './judge'
import { leakGramsPerYear } from './leak-rate'
import { logSum, mixtureQuantile, type Normal } from './normal'
import type { Hypothesis } from './posterior'
import type { Cleaned } from './problems'
import { reasonsOf } from './reasons'
import type { Future, HoldContext, HoldResult, HoldSample, Interval, Problem, Shape, Verdict } from './types'

/** Cuts of model.md section 6 (assumed). */
const LEAK_FROM = 0.95
const NO_LEAK_TO = 0.1
const DAMP_FROM = 0.5
const DAY_S = 86_400
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
    reasons: spoilt
      ? problems.filter((p) => p.spoils).map((p) => `The record cannot bear a judgement: ${p.what}.`)
      : ['Too few readings yet: the first minutes show gas settling, not the car.'],
  }
}

/** Verdict, intervals and words from the weighed hypotheses. */
export function conclude(judged: Judged, samples: readonly HoldSample[], { samples: used, problems: found }: Cleaned, context: HoldContext): HoldResult {
  const { hypotheses } = judged
  const total = logSum(hypotheses.map((h) => h.log))
  const weight = (h: Hypothesis) => Math.exp(h.log - total)
  const sumOf = (test: (shape: Shape) => boolean) => hypotheses.filter((h) => test(h.shape)).reduce((sum, h) => sum + weight(h), 0)
  const leak = sumOf((s) => s === 'leak' || s === 'leak-and-damp')
  const damp = sumOf((s) => s === 'damp' || s === 'leak-and-damp')
  const dampWithoutLeak = sumOf((s) => s === 'damp') / Math.max(1e-12, 1 - leak)
  const heldS = (samples[samples.length - 1] as HoldSample).elapsedS
  const rise = riseOf(hypotheses)
  const problems = [...found, ...unexplained(judged)]
  const limitPaS = limitOf(judged, leak, rise, context)
  const verdict = verdictOf({ leak, damp, dampWithoutLeak, clear: rise.low > 0 }, problems)
  const grams = (risePaS: number) => leakGramsPerYear(risePaS, context.volumeL, context.refrigerant, context.barometerPa)
  const longer = Math.max(1, context.plannedS / Math.max(60, heldS))
  const invalid = verdict === 'invalid'
  const heightPa = hypotheses.reduce((sum, h) => sum + weight(h) * h.heightPa, 0)
  return {
    verdict,
    probability: { leak, damp },
    priors: priorsOf(context),
    sustainedRisePaS: invalid ? null : rise,
    leakGramsPerYear: invalid || leak < 0.5 ? (invalid ? null : grams(rise.value)) : grams(Math.max(rise.value, 0)),
    detectionLimitGramsPerYear: invalid ? null : grams(limitPaS),
    limitAtEndGramsPerYear: invalid ? null : grams(limitPaS / longer ** 1.5),
    projected: invalid ? [] : [projection(judged, weight, Math.max(context.plannedS, heldS), heldS), projection(judged, weight, DAY_S, heldS)],
    waterG: damp >= 0.3 && !invalid ? waterOfBend(heightPa, context) : null,
    decisionExpectedS: verdict === 'undecided' ? expectedAt(rise, limitPaS, heldS, context) : null,
    problems,
    futures: invalid ? [] : futuresOf(judged, weight, heldS, context),
    samples: samples.length,
    heldS,
    reasons: reasonsOf(verdict, used, rise.value, { leak, damp }, problems),
  }
}

function verdictOf({ leak, damp, dampWithoutLeak, clear }: { leak: number; damp: number; dampWithoutLeak: number; clear: boolean }, problems: readonly Problem[]): Verdict {
  if (problems.some((p) => p.spoils || (p.unlessLeak && leak < LEAK_FROM))) return 'invalid'
  // a leak whose rise is not clear of zero is no finding
  if (leak >= LEAK_FROM && !clear) return 'undecided'
  if (leak >= LEAK_FROM) return damp >= DAMP_FROM ? 'leak-and-damp' : 'leak'
  if (leak <= NO_LEAK_TO) return dampWithoutLeak >= DAMP_FROM ? 'damp' : 'tight'
  return 'undecided'
}

/** What does not die: the mixture of every explanation's own, 95 %. */
function riseOf(hypotheses: readonly Hypothesis[]): Interval {
  const top = Math.max(...hypotheses.map((h) => h.log))
  const parts = hypotheses.map((h): Normal & { weight: number } => ({ ...h.rise, weight: Math.exp(h.log - top) })).filter((p) => p.weight > 1e-5)
  const total = parts.reduce((sum, p) => sum + p.weight, 0)
  const value = parts.reduce((sum, p) => sum + p.weight * p.mean, 0) / total
  return { value, low: mixtureQuantile(parts, 0.025), high: mixtureQuantile(parts, 0.975) }
}

/**
 * Smallest rise this hold can tell from none: above it no more than a twentieth of what is believed remains,
 * and never less than two deviations of the rise itself.
 */
function limitOf({ hypotheses, prior }: Judged, leak: number, rise: Interval, context: HoldContext): number {
  const half = Math.max(rise.high - rise.value, (rise.high - rise.low) / 2)
  const volume = context.volumeL / 1000
  const least = Math.max(half, prior.driftPaS)
  if (leak > 0.5) return least
  // belief in a leak above a rise, by the mixture cut to what leaks can be
  const top = Math.max(...hypotheses.map((h) => h.log))
  const parts = hypotheses.filter((h) => h.shape === 'leak' || h.shape === 'leak-and-damp').map((h) => ({ ...h.rise, weight: Math.exp(h.log - top) }))
  const all = hypotheses.reduce((sum, h) => sum + Math.exp(h.log - top), 0)
  const kept = parts.filter((p) => p.weight > 1e-8)
  const weightOfLeaks = kept.reduce((sum, p) => sum + p.weight, 0) / all
  if (kept.length === 0 || weightOfLeaks <= 0.03) return Math.max(least, LEAK_RANGE_PA_M3_S[0] / volume)
  return Math.max(least, LEAK_RANGE_PA_M3_S[0] / volume, mixtureQuantile(kept, 1 - Math.min(0.5, 0.03 / weightOfLeaks)))
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
  return [{ fromS: at(from), toS: at(to), what: 'the readings follow no shape a hold has: was the pump still on, or a valve turned?', spoils: true }]
}

function projection({ curve, hypotheses, prior }: Judged, weight: (h: Hypothesis) => number, atS: number, heldS: number) {
  const parts = hypotheses.filter((h) => weight(h) > 0.002).map((h) => ({ ...spreadAt(curve.through(h, prior), h, atS, heldS, prior.driftPaS), weight: weight(h) }))
  const total = parts.reduce((sum, p) => sum + p.weight, 0)
  return { atS, value: parts.reduce((sum, p) => sum + p.weight * p.mean, 0) / total, low: mixtureQuantile(parts, 0.1), high: mixtureQuantile(parts, 0.9) }
}

function spreadAt(curve: (s: number) => number, h: Hypothesis, atS: number, heldS: number, driftPaS: number): Normal {
  const mean = Math.max(0.01, curve(atS))
  const sigma = h.shape === 'tight' || h.shape === 'damp' ? driftPaS : h.rise.sigma
  return { mean, sigma: Math.max(0.005 * mean, sigma * Math.max(0, atS - heldS)) }
}

/** When a decision is to be expected if things go on so, s; the rise's uncertainty shrinks with the three-halves power of time. */
function expectedAt(rise: Interval, limitPaS: number, heldS: number, context: HoldContext): number | null {
  const sigma = Math.max(1e-9, (rise.high - rise.low) / 3.92)
  const tight = 3.2e-6 / (context.volumeL / 1000)
  const needed = rise.value > 1.5 * sigma ? Math.abs(rise.value) / 3.6 : tight / 2
  const factor = Math.max(1.05, (Math.max(sigma, limitPaS / 3) / Math.max(needed, 1e-9)) ** (2 / 3))
  const atS = heldS * factor
  return atS > DAY_S ? null : atS
}

const POINTS = 13

/** One future for each shape that is still worth showing. */
function futuresOf({ curve, hypotheses, prior }: Judged, weight: (h: Hypothesis) => number, heldS: number, context: HoldContext): Future[] {
  const end = Math.max(context.plannedS, heldS)
  return (['tight', 'damp', 'leak', 'leak-and-damp'] as const).flatMap((shape): Future[] => {
    const own = hypotheses.filter((h) => h.shape === shape)
    const probability = own.reduce((sum, h) => sum + weight(h), 0)
    if (probability < 0.005 || own.length === 0) return []
    const best = own.reduce((a, b) => (b.log > a.log ? b : a))
    const through = curve.through(best, prior)
    const value = (s: number) => Math.max(0.01, through(s))
    const { sigma } = spreadAt(through, best, end, heldS, prior.driftPaS)
    const half = 1.2816 * sigma
    const points = Array.from({ length: POINTS }, (_, i) => heldS + ((end - heldS) * i) / (POINTS - 1)).map((s) => ({ elapsedS: s, pressurePa: value(s) }))
    return [{ shape, probability, atEndPa: value(end), lowPa: Math.max(0.005, value(end) - half), highPa: value(end) + half, points }]
  })
}
