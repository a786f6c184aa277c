import { waterSaturationPa } from '../fluids/water'
import type { HoldContext, HoldSample } from '../hold/types'
import { GAS_CONSTANT, PA_PER_MICRON, WATER_KG_MOL } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { kelvin } from '../units/temperature'

/**
 * A car of two sides joined by its expansion device, pulled and shut in, with its water and its leak: model.md section
 * 4 by other means than the rig's integrator (two nodes, each process exact or implicit over a quarter of a second), so
 * that the judge is not tested on what it was made with. Volumes m3, pressures Pa, masses g, times s.
 */
export type TwoSides = {
  volumesM3: [number, number]
  /** time in which the sides meet */
  meetS: number
  ambientC: number
  pool: { grams: number; side: 0 | 1 } | null
  bound: { grams: number; tauS: number; side: 0 | 1 }[]
  leakPaM3S: number
  pullS: number
  pumpM3S: number
  holdS: number
  everyS: number
}

const STEP_S = 0.25
const EVAPORATION_M3_S = 0.5e-3
const PUMP_FLOOR_PA = 2
const LEAST_WETTED_G = 20

const logBetween = (random: () => number, low: number, high: number): number => low * (high / low) ** random()

/** A car of one kind of water, drawn by its seed. */
export function twoSides(seed: number, kind: 'pool' | 'one' | 'two' | 'dry', leakPaM3S = 0): TwoSides {
  const random = seededRandom(seed * 104_729 + kind.length * 31 + kind.charCodeAt(0))
  for (let i = 0; i < 5; i++) random()
  const litres = 1.5 + 4.5 * random()
  const share = 0.3 + 0.4 * random()
  const side = (): 0 | 1 => (random() < 0.5 ? 0 : 1)
  const bound = () => ({ grams: logBetween(random, 0.03, 2), tauS: logBetween(random, 300, 3000), side: side() })
  const base = {
    volumesM3: [(litres * share) / 1000, (litres * (1 - share)) / 1000] as [number, number],
    meetS: logBetween(random, 5, 120),
    ambientC: 6 + 28 * random(),
    pullS: Math.round(60 * (10 + 50 * random())),
    pumpM3S: 1e-3 * logBetween(random, 0.1, 1),
    holdS: 60 * ([10, 15, 20, 30, 30, 45, 60, 90][Math.floor(8 * random())] as number),
    everyS: [1, 2, 5, 10][Math.floor(4 * random())] as number,
    leakPaM3S,
  }
  return {
    ...base,
    pool: kind === 'pool' ? { grams: logBetween(random, 0.05, 2), side: side() } : null,
    bound: kind === 'one' ? [bound()] : kind === 'two' ? [bound(), bound()] : [],
  }
}

/** The pressure at the first side from isolation on, at every sample, without noise, Pa. */
export function heldPa(car: TwoSides): number[] {
  const roomK = kelvin(car.ambientC)
  const saturationPa = waterSaturationPa(roomK)
  const vapour: [number, number] = [0.4 * saturationPa, 0.4 * saturationPa]
  const air: [number, number] = [1e5, 1e5]
  const pool = { grams: car.pool?.grams ?? 0, side: car.pool?.side ?? 0, K: roomK }
  const bound = car.bound.map((b) => ({ ...b, left: b.grams }))
  const out: number[] = []
  const gramsOf = (flow: number) => ((flow * WATER_KG_MOL) / (GAS_CONSTANT * roomK)) * 1000 * STEP_S
  for (let step = 0; step * STEP_S <= car.pullS + car.holdS; step++) {
    const heldS = step * STEP_S - car.pullS
    if (heldS >= 0 && heldS % car.everyS === 0) out.push(vapour[0] + air[0])
    const flow: [number, number] = [0, 0]
    if (pool.grams > 0) {
      const volume = car.volumesM3[pool.side]
      const wanted =
        (EVAPORATION_M3_S * (waterSaturationPa(Math.max(200, pool.K)) - vapour[pool.side])) /
        (1 + (EVAPORATION_M3_S * STEP_S) / volume)
      const given = Math.min(wanted, pool.grams / gramsOf(1))
      const grams = gramsOf(given)
      pool.grams -= grams
      pool.K += (0.4 * (roomK - pool.K) * STEP_S - 2500 * grams) / (4.19 * Math.max(pool.grams, LEAST_WETTED_G))
      flow[pool.side] += given
    }
    for (const b of bound) {
      const given =
        ((b.grams / 1000) * GAS_CONSTANT * roomK * Math.max(0, b.left / b.grams - vapour[b.side] / saturationPa)) /
        (WATER_KG_MOL * b.tauS)
      b.left -= gramsOf(given)
      flow[b.side] += given
    }
    for (const gas of [vapour, air]) meet(gas, car)
    for (const side of [0, 1] as const) vapour[side] += (flow[side] * STEP_S) / car.volumesM3[side]
    air[1] += (car.leakPaM3S * STEP_S) / car.volumesM3[1]
    if (heldS >= 0) continue
    const left = Math.exp((-car.pumpM3S * STEP_S) / car.volumesM3[0])
    vapour[0] *= left
    air[0] = Math.max(PUMP_FLOOR_PA, air[0] * left)
  }
  return out
}

/** Both sides go towards each other, exactly over a step. */
function meet(gas: [number, number], { volumesM3: [a, b], meetS }: TwoSides): void {
  const moved = ((gas[0] - gas[1]) * (1 - Math.exp(-STEP_S / meetS))) / (1 / a + 1 / b)
  gas[0] -= moved / a
  gas[1] += moved / b
}

/** What an electronic gauge shows of it: lag, noise that lasts, steps coarser higher up, a limit. */
export function readBy(seed: number, car: TwoSides): HoldSample[] {
  const random = seededRandom(seed)
  const [share, floorPa, lastsS] = [
    0.004 + 0.008 * random(),
    (1 + 2 * random()) * PA_PER_MICRON,
    logBetween(random, 1, 20),
  ]
  let z = normalPair(random)[0]
  let lagged = 0
  return heldPa(car).map((pa, i) => {
    const phi = Math.exp(-car.everyS / lastsS)
    z = phi * z + Math.sqrt(1 - phi * phi) * normalPair(random)[0]
    lagged = i === 0 ? pa : lagged + (pa - lagged) * (1 - Math.exp(-car.everyS))
    const micron = (lagged + Math.hypot(share * lagged, floorPa) * z) / PA_PER_MICRON
    const step = micron < 200 ? 1 : micron < 1000 ? 2 : micron < 5000 ? 10 : 100
    return {
      elapsedS: i * car.everyS,
      pressurePa: Math.min(25_000, Math.max(1, Math.round(micron / step) * step)) * PA_PER_MICRON,
    }
  })
}

export const contextOf = (car: TwoSides): HoldContext => ({
  volumeL: (car.volumesM3[0] + car.volumesM3[1]) * 1000,
  instrument: 'electronic',
  resolutionPa: PA_PER_MICRON,
  noiseFraction: 0.01,
  ambientC: car.ambientC,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  plannedS: car.holdS,
  hosesIncluded: false,
})
