import { waterSaturationPa } from '../fluids/water'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { waterBends } from './bends'
import { binned } from './binned'
import { bestOfEachKind, candidates, type Prior } from './candidates'
import { slopesAfter } from './carried'
import { conclude, momentOf, tooEarly } from './conclude'
import { Curve, type HoseLaws } from './curve'
import { hoseRisePa } from './hose-background'
import { FEWEST_SAMPLES, type Judged, LEAK_RANGE_PA_M3_S, SHORTEST_S } from './judged'
import { type Estimated, estimateNoise, noiseOf, stepsOf } from './noise'
import { type Hypothesis, weigh } from './posterior'
import { dampAfter, dampStays, priorsOf } from './priors'
import { type Cleaned, clean } from './problems'
import { AS_IT_IS, type Moment, remembered, type Standing, standingOf, upTo } from './standing'
import type { HoldContext, HoldResult, HoldSample } from './types'

/** Samples the fits are made on at most; more are averaged into these. */
const MOST_SAMPLES = 400
const MOST_FOR_STEPS = 4000
/** A rise that is seen lies well inside the range of leaks: the range reaches so many times as far. */
const BEYOND_RANGE = 10
/**
 * Water may lie where it is so much warmer than the air, or becomes so while it is held, K (assumed: a car that was just
 * driven, the sun on its hood). While the air's own saturation was the highest a bend could come to, a leak made up for
 * what a warm place gave.
 */
const WARMER_K = 8
/** Smallest height of a bend worth the word damp, Pa (assumed). */
const DAMP_FROM_PA = 1
/** Gas temperature drifts by so much over a hold, by a day's swing over a night, K (model.md section 6). */
const DRIFT_K = 1.5
const DAY_SWING_K = 8
const NIGHT_S = 6 * 3600
/**
 * The weather moves a needle by so much in twelve hours when nobody read the barometer, Pa (assumed, a tenth of an
 * inch).
 */
const WEATHER_PA = 340
const HALF_DAY_S = 43_200
/**
 * Hoses nobody measured: their gas at one hour under vacuum, Pa m3/s, from a metre of new barrier hose to four of old
 * rubber, and how long they were pulled before, s (assumed).
 */
const UNKNOWN_HOSES_PA_M3_S = [3e-7, 8e-7, 2.4e-6, 6.5e-6]
/** Each of these kinds, and hoses known by their kind, to such a share as a deviation (assumed). */
const HOSES_UNCERTAIN = 0.4
const UNKNOWN_PULLED_S = [870, 2680]
/**
 * ... each by up to this factor: between two times alone the gas of old hoses bent otherwise than either, and a leak
 * made up for it (12 of 240 records of the proving ground, two of them for certain).
 */
const PULLED_FACTOR = 1.75
const PULLED_SPREAD = 0.6
/**
 * What old hoses let through for good, Pa m3/s (model.md section 4, two metres), and how far the gas warms while it
 * rises, K (assumed).
 */
const PERMEATION_PA_M3_S = 6e-8
const WARMED_K = 1
/**
 * Air that leaks in on the other side of the expansion device comes late by up to so long, s (assumed; the device of
 * model.md's default car takes 60 s).
 */
const EQUALISING_LEAK_S = 80
/**
 * Water on the other side of the device comes late, and is missing at first to such a share of the whole rise as a
 * deviation (assumed).
 */
const LATE_WATER_SHARE = 0.25
/** A finer grid of bends is believed where it leaves this much less over (assumed). */
const QUIETER = 0.9
/** Chance that no hose is in the hold although the context says so, and where it says nothing (assumed). */
const NO_HOSES_THOUGH_TOLD = 0.1
const NO_HOSES_UNTOLD = 0.6
/** Where a hold began is the mean of so many readings; a needle knows it to so much, Pa (a third of an inch). */
const FIRST_SAMPLES = 5
const NEEDLE_START_PA = 1000
/** What may still pass the expansion device after isolation: a share of the start and so much besides, Pa (assumed). */
const EQUALISING_SHARE = 0.3
const EQUALISING_LEAST_PA = 2
/** Drift is spread over so long at least, s, and never believed smaller than this, Pa/s. */
const SHORTEST_DRIFT_S = 600
const LEAST_DRIFT_PA_S = 1e-7
/**
 * A gauge whose noise is under this share of its step rests on it: a step may come at any time, by this share of it.
 */
