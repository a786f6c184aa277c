import { RigFile } from '@/core/rig/rig-file'

const node = (id: string, volume_L: number, temperature_C = 25) => ({ id, volume_L, temperature_C })
const link = (id: string, from: string, to: string, bore_mm: number, length_m: number, kind: string) => ({
  id,
  from,
  to,
  bore_mm,
  length_m,
  kind,
})

/**
 * An 8-node rig: a car in four parts, two ports with their cores in, manifold and pump on old charging hoses; a leak
 * and both kinds of water.
 */
export const EIGHT_NODES = RigFile.parse({
  nodes: [
    node('low', 0.8),
    node('evap', 0.6, 22),
    node('cond', 0.7),
    node('high', 0.4),
    node('port-low', 0.01),
    node('port-high', 0.01),
    node('manifold', 0.05),
    node('pump', 0.1),
  ],
  links: [
    link('core-low', 'port-low', 'low', 1.8, 0.015, 'metal'),
    link('core-high', 'port-high', 'high', 1.8, 0.015, 'metal'),
    link('suction', 'low', 'evap', 10, 1, 'metal'),
    link('orifice', 'evap', 'cond', 1.5, 0.04, 'metal'),
    link('liquid', 'cond', 'high', 8, 1, 'metal'),
    link('hose-low', 'manifold', 'port-low', 4.8, 1.5, 'rubber-old'),
    link('hose-high', 'manifold', 'port-high', 4.8, 1.5, 'rubber-old'),
    link('hose-pump', 'manifold', 'pump', 4.8, 1.5, 'rubber-old'),
  ],
  pump: { at: 'pump', speed_cfm: 5, ultimate_micron: 40, ballast: false },
  gauges: [{ id: 'far', at: 'high', kind: 'electronic' }],
  sources: {
    leaks: [{ at: 'high', air_Pa_m3_s: 1e-5 }],
    water: [{ at: 'evap', grams: 1 }],
    bound: [{ at: 'low', grams: 0.5, tau_s: 1800 }],
  },
})
