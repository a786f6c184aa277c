import type { Refrigerant } from '../fluids/refrigerant'
import { waterSaturationPa } from '../fluids/water'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type HoseBackground, hoseRisePa } from './hose-background'
import { type GramsPerYear, leakGramsPerYear } from './leak-rate'
import { bendAlone, lineAlone, logBend, logBoth, logLevel, logLine, type Moments, momentsOf, type Normal, together } from './shapes'

/** One sample of a hold: seconds since isolation and Pa absolute; `count` readings were averaged into it. */
export type HoldSample = { elapsedS: number; pressurePa: number; count?: number }

export type HoldContext = {
  /** whole isolated volume, L */
  volumeL: number
  instrument: 'electronic' | 'needle'
  /** smallest step shown, Pa */
  resolutionPa?: number
  ambientC: number
  barometerPa: number
  refrigerant: Refrigerant
  plannedS: number
  /** gas of hoses inside the isolated part: subtracted, half of it taken as uncertain */
  hoses?: HoseBackground | undefined
}

export type Shape = 'tight' | 'leak' | 'damp' | 'leak-and-damp'
export type Verdict = Shape | 'undecided' | 'invalid'

/** What a shape expects from now on: Pa at the planned end with its 80 % band, and points for the picture. */
export type Future = { shape: Shape; probability: number; atEndPa: number; lowPa: number; highPa: number; points: { elapsedS: number; pressurePa: number }[] }

export type HoldResult = {
  verdict: Verdict
  probability: { leak: number; damp: number }
  /** 95 % interval of what does not die within the hold, Pa/s, not cut at zero */
  sustainedRisePaS: { value: number; low: number; high: number } | null
  leakGramsPerYear: GramsPerYear | null
  detectionLimitGramsPerYear: GramsPerYear | null
  /** the same limit expected at the planned end */
  limitAtEndGramsPerYear: GramsPerYear | null
  futures: Future[]
  samples: number
  heldS: number
  reasons: string[]
}

/** Cuts of model.md section 6 (assumed). */
const LEAK_FROM = 0.95
const NO_LEAK_TO = 0.1
/** P(leak) before any reading for a car that lost charge or was repaired (assumed); damp likewise. */
const PRIOR_LEAK = 0.4
const PRIOR_DAMP = 0.4
/** A judgement needs this many samples over this long; before, equalising gas looks like anything. */
const FEWEST_SAMPLES = 6
const SHORTEST_S = 180
/** Gas shut in with a closing valve and the gauge's lag die out in this time, s: left out of the fit (assumed). */
const SETTLING_S = 60
/** Readings of one gauge a second apart share their noise: this many count as one (assumed). */
const CORRELATED_SAMPLES = 10
/** A gauge drifts with its own temperature: this share of the reading, fully correlated over a hold, never averages out (assumed). */
const DRIFT_FRACTION = 0.005
/** Time constants of a bend, s: cooled water that warms up again is the quick end, water bound in oil and drier the slow one. */
const DAMP_TAUS_S = [120, 190, 300, 500, 800, 1300, 2100, 3000]
/** Largest rise a leak worth the name makes, Q_air 3e-3 Pa m3/s, and the smallest, 1e-6 (model.md, default priors). */
const LEAK_RANGE_PA_M3_S = [1e-6, 3e-3] as const

/** Share of the hoses' own gas that is taken as not known (assumed). */
const HOSE_UNCERTAINTY = 0.5
/** Smallest height of a bend worth the word damp, Pa: some 15 micron (assumed). */
const DAMP_FROM_PA = 2

/** A way to bend toward a level: 0 at isolation, 1 in the end, of seconds since the first sample. */
type Bend = (sinceS: number) => number
type Candidate = { shape: Shape; bend: Bend; moments: Moments; logEvidence: number }

/** Water that boiled itself cold by so much warms up again with these time constants after isolation, K and s (model.md section 4: 20 g at 0.4 W/K). */
const COLD_BY_K = [3, 6, 9, 12, 15, 18, 21, 24]
const WARMING_TAUS_S = [210, 320]

