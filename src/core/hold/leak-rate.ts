import { molarMassKgMol, REFRIGERANT_VISCOSITY_PA_S, restPressurePa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import { AIR_KG_MOL, AIR_VISCOSITY_PA_S, GAS_CONSTANT, SECONDS_A_YEAR } from '../units/constants'
import { kelvin } from '../units/temperature'

/** Grams a year between the molecular (low) and the viscous, worst case (high). */
export type GramsPerYear = { low: number; high: number }

/**
 * What a sustained rise means in refrigerant lost under service pressure.
 * @param risePaS - sustained rise, Pa/s; may be negative or zero, the result then is too
 * @param volumeL - isolated volume, L
 * @param serviceC - warmest ambient expected, Celsius
 * @param barometerPa - air pressure of the place, Pa
 * @see model.md section 7
 */
export function leakGramsPerYear(
  risePaS: number,
  volumeL: number,
  refrigerant: Refrigerant,
  barometerPa: number,
  serviceC = 25,
): GramsPerYear {
  const airPaM3S = (risePaS * volumeL) / 1000
  const servicePa = restPressurePa(refrigerant, serviceC)
  const viscous =
    ((airPaM3S * (servicePa ** 2 - barometerPa ** 2)) / barometerPa ** 2) *
    (AIR_VISCOSITY_PA_S / REFRIGERANT_VISCOSITY_PA_S)
  const molar = molarMassKgMol(refrigerant)
  const molecular = ((airPaM3S * (servicePa - barometerPa)) / barometerPa) * Math.sqrt(AIR_KG_MOL / molar)
  const grams = (molar / (GAS_CONSTANT * kelvin(serviceC))) * SECONDS_A_YEAR * 1000
  return { low: molecular * grams, high: viscous * grams }
}
