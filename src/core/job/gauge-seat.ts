import type { Rig } from './written'

/** Where a rig's vacuum gauge sits, and whether it is one that can see a target at all. */
export type GaugeSeat = 'far' | 'pump' | 'needle'

export const gaugeSeat = (rig: Pick<Rig, 'gauge' | 'gaugeAt'>): GaugeSeat =>
  rig.gauge === 'needle' ? 'needle' : (rig.gaugeAt ?? 'far')
