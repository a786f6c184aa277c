import type { Refrigerant } from '../fluids/refrigerants'
import { dewPointAtMostC, waterSaturationPa } from '../fluids/water'
import type { Procedure } from '../job/written'
import { W } from '../language/hold/proves'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_MICRON, STANDARD_ATMOSPHERE_PA } from '../units/constants'
import { kelvin } from '../units/temperature'
import { leakGramsPerYear } from './leak-rate'

/**
 * A single car's free volume, L, and what the judge's own limits come from: a gauge's noise with its correlation, s,
 * and the gas that warms, K (assumed).
 */
const VOLUME_L = 2.5
const NOISE_SHARE = 0.01
const CORRELATED_S = 10
const WARMS_K = 1.5
/**
 * A bend of water may hide in a slope: telling them apart costs so many times the straight line's doubt (found on
 * records of known truth).
 */
const BEND_COSTS = 4
/** A hall as it usually is, °C, where nobody named the place (assumed). */
const USUAL_C = 20
/** Ice goes where the pressure lies under this share of what it boils at, 0 °C (assumed). */
const DRIES_BELOW = 0.1

/** The car a rule is told for where nobody named one, and the air around it. */
export type RuleCar = { volumeL: number; refrigerant: Refrigerant; barometerPa: number }
const ANY_CAR: RuleCar = { volumeL: VOLUME_L, refrigerant: 'R-134a', barometerPa: STANDARD_ATMOSPHERE_PA }

/**
 * What a rule of these figures can prove on a car, in grams a year worst case: with an electronic gauge and a needle.
 */
export function limitOfRule(
  { targetPa: depthPa, holdMinutes }: Pick<Procedure, 'targetPa' | 'holdMinutes'>,
  { volumeL, refrigerant, barometerPa }: RuleCar = ANY_CAR,
): {
  electronic: number
  needle: number
} {
  const heldS = holdMinutes * 60
  const noisePa = Math.hypot(NOISE_SHARE * depthPa, 2 * PA_PER_MICRON)
  const slope = (noisePa * Math.sqrt((2 * CORRELATED_S) / heldS) * Math.sqrt(12)) / heldS
  const electronic = 2 * Math.hypot(BEND_COSTS * slope, ((WARMS_K / kelvin(USUAL_C)) * depthPa) / heldS / 2)
  const grams = (risePaS: number) => leakGramsPerYear(risePaS, volumeL, refrigerant, barometerPa).high
  // a needle must rise beyond what water alone could do
  const needle = (waterSaturationPa(kelvin(USUAL_C)) + 2 * NEEDLE_HALF_WIDTH_PA) / heldS
  return { electronic: grams(electronic), needle: grams(needle) }
}

const rounded = (grams: number): string => Number(grams.toPrecision(1)).toLocaleString('en')

/** What an edited procedure can and cannot prove, line by line. */
export function provesOfRule(p: Pick<Procedure, 'targetPa' | 'pullMinutes' | 'holdMinutes'>): string[] {
  const dew = Math.round(dewPointAtMostC(p.targetPa))
  const { electronic, needle } = limitOfRule(p)
  const wetToo = p.targetPa > DRIES_BELOW * waterSaturationPa(kelvin(0))
  return [
    W.atMicronAtTheCar(
      Math.round(p.targetPa / PA_PER_MICRON).toLocaleString('en'),
      String(dew).replace('-', '−'),
      wetToo ? W.inAColdBayIce : '',
    ),
    W.minutesOfPullingProveNothing(p.pullMinutes),
    W.minutesOfHoldOn2(p.holdMinutes, rounded(electronic), rounded(needle)),
    W.noHoldShowsACore,
  ]
}
