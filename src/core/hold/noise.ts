import { PA_PER_MICRON } from '../units/constants'
import type { Noise } from './cross-products'
import type { HoldContext, HoldSample } from './types'

/** An electronic gauge's floor, Pa: some 2 micron (model.md section 5: 1 to 3). */
const FLOOR_PA = 2 * PA_PER_MICRON
/**
 * Share of the reading an electronic gauge's noise is unless the context says, and a needle's reading error, Pa: a
 * fifth of an inch (assumed).
 */
const NOISE_FRACTION = 0.01
const NEEDLE_PA = 680
/** Without a step told: a needle is read to half an inch, an electronic gauge to a micron. */
const STEP_PA = { needle: 1693, electronic: PA_PER_MICRON } as const
/**
 * Gas shut in with the valve and the gauge's lag: a sample's deviation is so many times larger at isolation, dying out
 * with this time constant, s (assumed).
 */
const SETTLING_FACTOR = 20
const SETTLING_S = 14

/** The same with a handful of typed readings, which nobody types in the first seconds. */
const SETTLING_FACTOR_FEW = 3
/** Records of so many samples come from a logger. */
const MANY = 40
/** Fewer readings than this tell no step; steps are looked for in stretches of so many. */
const FEWEST_FOR_STEPS = 20
const STEP_WINDOW = 24
/** Two readings this close are the same, Pa. */
const SAME_PA = 1e-6
/** No gauge shows less than this share of what it reads. */
const COARSEST_SHARE = 0.05
/** A reading rounded to a step is off by a step over this, as a deviation: the root of twelve. */
const STEP_SIGMAS = Math.sqrt(12)
/** An average of more readings than this is no surer: a gauge's noise lasts (assumed). */
const MOST_AVERAGED = 6

/**
 * Step of the instrument at each sample, Pa: what the context says, coarser where the readings themselves only come in
 * larger steps.
 */
export function stepsOf(samples: readonly HoldSample[], context: HoldContext): Float64Array {
  const told = context.resolutionPa ?? STEP_PA[context.instrument]
  const steps = new Float64Array(samples.length).fill(told)
  // averages have no steps; neither have a handful of readings
  if (samples.length < FEWEST_FOR_STEPS || samples.some((s) => (s.count ?? 1) > 1)) return steps
  for (let from = 0; from < samples.length; from += STEP_WINDOW) {
    const part = samples.slice(from, from + STEP_WINDOW)
    let smallest = Number.POSITIVE_INFINITY
    for (let i = 1; i < part.length; i++) {
      const d = Math.abs((part[i] as HoldSample).pressurePa - (part[i - 1] as HoldSample).pressurePa)
      if (d > SAME_PA && d < smallest) smallest = d
    }
    const level = (part[0] as HoldSample).pressurePa
    const coarse = Number.isFinite(smallest) && smallest < COARSEST_SHARE * level ? Math.max(told, smallest) : told
    steps.fill(coarse, from, from + STEP_WINDOW)
  }
  return steps
}

/** Noise one reading would have by the book, Pa, its step left out. */
export function nominalPa(pressurePa: number, context: HoldContext): number {
  if (context.instrument === 'needle') return NEEDLE_PA
  return Math.hypot((context.noiseFraction ?? NOISE_FRACTION) * Math.max(0, pressurePa), FLOOR_PA)
}

/** How much larger a sample's deviation is taken while the closed valve's gas and the gauge's lag die out. */
const settling = (elapsedS: number, many: boolean): number =>
  1 + (many ? SETTLING_FACTOR : SETTLING_FACTOR_FEW) * Math.exp(-elapsedS / SETTLING_S)

/** Noise of every sample at a scale of the book's figure. */
export function noiseOf(
  samples: readonly HoldSample[],
  steps: Float64Array,
  context: HoldContext,
  scale: number,
  correlationS: number,
): Noise {
  const many = samples.length >= MANY
  const sigma = Float64Array.from(samples, (s, i) => {
    if (context.instrument === 'needle') return Math.hypot(NEEDLE_PA, (steps[i] as number) / STEP_SIGMAS)
    const averaged = 1 / Math.sqrt(Math.min(MOST_AVERAGED, s.count ?? 1))
    return (
      Math.hypot(scale * nominalPa(s.pressurePa, context) * averaged, ((steps[i] as number) * averaged) / STEP_SIGMAS) *
      settling(s.elapsedS, many)
    )
  })
  return { sigma, correlationS }
}

