import { type Refrigerant, saturationPa } from '../fluids/refrigerant'
import { kelvin } from '../units/temperature'

/** Low and high end of what is typical: pressures Pa above the air of the place, vent in Celsius. */
export type ProofBands = { lowPaG: [number, number]; highPaG: [number, number]; ventC: [number, number] }

/** Condensing above ambient, K; evaporating, Celsius; vent above evaporating, K (assumed, model.md section 10). */
const CONDENSING_ABOVE_K = [15, 30] as const
const EVAPORATING_C = [-2, 10] as const
const VENT_ABOVE_K = [4, 10] as const

/**
 * Typical running readings at an ambient; the maker's chart leads where there is one.
 * @param ambientC - Celsius, up to about 60
 * @param barometerPa - air pressure of the place, Pa
 * @throws OutOfRange when ambient plus 30 K passes the critical point
 */
export function typicalBands(refrigerant: Refrigerant, ambientC: number, barometerPa: number): ProofBands {
  const gauge = (c: number) => saturationPa(refrigerant, kelvin(c)) - barometerPa
  return {
    lowPaG: [gauge(EVAPORATING_C[0]), gauge(EVAPORATING_C[1])],
    highPaG: [gauge(ambientC + CONDENSING_ABOVE_K[0]), gauge(ambientC + CONDENSING_ABOVE_K[1])],
    ventC: [EVAPORATING_C[0] + VENT_ABOVE_K[0], EVAPORATING_C[1] + VENT_ABOVE_K[1]],
  }
}
