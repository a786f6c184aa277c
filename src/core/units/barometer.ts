import { requireRange } from '../errors'
import { STANDARD_ATMOSPHERE_PA } from './constants'

/**
 * Station pressure at an altitude in the standard atmosphere, used when nobody read a barometer.
 * @param altitudeM - metres above sea level, -430 to 9000
 * @returns pressure, Pa absolute; weather moves the true value by about 2 %
 * @throws OutOfRange outside that altitude range
 * @see ICAO standard atmosphere, troposphere
 */
export function stationPressurePa(altitudeM: number): number {
  requireRange('altitude', altitudeM, -430, 9000, 'm')
  return STANDARD_ATMOSPHERE_PA * (1 - 2.25577e-5 * altitudeM) ** 5.25588
}