const RESTS_UNDER = 0.5
const RESTING_STEP = 0.3
/**
 * Slope beside a bend that no shape of water explains, as shares of the mean rise, and the chance of each: the usual
 * bend is nearly one of the shapes, a few are as none of them, two places that dry one another out, say. Found on
 * records of known truth (proving ground, seeds 1 to 500). Beside a leak as without one: while only the tight cars were
 * allowed it, a leak too small to be seen was ruled out for certain wherever the shape's own error ran downward.
 */
const UNEXPLAINED = [
  { share: 0.003, chance: 0.4 },
  { share: 0.01, chance: 0.3 },
  { share: 0.03, chance: 0.25 },
  { share: 0.1, chance: 0.044 },
  { share: 0.35, chance: 0.006 },
] as const
/** A measured baseline is known to this share (assumed). */
const BASELINE_UNCERTAIN = 0.3
/**
 * How long a baseline hold is taken to have lasted, and how long hoses are pulled before a hold when nobody says, s
 * (assumed).
 */
const BASELINE_HELD_S = 1800
const USUAL_PULLED_S = 1500

/**
 * Judges a hold on all its samples.
 * @param samples - in order of time, from isolation on; Pa absolute
 * @returns probabilities, the sustained rise with its interval and what the hold proves; `undecided` rather than a
 *   guess, `invalid` with the span where the record cannot bear a judgement
 * @see model.md section 6, docs/judging.md
 */
export function judgeHold(samples: readonly HoldSample[], context: HoldContext): HoldResult {
  return judgeStanding(samples, context, judgeRecord(samples, context)).result
}

/** The judgement of a record that was weighed already, and how what it said before counts. */
export function judgeStanding(
  samples: readonly HoldSample[],
  context: HoldContext,
  made: ReturnType<typeof judgeRecord>,
): { result: HoldResult; standing: Standing } {
  const now = concluded(samples, context, made, AS_IT_IS)
  // a needle that stands still has findings of its own
  const standing = context.instrument === 'needle' ? AS_IT_IS : standingOf(now, (s) => momentUpTo(samples, context, s))
  return { result: standing === AS_IT_IS ? now : concluded(samples, context, made, standing, now.carried), standing }
}

function concluded(
  samples: readonly HoldSample[],
  context: HoldContext,
  { judged, cleaned }: ReturnType<typeof judgeRecord>,
  standing: Standing,
  known?: HoldResult['carried'],
): HoldResult {
  return judged
    ? conclude(judged, samples, cleaned, context, standing, known)
    : tooEarly(samples, cleaned.problems, context)
}

/** What was said at a moment by what had been read up to there, by itself. */
function momentUpTo(samples: readonly HoldSample[], context: HoldContext, elapsedS: number): Moment {
  const part = upTo(samples, elapsedS)
  return remembered(part, context, () => {
    const { judged, cleaned } = judgeRecord(part, context)
    return momentOf(judged, cleaned, context)
  })
}

/** The record cleaned and its hypotheses weighed; `judged` is null when there is too little to weigh. */
export function judgeRecord(
  samples: readonly HoldSample[],
  context: HoldContext,
): { judged: Judged | null; cleaned: Cleaned } {
  const finite = merged(samples).filter(
    (s) => Number.isFinite(s.pressurePa) && Number.isFinite(s.elapsedS) && s.pressurePa >= 0,
  )
  const cleaned = clean(finite, context)
  return { judged: weighRecord(cleaned.samples, context), cleaned }
}