/** Bends of water: bound water gives its vapour exponentially; liquid that cooled follows its saturation as it warms. */
function bendsOf(ambientC: number): Bend[] {
  const exponential = DAMP_TAUS_S.map(
    (tauS): Bend =>
      (s) =>
        1 - Math.exp(-s / tauS),
  )
  const endPa = waterSaturationPa(kelvin(ambientC))
  const warming = COLD_BY_K.flatMap((coldK) =>
    WARMING_TAUS_S.map((tauS): Bend => {
      const startPa = waterSaturationPa(kelvin(ambientC - coldK))
      return (s) => (waterSaturationPa(kelvin(ambientC - coldK * Math.exp(-s / tauS))) - startPa) / (endPa - startPa)
    }),
  )
  return [...exponential, ...warming]
}

/**
 * A first honest judgement: level, straight, bending and both are fitted as competing models.
 * @param samples - in order of time, at least a few minutes apart in all; from isolation on
 * @returns probabilities, the sustained rise with its interval and what the hold proves; `undecided` rather than a guess
 * @see model.md section 6; docs/judging.md for what this first version leaves out
 */
export function judgeHold(samples: readonly HoldSample[], context: HoldContext): HoldResult {
  const heldS = samples.length > 0 ? (samples[samples.length - 1] as HoldSample).elapsedS : 0
  const used = samples.filter((s) => s.elapsedS >= SETTLING_S && Number.isFinite(s.pressurePa) && s.pressurePa > 0)
  const last = used[used.length - 1]
  const first = used[0]
  if (!first || !last || used.length < FEWEST_SAMPLES || last.elapsedS - first.elapsedS < SHORTEST_S) {
    return undecided(samples.length, heldS, ['Too few readings yet: the first minutes show gas settling, not the car.'])
  }
  const { t, y, weights } = prepare(used, context)
  const candidates = fitAll(t, y, weights, context)
  return conclude(candidates, t, used, samples.length, heldS, context)
}

/** What the hoses have given by then, Pa. */
const hoseGas = (context: HoldContext, elapsedS: number): number => (context.hoses ? hoseRisePa(context.hoses, context.volumeL, elapsedS) : 0)

function undecided(samples: number, heldS: number, reasons: string[]): HoldResult {
  return {
    verdict: 'undecided',
    probability: { leak: PRIOR_LEAK, damp: PRIOR_DAMP },
    sustainedRisePaS: null,
    leakGramsPerYear: null,
    detectionLimitGramsPerYear: null,
    limitAtEndGramsPerYear: null,
    futures: [],
    samples,
    heldS,
    reasons,
  }
}

/** Standard deviation of one reading, Pa: 1 % with a floor of 2 micron, and the step of the instrument. */
function noisePa(pressurePa: number, context: HoldContext): number {
  const step = context.resolutionPa ?? (context.instrument === 'needle' ? 3386 : PA_PER_MICRON)
  const relative = context.instrument === 'needle' ? 0 : 0.01 * pressurePa
  return Math.hypot(relative, 2 * PA_PER_MICRON, step / Math.sqrt(12))
}

function prepare(used: readonly HoldSample[], context: HoldContext) {
  const t = Float64Array.from(used, (s) => s.elapsedS)
  const y = Float64Array.from(used, (s) => s.pressurePa - hoseGas(context, s.elapsedS))
  const spacingS = ((t[t.length - 1] as number) - (t[0] as number)) / Math.max(1, used.length - 1)
  // samples closer than the correlation time share their noise and must not be counted as news
  const shared = Math.max(1, CORRELATED_SAMPLES / Math.max(1, spacingS))
  const weights = Float64Array.from(used, (s) => {
    const independent = Math.max(1, (s.count ?? 1) / CORRELATED_SAMPLES)
    return 1 / ((noisePa(s.pressurePa, context) ** 2 * shared) / independent)
  })
  return { t, y, weights }
}

