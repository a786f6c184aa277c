import { saturatedDensities } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'

/**
 * What flows into an evacuated system by itself until the pressures meet, g: its volume filled with vapour as dense as
 * the container's. More where the car is colder than the container and it condenses.
 * @param volumeL - free volume of the system, L
 * @param ambientC - temperature of container and car, Celsius, within the refrigerant's table
 * @throws OutOfRange outside the table
 * @see model.md section 9
 */
export function firstChargeG(volumeL: number, refrigerant: Refrigerant, ambientC: number): number {
  return volumeL * saturatedDensities(refrigerant, ambientC).vapourKgM3
}