/** Samples of the same moment become their mean: nothing can be told from a change in no time. */
function merged(samples: readonly HoldSample[]): readonly HoldSample[] {
  if (!samples.some((s, i) => i > 0 && s.elapsedS <= (samples[i - 1] as HoldSample).elapsedS)) return samples
  const out: HoldSample[] = []
  for (const s of [...samples].sort((a, b) => a.elapsedS - b.elapsedS)) {
    const before = out[out.length - 1]
    if (before && before.elapsedS === s.elapsedS)
      out[out.length - 1] = { ...before, pressurePa: (before.pressurePa + s.pressurePa) / 2 }
    else out.push(s)
  }
  return out
}

/**
 * Weighs every hypothesis, twice: the second time with the noise the first left over. Null when there is too little to
 * weigh.
 */
export function weighRecord(samples: readonly HoldSample[], context: HoldContext): Judged | null {
  const first = samples[0]
  const last = samples[samples.length - 1]
  if (
    !first ||
    !last ||
    samples.length < (context.instrument === 'needle' ? 3 : FEWEST_SAMPLES) ||
    last.elapsedS - first.elapsedS < SHORTEST_S
  )
    return null
  // steps are looked for in the readings themselves, unless there are so many that averages speak for them
  const readings = binned(samples, MOST_FOR_STEPS)
  const steps = stepsOf(readings, context)
  const used = binned(readings, MOST_SAMPLES)
  const usedSteps =
    used.length === readings.length
      ? steps
      : Float64Array.from(used, (s) => steps[Math.min(steps.length - 1, indexAt(readings, s.elapsedS))] as number)
  const spacingS = (last.elapsedS - first.elapsedS) / Math.max(1, used.length - 1)
  const hose = hoseLaws(context)
  let noise: Estimated = { scale: 1, correlationS: Math.max(3, 0.5 * spacingS) }
  let prior = priorOf(used, usedSteps, context, noise)
  const coarse = waterBends(context.ambientC)
  const rough = new Curve(used, coarse, context, hose)
  const looked = candidates(
    rough.products(noiseOf(used, usedSteps, context, noise.scale, noise.correlationS)),
    coarse,
    prior,
  )
  // a second look with the noise the first left over, and a finer grid where water would be: with a leak beside it, and
  // without
  const free = looked.reduce((a, c) => (c.log > a.log ? c : a))
  noise = estimateNoise(used, rough.leftOver({ ...free, shape: 'leak-and-damp' }, prior), usedSteps, context, spacingS)
  prior = priorOf(used, usedSteps, context, noise)
  // A bend that is known only coarsely leaves a slope over that looks like a leak: a wet car on the bench came out as
  // leaking for certain while only the best bend of a free line was refined. And while only the best of all kinds was,
  // another kind came and went with the noise, and the chance of a leak from 0.02 to 0.95 and back in a minute.
  const focuses = bestOfEachKind(
    rough.products(noiseOf(used, usedSteps, context, noise.scale, noise.correlationS)),
    coarse,
    prior,
  )
  const bends = waterBends(context.ambientC, focuses)
  const curve = new Curve(used, bends, context, hose)
  const sums = () => curve.products(noiseOf(used, usedSteps, context, noise.scale, noise.correlationS))
  let products = sums()
  let hypotheses = weigh(products, bends, prior)
  // where the finer grid fits better, what the coarse one left over was not noise
  const again = estimateNoise(used, curve.leftOver(best(hypotheses), prior), usedSteps, context, spacingS)
  if (again.scale * Math.sqrt(again.correlationS) < QUIETER * noise.scale * Math.sqrt(noise.correlationS)) {
    noise = again
    prior = priorOf(used, usedSteps, context, noise)
    products = sums()
    hypotheses = weigh(products, bends, prior)
  }
  return { curve, products, hypotheses, prior, bends, noise }
}

const best = (hypotheses: readonly Hypothesis[]): Hypothesis => hypotheses.reduce((a, b) => (b.log > a.log ? b : a))

/**
 * The columns of the hoses: what they give by then as the law of their kind, one Pa m3/s at an hour when only that they
 * are there is known.
 */
