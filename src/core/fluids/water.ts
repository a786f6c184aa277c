import { requireRange } from '../errors'
import { ZERO_C_K } from '../units/constants'
import { findRoot } from './find-root'

const TRIPLE_POINT_K = 273.16
/** Range of the inverse, K: over ice down to -120 C, over liquid up to 100 C. */
const COLDEST_K = 153.15
const HOTTEST_K = 373.15

/**
 * Saturation vapour pressure of water, over ice below 273.16 K and over liquid from there.
 * @param waterK - K, 110 to 373.15
 * @returns Pa absolute; 0.2 % up to 80 C, 0.6 % at 100 C
 * @throws OutOfRange outside that range
 * @see Murphy and Koop, Q. J. R. Meteorol. Soc. 131, 1539 (2005), equations 7 and 10
 */
export function waterSaturationPa(waterK: number): number {
  requireRange('water temperature', waterK, 110, HOTTEST_K, 'K')
  return waterK < TRIPLE_POINT_K ? overIcePa(waterK) : overLiquidPa(waterK)
}

function overIcePa(t: number): number {
  return Math.exp(9.550426 - 5723.265 / t + 3.53068 * Math.log(t) - 0.00728332 * t)
}

function overLiquidPa(t: number): number {
  const cold = 53.878 - 1331.22 / t - 9.44523 * Math.log(t) + 0.014025 * t
  return Math.exp(54.842763 - 6763.22 / t - 4.21 * Math.log(t) + 0.000367 * t + Math.tanh(0.0415 * (t - 218.8)) * cold)
}

/**
 * Temperature at which water boils, or frost lasts, at an absolute pressure: the inverse of `waterSaturationPa`.
 * @param pressurePa - Pa absolute, about 1.4e-5 to 1.01e5
 * @returns K
 * @throws OutOfRange outside that range
 */
export function waterBoilingK(pressurePa: number): number {
  requireRange('pressure', pressurePa, waterSaturationPa(COLDEST_K), waterSaturationPa(HOTTEST_K), 'Pa')
  return findRoot((t) => waterSaturationPa(t) - pressurePa, COLDEST_K, HOTTEST_K, 1e-6)
}

/**
 * Dew or frost point that a final pressure stands for at most, Celsius; the pressure in Pa absolute, range as
 * `waterBoilingK`.
 */
export function dewPointAtMostC(pressurePa: number): number {
  return waterBoilingK(pressurePa) - ZERO_C_K
}
