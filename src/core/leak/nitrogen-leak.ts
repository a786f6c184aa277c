import { molarMassKgMol, REFRIGERANT_VISCOSITY_PA_S, restPressurePa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import type { GramsPerYear } from '../hold/leak-rate'
import { W } from '../language/leak/nitrogen-leak'
import { GAS_CONSTANT, SECONDS_A_YEAR } from '../units/constants'
import { kelvin } from '../units/temperature'

const NITROGEN_KG_MOL = 28.0134e-3
/** Viscosity of nitrogen at 20 to 25 Celsius, Pa s (Lemmon and Jacobsen, Int. J. Thermophys. 25, 21, 2004). */
const NITROGEN_VISCOSITY_PA_S = 1.77e-5

/**
 * What a fall of nitrogen's pressure means in refrigerant lost under service pressure, between the molecular hole (low)
 * and the viscous one; at pressures above the air the viscous hole loses less than at hard vacuum, so either may be
 * the worst.
 * @param fallPaS - fall at constant temperature, Pa/s; negative and zero give the like
 * @param testPa - pressure of the test, Pa absolute, above the barometer
 * @param serviceC - warmest ambient expected, Celsius
 * @throws RangeError when the test is not above the air
 * @see model.md section 7, with nitrogen in place of air
 */
export function nitrogenGramsPerYear(
  fallPaS: number,
  volumeL: number,
  testPa: number,
  refrigerant: Refrigerant,
  barometerPa: number,
  serviceC = 25,
): GramsPerYear {
  if (!(testPa > barometerPa)) throw new RangeError(W.aPressureTestStandsAbove)
  const lostPaM3S = (fallPaS * volumeL) / 1000
  const servicePa = restPressurePa(refrigerant, serviceC)
  const molar = molarMassKgMol(refrigerant)
  const viscous =
    ((servicePa ** 2 - barometerPa ** 2) / (testPa ** 2 - barometerPa ** 2)) *
    (NITROGEN_VISCOSITY_PA_S / REFRIGERANT_VISCOSITY_PA_S)
  const molecular = ((servicePa - barometerPa) / (testPa - barometerPa)) * Math.sqrt(NITROGEN_KG_MOL / molar)
  const grams = lostPaM3S * (molar / (GAS_CONSTANT * kelvin(serviceC))) * SECONDS_A_YEAR * 1000
  const [a, b] = [molecular * grams, viscous * grams]
  return { low: Math.min(a, b), high: Math.max(a, b) }
}