function hoseLaws(context: HoldContext): HoseLaws {
  const { hoseBaselinePaM3S, hoses, volumeL } = context
  if (hoseBaselinePaM3S !== undefined)
    return baselineLaws(hoseBaselinePaM3S, volumeL, hoses?.vacuumBeforeS ?? USUAL_PULLED_S)
  if (hoses) return [(s) => hoseRisePa(hoses, volumeL, s)]
  if (context.hosesIncluded === false) return []
  const lawOf = (vacuumBeforeS: number) => (s: number) =>
    hoseRisePa({ atHourPaM3S: 1, steadyPaM3S: 0, vacuumBeforeS }, volumeL, s)
  return [
    ...UNKNOWN_PULLED_S.map(lawOf),
    ...UNKNOWN_PULLED_S.map((pulledS) => {
      const [short, long] = [lawOf(pulledS / PULLED_FACTOR), lawOf(pulledS * PULLED_FACTOR)]
      return (s: number) => (short(s) - long(s)) / 2
    }),
  ]
}

/** A baseline was measured as one figure; it may stay (a hole, permeation), die away (outgassing), or half and half. */
function baselineLaws(baselinePaM3S: number, volumeL: number, vacuumBeforeS: number): HoseLaws {
  const stays = (s: number) => (baselinePaM3S * s) / (volumeL / 1000)
  const unit = (s: number) => hoseRisePa({ atHourPaM3S: 1, steadyPaM3S: 0, vacuumBeforeS }, volumeL, s)
  // as much in half an hour as if it stayed
  const scale = stays(BASELINE_HELD_S) / unit(BASELINE_HELD_S)
  const dies = (s: number) => scale * unit(s)
  return [stays, dies, (s) => (stays(s) + dies(s)) / 2]
}

/** What hoses may add, as multiples of a column. */
function hosesOf(context: HoldContext): Prior['hoses'] {
  if (context.hoseBaselinePaM3S !== undefined)
    return [0, 1, 2].map((law) => ({ law, times: 1, spread: BASELINE_UNCERTAIN, chance: 1 / 3 }))
  if (context.hoses) return [{ law: 0, times: 1, spread: HOSES_UNCERTAIN, chance: 1 }]
  const none = context.hosesIncluded === false ? 1 : context.hosesIncluded ? NO_HOSES_THOUGH_TOLD : NO_HOSES_UNTOLD
  if (none === 1) return [{ law: 0, times: 0, spread: 0, chance: 1 }]
  const kinds = UNKNOWN_PULLED_S.flatMap((_s, law) =>
    UNKNOWN_HOSES_PA_M3_S.map((times) => ({
      law,
      times,
      spread: HOSES_UNCERTAIN * times,
      bent: { law: UNKNOWN_PULLED_S.length + law, spread: PULLED_SPREAD * times },
    })),
  )
  return [
    { law: 0, times: 0, spread: 0, chance: none },
    ...kinds.map((k) => ({ ...k, chance: (1 - none) / kinds.length })),
  ]
}