/** What the leftovers of a fit say of the noise. */
export type Estimated = { scale: number; correlationS: number }

/** Weight of the book's figure against the record's own, in independent samples (assumed). */
const BOOK_WEIGHT = 6
const BOOK_SCALE = 0.7
const LEAST_SCALE = 0.15
const SHORTEST_CORRELATION_S = 2
/** Fewer leftovers than this say nothing of the noise; it then lasts so many spacings (assumed). */
const FEWEST_FOR_NOISE = 12
const FEW_CORRELATION = 0.3
/** The first so many seconds are left out where a record has more samples than that. */
const SETTLED_S = 90
const MANY_FOR_SETTLED = 60
/**
 * A leftover farther out than this many of the book's deviations counts as that: one wild reading speaks not for all.
 */
const WILD = 5
/**
 * Lags looked at are an eighth of the record; a correlation under these, of which the second in its deviations, ends
 * it.
 */
const LAGS_OF = 8
const LEAST_RHO = 0.05
const RHO_SIGMAS = 1.3
const LEAST_VARIANCE = 0.01

/**
 * Scale and correlation of the noise from what a fit left over.
 * @param residual - Pa, one for each sample
 */
export function estimateNoise(
  samples: readonly HoldSample[],
  residual: Float64Array,
  steps: Float64Array,
  context: HoldContext,
  spacingS: number,
): Estimated {
  if (context.instrument === 'needle' || samples.length < FEWEST_FOR_NOISE)
    return { scale: 1, correlationS: Math.max(SHORTEST_CORRELATION_S, FEW_CORRELATION * spacingS) }
  const z: number[] = []
  let stepShare = 0
  for (let i = 0; i < samples.length; i++) {
    const s = samples[i] as HoldSample
    if (s.elapsedS < SETTLED_S && samples.length > MANY_FOR_SETTLED) continue
    const averaged = 1 / Math.sqrt(Math.min(MOST_AVERAGED, s.count ?? 1))
    const book = nominalPa(s.pressurePa, context) * averaged
    // a single wild reading must not speak for all
    z.push(Math.max(-WILD, Math.min(WILD, (residual[i] as number) / book)))
    stepShare += ((steps[i] as number) * averaged) ** 2 / STEP_SIGMAS ** 2 / book ** 2
  }
  if (z.length < FEWEST_FOR_NOISE) return { scale: 1, correlationS: Math.max(SHORTEST_CORRELATION_S, spacingS) }
  const mean = z.reduce((a, b) => a + b, 0) / z.length
  const variance = z.reduce((a, b) => a + (b - mean) ** 2, 0) / z.length
  const longest = Math.floor(z.length / LAGS_OF)
  let integral = 0
  for (let lag = 1; lag <= longest; lag++) {
    let sum = 0
    for (let i = lag; i < z.length; i++) sum += ((z[i] as number) - mean) * ((z[i - lag] as number) - mean)
    const rho = variance > 0 ? sum / (z.length - lag) / variance : 0
    if (rho < Math.max(LEAST_RHO, RHO_SIGMAS / Math.sqrt(z.length))) break
    integral += rho
  }
  // of noise that dies out exponentially the sum of all correlations is phi / (1 - phi)
  const phi = integral / (1 + integral)
  const correlationS = Math.max(SHORTEST_CORRELATION_S, phi > 0 ? -spacingS / Math.log(phi) : 0)
  const independent = z.length / (1 + 2 * integral)
  const own = Math.max(LEAST_VARIANCE, variance - stepShare / z.length)
  const scale2 = (BOOK_WEIGHT * BOOK_SCALE ** 2 + independent * own) / (BOOK_WEIGHT + independent)
  return { scale: Math.max(LEAST_SCALE, Math.sqrt(scale2)), correlationS }
}
