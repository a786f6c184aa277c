import type { GaugeSeat } from '../job/gauge-seat'

/**
 * What is known of the pressure in the car while it is pulled, Pa; undefined when nothing is.
 * A gauge at the pump reads ahead of the car: only an estimate of the far side counts there, at its worst. No needle
 * sees a target.
 * @param readPa - what the gauge shows
 * @param farHighPa - upper end of the estimate for the far side, where one was made
 */
export function carPressurePa(seat: GaugeSeat, readPa: number | undefined, farHighPa?: number): number | undefined {
  if (seat === 'needle') return undefined
  return seat === 'pump' ? farHighPa : readPa
}