function priorOf(samples: readonly HoldSample[], steps: Float64Array, context: HoldContext, noise: Estimated): Prior {
  const volume = context.volumeL / 1000
  const { leak } = priorsOf(context)
  const first = samples[0] as HoldSample
  const last = samples[samples.length - 1] as HoldSample
  const spanS = last.elapsedS - first.elapsedS
  const early = samples.slice(0, Math.max(1, Math.min(FIRST_SAMPLES, samples.length >> 3)))
  const startPa = early.reduce((sum, s) => sum + s.pressurePa, 0) / early.length
  const boilPa = waterSaturationPa(kelvin(context.ambientC) + WARMER_K)
  const unsure = context.instrument === 'needle' ? NEEDLE_START_PA : 0
  // a hole larger than any that was thought of is a hole all the more
  const steepest = spanS > 0 ? (last.pressurePa - startPa) / spanS : 0
  const slopes = slopesAfter(context.previous, dampStays(context), {
    low: LEAK_RANGE_PA_M3_S[0] / volume,
    high: Math.max(LEAK_RANGE_PA_M3_S[1] / volume, BEYOND_RANGE * steepest),
  })
  return {
    leak,
    damp: dampAfter(context),
    slopes,
    height: { low: DAMP_FROM_PA, high: Math.max(4 * DAMP_FROM_PA, boilPa + unsure - startPa) },
    driftPaS: driftOf(samples, steps, context, noise, spanS),
    unexplained: UNEXPLAINED.map(({ share, chance }) => ({
      paS: (share * Math.max(0, last.pressurePa - startPa)) / Math.max(60, spanS),
      chance,
    })),
    permeationPaS: (LEAK_RANGE_PA_M3_S[0] / 3 + (context.hosesIncluded === false ? 0 : PERMEATION_PA_M3_S)) / volume,
    warmedPaS: ((WARMED_K / kelvin(context.ambientC)) * Math.max(0, last.pressurePa - startPa)) / Math.max(60, spanS),
    equalisingPa: Math.hypot(
      EQUALISING_SHARE * startPa + EQUALISING_LEAST_PA,
      EQUALISING_LEAK_S * lateRise(samples),
      LATE_WATER_SHARE * Math.max(0, last.pressurePa - startPa),
    ),
    hoses: hosesOf(context),
  }
}

/** Rise from the third quarter of a record to its last, Pa/s: what a bend has mostly left behind. */
function lateRise(samples: readonly HoldSample[]): number {
  const quarter = samples.length >> 2
  if (quarter < 1) return 0
  const meanOf = (from: number, to: number) => {
    const part = samples.slice(from, to)
    return {
      t: part.reduce((sum, s) => sum + s.elapsedS, 0) / part.length,
      pa: part.reduce((sum, s) => sum + s.pressurePa, 0) / part.length,
    }
  }
  const [third, last] = [meanOf(2 * quarter, 3 * quarter), meanOf(3 * quarter, samples.length)]
  return last.t > third.t ? Math.max(0, (last.pa - third.pa) / (last.t - third.t)) : 0
}

/**
 * Rise that is no leak: the gas warming, the weather on a needle, the step of a resting gauge, hoses known by one
 * figure; Pa/s.
 */
function driftOf(
  samples: readonly HoldSample[],
  steps: Float64Array,
  context: HoldContext,
  noise: Estimated,
  spanS: number,
): number {
  const meanPa = samples.reduce((sum, s) => sum + s.pressurePa, 0) / samples.length
  const kelvins = spanS > NIGHT_S ? DAY_SWING_K : DRIFT_K
  const overS = Math.max(spanS, Math.min(context.plannedS, NIGHT_S), SHORTEST_DRIFT_S)
  // the readings rise for reasons that are looked for: only what was there at first can warm
  const firstPa = Math.min(meanPa, (samples[0] as HoldSample).pressurePa * 2)
  const warming = ((kelvins / kelvin(context.ambientC)) * firstPa) / overS
  const step = steps[steps.length >> 1] as number
  const resting =
    context.instrument === 'electronic' && noise.scale * 2 * PA_PER_MICRON < RESTS_UNDER * step
      ? (RESTING_STEP * step) / spanS
      : 0
  // what the hoses may give besides their baseline is no leak of the car
  const baseline = ((context.hoseBaselinePaM3S ?? 0) * BASELINE_UNCERTAIN) / (context.volumeL / 1000)
  const weather =
    context.instrument === 'needle' && !context.barometerRead ? (WEATHER_PA * Math.sqrt(spanS / HALF_DAY_S)) / spanS : 0
  return Math.max(LEAST_DRIFT_PA_S, Math.hypot(warming, resting, weather, baseline))
}

function indexAt(samples: readonly HoldSample[], elapsedS: number): number {
  let low = 0
  let high = samples.length - 1
  while (low < high) {
    const middle = (low + high) >> 1
    if ((samples[middle] as HoldSample).elapsedS < elapsedS) low = middle + 1
    else high = middle
  }
  return low
}
