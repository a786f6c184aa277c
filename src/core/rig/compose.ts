import { asWritten, type Rig } from '../job/written'
import { CUBIC_METRES_S_PER_CFM, METRES_PER_MM, PA_PER_MICRON } from '../units/constants'
import { RigFile } from './rig-file'

/** A car as the planner sees it. */
export type CarVolume = { volumeL: number; evaporators: 1 | 2 }

export type Composed = {
  car: CarVolume
  rig: Rig
  ambientC: number
  barometerPa: number
  /** liquid water at the farthest evaporator, g, and water bound in oil and drier, g */
  water: { liquidG: number; boundG: number }
  leakPaM3S?: number
  options?: RigOptions
}

/** Changes to a rig that a what-if asks about. */
export type RigOptions = {
  coresOut?: boolean
  boreM?: number
  secondHose?: boolean
  warmerK?: number
  ballast?: boolean
  ultimatePa?: number
  idealLink?: string
}

/**
 * Hoses up to this bore are charging hoses through a manifold with a centre hose, and leave the cores in; wider ones
 * run straight from core tools, m (assumed).
 */
const CHARGING_HOSE_M = 0.006
/** A valve core left in is a short narrow tube, mm and m (model.md section 4; formats.md). */
const CORE = { bore_mm: 1.8, length_m: 0.015 }
/** Expansion device and pipes of a car, mm and m (assumed). */
const EXPANSION = { bore_mm: 1.5, length_m: 0.04 }
const SUCTION_PIPE = { bore_mm: 12, length_m: 0.8 }
const REAR_PIPE = { bore_mm: 10, length_m: 3 }
const BOUND_TAU_S = 1800
/** Standing in for a link that costs nothing. */
const IDEAL = { bore_mm: 60, length_m: 0.02 }

/** A rig file is written in the units its makers' plates have. */
const inMm = (m: number): number => asWritten(m / METRES_PER_MM)

/** True when a rig of this bore goes through a manifold and leaves the cores in. */
export const throughManifold = (rig: Rig): boolean => rig.boreM <= CHARGING_HOSE_M

/** Kind of the hoses to the car: as said, else charging hoses are taken for old rubber, wide ones for new (assumed). */
export const hoseKindOf = (rig: Rig) => rig.hoseKind ?? (throughManifold(rig) ? 'rubber-old' : 'barrier-new')

/** Where the farthest gauge stands. */
export const farNode = (car: CarVolume): string => (car.evaporators === 2 ? 'rear' : 'evaporator')

/**
 * The network of a rig on a car: suction side, evaporators, discharge side, ports, hoses, pump.
 * @returns a rig file as `pulldown` takes it
 */
export function composeRig({ car, rig, ambientC, barometerPa, water, leakPaM3S, options = {} }: Composed): RigFile {
  const charging = throughManifold(rig)
  const cored = (rig.cores ?? (charging ? 'in' : 'out')) === 'in'
  const bore = inMm(options.boreM ?? rig.boreM)
  const coresIn = cored && !options.coresOut
  const wetC = ambientC + (options.warmerK ?? 0)
  const both = rig.hoses === 2 || options.secondHose === true
  const kind = hoseKindOf(rig)
  const hose = { bore_mm: bore, length_m: rig.lengthM, kind }
  const other = (own: Rig['pumpHose']) =>
    own && { bore_mm: inMm(options.boreM ?? own.boreM), length_m: own.lengthM, kind: own.kind }
  const core = coresIn ? CORE : { bore_mm: bore, length_m: 0.05 }
  const share =
    car.evaporators === 2
      ? { low: 0.25, evaporator: 0.2, rear: 0.2, high: 0.35 }
      : { low: 0.3, evaporator: 0.25, rear: 0, high: 0.45 }
  const node = (id: string, volume_L: number, temperature_C = ambientC) => ({ id, volume_L, temperature_C })
  const links = [
    { id: 'suction', from: 'low', to: 'evaporator', ...SUCTION_PIPE, kind: 'metal' },
    { id: 'expansion', from: 'evaporator', to: 'high', ...EXPANSION, kind: 'metal' },
    ...(car.evaporators === 2
      ? [{ id: 'rear-pipe', from: 'evaporator', to: 'rear', ...REAR_PIPE, kind: 'metal' }]
      : []),
    { id: 'core-low', from: 'low', to: 'port-low', ...core, kind: 'metal' },
    { id: 'hose-low', from: 'port-low', to: 'manifold', ...hose },
    ...(both
      ? [
          { id: 'core-high', from: 'high', to: 'port-high', ...core, kind: 'metal' },
          { id: 'hose-high', from: 'port-high', to: 'manifold', ...(other(rig.highHose) ?? hose) },
        ]
      : []),
    {
      id: 'hose-pump',
      from: 'manifold',
      to: 'pump',
      ...(other(rig.pumpHose) ?? { ...hose, length_m: charging ? rig.lengthM : 0.1 }),
    },
  ]
  const ideal = options.idealLink
  return RigFile.parse({
    nodes: [
      node('low', car.volumeL * share.low),
      node('evaporator', car.volumeL * share.evaporator, wetC),
      ...(car.evaporators === 2 ? [node('rear', car.volumeL * share.rear, wetC)] : []),
      node('high', car.volumeL * share.high),
      node('port-low', 0.01),
      ...(both ? [node('port-high', 0.01)] : []),
      node('manifold', 0.03),
      node('pump', 0.05),
    ],
    links: links.map((l) => (ideal !== undefined && l.id.startsWith(ideal) ? { ...l, ...IDEAL, kind: 'metal' } : l)),
    pump: {
      at: 'pump',
      speed_cfm: asWritten(rig.pumpM3S / CUBIC_METRES_S_PER_CFM),
      ultimate_micron: asWritten((options.ultimatePa ?? rig.ultimatePa) / PA_PER_MICRON),
      ballast: options.ballast ?? false,
    },
    gauges: [
      { id: 'far', at: farNode(car), kind: rig.gauge },
      { id: 'pump', at: 'pump', kind: 'electronic' },
    ],
    sources: {
      leaks: leakPaM3S ? [{ at: 'high', air_Pa_m3_s: leakPaM3S }] : [],
      water: water.liquidG > 0 ? [{ at: farNode(car), grams: water.liquidG }] : [],
      bound: water.boundG > 0 ? [{ at: 'low', grams: water.boundG, tau_s: BOUND_TAU_S }] : [],
    },
    barometer_Pa: barometerPa,
    ambient_C: wetC,
  })
}
