import type { Rig } from './written'

/** Where a rig's vacuum gauge sits, and whether it is one that can see a target at all. */
export type GaugeSeat = 'far' | 'pump' | 'needle'

/** Where the gauge sits that was last read: inches typed on a rig with an electronic gauge are some needle's. */
export const seatRead = (rig: Pick<Rig, 'gauge' | 'gaugeAt'>, sentUnit: string | undefined): GaugeSeat =>
  sentUnit === 'inHgV' ? 'needle' : gaugeSeat(rig)

export const gaugeSeat = (rig: Pick<Rig, 'gauge' | 'gaugeAt'>): GaugeSeat =>
  rig.gauge === 'needle' ? 'needle' : (rig.gaugeAt ?? 'far')
