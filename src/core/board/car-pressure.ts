import type { Rig } from '../procedure/events'

/** Where a rig's vacuum gauge sits, and whether it is one that can see a target at all. */
export type GaugeSeat = 'far' | 'pump' | 'needle'

export const gaugeSeat = (rig: Pick<Rig, 'gauge' | 'gaugeAt'>): GaugeSeat =>
  rig.gauge === 'needle' ? 'needle' : (rig.gaugeAt ?? 'far')

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
