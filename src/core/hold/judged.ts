import { GAS_CONSTANT, WATER_KG_MOL } from '../units/constants'
import { kelvin } from '../units/temperature'
import type { Bend } from './bends'
import type { Prior } from './candidates'
import type { CrossProducts } from './cross-products'
import type { Curve } from './curve'
import type { Estimated } from './noise'
import type { Hypothesis } from './posterior'
import type { HoldContext } from './types'

/** A judgement needs this many samples over this long; before, equalising gas looks like anything. */
export const FEWEST_SAMPLES = 6
export const SHORTEST_S = 150
/** Air a leak lets in at hard vacuum, Pa m3/s (model.md section 6). */
export const LEAK_RANGE_PA_M3_S = [1e-6, 3e-3] as const

/** One record judged: readings as fitted, the hypotheses with their weights, and the noise found. */
export type Judged = {
  curve: Curve
  /** sums of the record at that noise */
  products: CrossProducts
  hypotheses: Hypothesis[]
  prior: Prior
  bends: readonly Bend[]
  noise: Estimated
}

/** Water a bend of this height stands for, g, as vapour in the isolated volume. */
export const waterOfBend = (heightPa: number, context: HoldContext): number =>
  ((heightPa * (context.volumeL / 1000) * WATER_KG_MOL) / (GAS_CONSTANT * kelvin(context.ambientC))) * 1000
