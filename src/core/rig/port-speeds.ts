import type { Rig } from '../job/written'
import { PA_PER_MICRON } from '../units/constants'
import { composeRig } from './compose'
import { FREE_VOLUME_L } from './free-volume'
import { RigFile } from './rig-file'
import { simulate } from './simulate'

/** Depths at which a rig's speed is told: the air of the place, and two in micron. */
export const SPEED_DEPTHS_MICRON = [5000, 500] as const

/** Effective speed at one port and one depth, m3/s, and its share of the pump's catalogue speed. */
export type PortSpeed = {
  port: 'low' | 'high'
  depth: 'air' | (typeof SPEED_DEPTHS_MICRON)[number]
  speedM3S: number
  share: number
}

/** Standing in for the car at each port: so large that its pressure stays while the rig settles, L and s. */
const CAR_L = 1000
const SETTLING_S = 5

/**
 * Effective speed at the car's ports: what flows out of the car towards the pump over the pressure there, with dry air
 * and all valves open. Both ports pull at once and share the pump.
 * @param rig - as put together
 * @param barometerPa - air of the place, Pa
 * @see model.md section 4, effective speed
 */
export function portSpeeds(rig: Rig, ambientC: number, barometerPa: number): PortSpeed[] {
  const composed = composeRig({
    car: { volumeL: FREE_VOLUME_L[1], evaporators: 1 },
    rig,
    ambientC,
    barometerPa,
    water: { liquidG: 0, boundG: 0 },
  })
  const ports = rig.hoses === 2 ? (['low', 'high'] as const) : (['low'] as const)
  const kept = new Set<string>([...ports, 'port-low', 'port-high', 'manifold', 'pump'])
  const catalogue = rig.pumpM3S
  return (['air', ...SPEED_DEPTHS_MICRON] as const).flatMap((depth) => {
    const pressure = depth === 'air' ? barometerPa : depth * PA_PER_MICRON
    const file = RigFile.parse({
      ...composed,
      nodes: composed.nodes
        .filter((n) => kept.has(n.id))
        .map((n) => (n.id === 'low' || n.id === 'high' ? { ...n, volume_L: CAR_L } : n)),
      links: composed.links.filter((l) => kept.has(l.from) && kept.has(l.to)),
      gauges: [],
      sources: undefined,
      start: { pressure_Pa: pressure, relative_humidity: 0 },
    })
    const run = simulate(file, { seconds: SETTLING_S, everyS: SETTLING_S })
    return ports.map((port) => {
      const speedM3S = run.effectiveSpeedM3S[run.nodes.indexOf(port)] as number
      return { port, depth, speedM3S, share: speedM3S / catalogue }
    })
  })
}