function fitAll(t: Float64Array, y: Float64Array, weights: Float64Array, context: HoldContext): Candidate[] {
  const volume = context.volumeL / 1000
  const slope = { low: LEAK_RANGE_PA_M3_S[0] / volume, high: LEAK_RANGE_PA_M3_S[1] / volume }
  const boilPa = waterSaturationPa(kelvin(context.ambientC))
  const height = { low: DAMP_FROM_PA, high: Math.max(2 * DAMP_FROM_PA, boilPa - (y[0] as number)) }
  const since = Float64Array.from(t, (s) => s - (t[0] as number))
  const noLeak = Math.log(1 - PRIOR_LEAK)
  const leak = Math.log(PRIOR_LEAK)
  const dry = Math.log(1 - PRIOR_DAMP)
  const bends = bendsOf(context.ambientC)
  const damp = Math.log(PRIOR_DAMP / bends.length)
  return bends.flatMap((bend, i): Candidate[] => {
    const moments = momentsOf(since, y, weights, Float64Array.from(since, bend))
    const straight: Candidate[] =
      i > 0
        ? []
        : [
            { shape: 'tight', bend, moments, logEvidence: noLeak + dry + logLevel(moments) },
            { shape: 'leak', bend, moments, logEvidence: leak + dry + logLine(moments, slope) },
          ]
    return [
      ...straight,
      { shape: 'damp', bend, moments, logEvidence: noLeak + damp + logBend(moments, height) },
      { shape: 'leak-and-damp', bend, moments, logEvidence: leak + damp + logBoth(moments, height, slope) },
    ]
  })
}

function conclude(candidates: Candidate[], t: Float64Array, used: readonly HoldSample[], count: number, heldS: number, context: HoldContext): HoldResult {
  const top = Math.max(...candidates.map((c) => c.logEvidence))
  const total = candidates.reduce((sum, c) => sum + Math.exp(c.logEvidence - top), 0)
  const weight = (c: Candidate) => Math.exp(c.logEvidence - top) / total
  const sumWhere = (test: (shape: Shape) => boolean) => candidates.filter((c) => test(c.shape)).reduce((sum, c) => sum + weight(c), 0)
  const leak = sumWhere((s) => s === 'leak' || s === 'leak-and-damp')
  const damp = sumWhere((s) => s === 'damp' || s === 'leak-and-damp')
  const rise = sustainedRise(candidates, weight, used, context)
  const limit = 1.96 * rise.sigma
  const spanS = Math.max(1, heldS - SETTLING_S)
  const longer = Math.max(1, (context.plannedS - SETTLING_S) / spanS)
  const grams = (risePaS: number) => leakGramsPerYear(risePaS, context.volumeL, context.refrigerant, context.barometerPa)
  // a leak whose rise is not clear of zero is no finding: then no shape fits these readings
  const sustained = rise.value - limit > 0
  const verdict = verdictOf(leak, damp, sustained)
  return {
    verdict,
    probability: { leak, damp },
    sustainedRisePaS: { value: rise.value, low: rise.value - limit, high: rise.value + limit },
    leakGramsPerYear: grams(rise.value),
    detectionLimitGramsPerYear: grams(limit),
    limitAtEndGramsPerYear: grams(limit / longer ** 1.5),
    futures: futuresOf(candidates, weight, t, context),
    samples: count,
    heldS,
    reasons: reasonsOf(verdict, used, rise.value, damp),
  }
}

function verdictOf(leak: number, damp: number, sustained: boolean): Verdict {
  if (leak >= LEAK_FROM && !sustained) return 'undecided'
  if (leak >= LEAK_FROM) return damp >= 0.5 ? 'leak-and-damp' : 'leak'
  if (leak > NO_LEAK_TO) return 'undecided'
  return damp >= 0.5 ? 'damp' : 'tight'
}

