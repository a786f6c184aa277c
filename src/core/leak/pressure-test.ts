import type { Refrigerant } from '../fluids/refrigerants'
import type { GramsPerYear } from '../hold/leak-rate'
import { kelvin } from '../units/temperature'
import { nitrogenGramsPerYear } from './nitrogen-leak'

/** A reading of the test: s since the nitrogen was in, Pa absolute, and the gas's temperature where it was read. */
export type PressureSample = { atS: number; pa: number }
export type WarmthSample = { atS: number; celsius: number }
export type PressureTest = {
  samples: readonly PressureSample[]
  warmth: readonly WarmthSample[]
  volumeL: number
  refrigerant: Refrigerant
  barometerPa: number
  /** smallest step the gauge shows, Pa */
  stepPa: number
}

/** Gas that was let in is warmer or colder than the car and its sensor for so long, s (assumed). */
const SETTLES_S = 180
/** A temperature is asked for when none was read for so long, s. */
const GAP_S = 600
/** One sensor strapped to a pipe knows how the gas's temperature changed over a test so well, K (assumed). */
const KNOWN_K = 0.2
/** Three of its own errors and a fall is one; within two of them it stands. */
const FALLS_SIGMAS = 3
const STANDS_SIGMAS = 2
/** A dial is read to half a step at best, and a figure is never better than this share of it (assumed). */
const STEP_SIGMA = 1 / Math.sqrt(12)
/** A hold shorter than this says nothing, s. */
const LEAST_S = 300

export type PressureFinding =
  | { kind: 'too-short'; fromS: number }
  /** no temperature for more than ten minutes: what falls may be only cooling */
  | { kind: 'temperature-missing'; fromS: number; toS: number }
  | {
      kind: 'falls' | 'stands' | 'undecided'
      /** fall at constant temperature, Pa/s, with its error of one sigma; as read, without the temperature taken out */
      fallPaS: number
      sigmaPaS: number
      rawFallPaS: number
      testPa: number
      heldS: number
      /** in refrigerant: what it falls by, and what would have shown by now */
      gramsPerYear: GramsPerYear
      shows: GramsPerYear
    }

/** The longest stretch of a test without a temperature that is longer than allowed. */
function gapOf(warmth: readonly WarmthSample[], fromS: number, toS: number): { fromS: number; toS: number } | null {
  const times = [fromS, ...warmth.map((w) => w.atS).filter((t) => t > fromS && t < toS), toS]
  // the ends need one too: a reading within the allowed time of each
  for (const [i, at] of times.entries()) {
    const next = times[i + 1]
    if (next !== undefined && next - at > GAP_S) return { fromS: at, toS: next }
  }
  return warmth.length === 0 && toS - fromS > 0 ? { fromS, toS } : null
}

/** The gas's temperature at a moment: straight between its readings, the nearest beyond them. */
export function warmthAt(warmth: readonly WarmthSample[], atS: number): number {
  const after = warmth.findIndex((w) => w.atS >= atS)
  if (after < 0) return (warmth[warmth.length - 1] as WarmthSample).celsius
  const next = warmth[after] as WarmthSample
  const before = warmth[after - 1]
  if (!before || next.atS === before.atS) return next.celsius
  return before.celsius + ((next.celsius - before.celsius) * (atS - before.atS)) / (next.atS - before.atS)
}

function slopeOf(points: readonly { t: number; y: number }[]): { slope: number; spread: number; sxx: number } {
  const n = points.length
  const [mt, my] = [points.reduce((s, p) => s + p.t, 0) / n, points.reduce((s, p) => s + p.y, 0) / n]
  const sxx = points.reduce((s, p) => s + (p.t - mt) ** 2, 0)
  const slope = points.reduce((s, p) => s + (p.t - mt) * (p.y - my), 0) / sxx
  const left = points.reduce((s, p) => s + (p.y - my - slope * (p.t - mt)) ** 2, 0)
  return { slope, spread: Math.sqrt(left / Math.max(1, n - 2)), sxx }
}

/**
 * Judges a pressure test: the gas law takes the temperature out, what is left is a line, and its error is that of the
 * gauge and of how well the gas's temperature is known. What only cools is no leak.
 */
export function judgePressureTest(test: PressureTest): PressureFinding {
  const settled = test.samples.filter((s) => s.atS >= SETTLES_S)
  const [first, last] = [settled[0], settled[settled.length - 1]]
  if (!first || !last || settled.length < 3 || last.atS - first.atS < LEAST_S)
    return { kind: 'too-short', fromS: SETTLES_S + LEAST_S }
  const gap = gapOf(test.warmth, first.atS, last.atS)
  if (gap) return { kind: 'temperature-missing', ...gap }
  const referenceK = kelvin(warmthAt(test.warmth, first.atS))
  const corrected = settled.map(({ atS, pa }) => ({
    t: atS,
    y: (pa * referenceK) / kelvin(warmthAt(test.warmth, atS)),
  }))
  const { slope, spread, sxx } = slopeOf(corrected)
  const heldS = last.atS - first.atS
  const gauge = Math.max(spread, test.stepPa * STEP_SIGMA)
  // steps of a dial are no independent noise: never better than one step over the whole
  const ofGauge = Math.max(gauge / Math.sqrt(sxx), (test.stepPa * STEP_SIGMA) / heldS)
  const ofWarmth = (first.pa * KNOWN_K) / referenceK / heldS
  const sigmaPaS = Math.hypot(ofGauge, ofWarmth)
  const fallPaS = -slope
  const grams = (pas: number) => nitrogenGramsPerYear(pas, test.volumeL, first.pa, test.refrigerant, test.barometerPa)
  const kind = fallPaS > FALLS_SIGMAS * sigmaPaS ? 'falls' : fallPaS < STANDS_SIGMAS * sigmaPaS ? 'stands' : 'undecided'
  return {
    kind,
    fallPaS,
    sigmaPaS,
    rawFallPaS: -slopeOf(settled.map(({ atS, pa }) => ({ t: atS, y: pa }))).slope,
    testPa: first.pa,
    heldS,
    gramsPerYear: grams(fallPaS),
    shows: grams(FALLS_SIGMAS * sigmaPaS),
  }
}

/** Longest soak that is planned, s. */
const LONGEST_SOAK_S = 4 * 3600
const SOAK_STEP_S = 300

/**
 * How long a test has to soak until a leak of so many grams a year shows, worst case; null where four hours are not
 * enough.
 * @param testPa - Pa absolute
 */
export function soakS(
  gramsPerYear: number,
  testPa: number,
  {
    volumeL,
    refrigerant,
    barometerPa,
    stepPa,
  }: Pick<PressureTest, 'volumeL' | 'refrigerant' | 'barometerPa' | 'stepPa'>,
  ambientC: number,
): number | null {
  for (let heldS = LEAST_S; heldS <= LONGEST_SOAK_S; heldS += SOAK_STEP_S) {
    const sigma = Math.hypot((stepPa * STEP_SIGMA) / heldS, (testPa * KNOWN_K) / kelvin(ambientC) / heldS)
    if (nitrogenGramsPerYear(FALLS_SIGMAS * sigma, volumeL, testPa, refrigerant, barometerPa).high <= gramsPerYear)
      return heldS + SETTLES_S
  }
  return null
}