/** The slope with everything else free, of each shape with its weight: not cut at zero, so that its interval is honest. */
function sustainedRise(candidates: Candidate[], weight: (c: Candidate) => number, used: readonly HoldSample[], context: HoldContext) {
  const meanPa = used.reduce((sum, s) => sum + s.pressurePa, 0) / used.length
  const spanS = (used[used.length - 1] as HoldSample).elapsedS - (used[0] as HoldSample).elapsedS
  const slopes = candidates.map((c) => {
    const bends = c.shape === 'damp' || c.shape === 'leak-and-damp'
    return { w: weight(c), ...((bends ? together(c.moments)?.line : undefined) ?? lineAlone(c.moments)) }
  })
  const value = slopes.reduce((sum, s) => sum + s.w * s.mean, 0)
  const spread = slopes.reduce((sum, s) => sum + s.w * (s.sigma ** 2 + (s.mean - value) ** 2), 0)
  const last = used[used.length - 1] as HoldSample
  const hoses = (HOSE_UNCERTAINTY * hoseGas(context, last.elapsedS)) / Math.max(1, last.elapsedS)
  return { value, sigma: Math.hypot(Math.sqrt(spread), (DRIFT_FRACTION * meanPa) / spanS, hoses) }
}

/** Level, height and slope of a shape at its best, with the uncertainty of what it says at the end. */
function bestOf(c: Candidate): { level: number; bend: Normal; line: Normal } {
  const none = { mean: 0, sigma: 0 }
  const both = c.shape === 'leak-and-damp' ? together(c.moments) : null
  const bend = both ? both.bend : c.shape === 'damp' ? bendAlone(c.moments) : none
  const line = both ? both.line : c.shape === 'leak' ? lineAlone(c.moments) : none
  const { meanY, meanBend, meanLine } = c.moments
  return { level: meanY - Math.max(0, bend.mean) * meanBend - Math.max(0, line.mean) * meanLine, bend, line }
}

function futuresOf(candidates: Candidate[], weight: (c: Candidate) => number, t: Float64Array, context: HoldContext): Future[] {
  const shapes: Shape[] = ['tight', 'damp', 'leak', 'leak-and-damp']
  const t0 = t[0] as number
  const now = t[t.length - 1] as number
  const end = Math.max(context.plannedS, now)
  return shapes.flatMap((shape) => {
    const own = candidates.filter((c) => c.shape === shape)
    const probability = own.reduce((sum, c) => sum + weight(c), 0)
    const best = own.reduce((a, b) => (b.logEvidence > a.logEvidence ? b : a))
    if (probability < 0.005) return []
    const { level, bend, line } = bestOf(best)
    const rises = (s: number) => best.bend(s - t0)
    const value = (s: number) => Math.max(0.01, level + hoseGas(context, s) + Math.max(0, bend.mean) * rises(s) + Math.max(0, line.mean) * (s - t0))
    const growth = Math.hypot(bend.sigma * (rises(end) - rises(now)), line.sigma * (end - now))
    const half = 1.2816 * Math.hypot(growth, DRIFT_FRACTION * value(end))
    const points = Array.from({ length: 13 }, (_, i) => now + ((end - now) * i) / 12).map((s) => ({ elapsedS: s, pressurePa: value(s) }))
    return [{ shape, probability, atEndPa: value(end), lowPa: value(end) - half, highPa: value(end) + half, points }]
  })
}

function reasonsOf(verdict: Verdict, used: readonly HoldSample[], risePaS: number, damp: number): string[] {
  const first = used[0] as HoldSample
  const last = used[used.length - 1] as HoldSample
  const rose = Math.round((last.pressurePa - first.pressurePa) / PA_PER_MICRON)
  const minutes = Math.round((last.elapsedS - first.elapsedS) / 60)
  const moved = `It ${rose >= 0 ? 'rose' : 'fell'} ${Math.abs(rose).toLocaleString('en')} micron in ${minutes} minutes`
  const perMinute = ((risePaS / PA_PER_MICRON) * 60).toFixed(1)
  switch (verdict) {
    case 'tight':
      return [`${moved}, which is no more than the gauge's own noise and drift.`]
    case 'damp':
      return [`${moved}, bending toward a level: water, not a hole.`]
    case 'leak':
      return [`${moved}, as straight as a ruler: about ${perMinute} micron a minute that does not die.`]
    case 'leak-and-damp':
      return [`${moved}: it bends at first, and about ${perMinute} micron a minute stays.`]
    default:
      return [damp >= 0.95 ? `${moved}, and it bends: water. Whether a leak is beside it stays open.` : `${moved}. More than one shape still fits.`]
  }
}
