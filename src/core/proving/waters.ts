import type { RigFile } from '../rig/rig-file'

/** Water of a record: what a rig file says of it, and how far a wet place warms while it is held. */
export type Water = Pick<RigFile['sources'], 'water' | 'bound'> & {
  /** place that warms, by so many kelvin, and with what time constant, s */
  warms: { at: string; kelvin: number; tauS: number } | null
}

export const NO_WATER: Water = { water: [], bound: [], warms: null }

/** Grams of pools and of bound water, time constants in s: as wide as cars are (model.md section 4). */
const POOL_G = [0.01, 2] as const
const BOUND_G = [0.03, 2] as const
const TAU_S = [300, 3000] as const
/** Kinds of water in so many of a hundred wet cars: pools, and bound sources. */
const KINDS = [
  { of: 25, pools: 0, bound: 1 },
  { of: 25, pools: 0, bound: 2 },
  { of: 7, pools: 0, bound: 3 },
  { of: 25, pools: 1, bound: 0 },
  { of: 15, pools: 1, bound: 1 },
  { of: 3, pools: 2, bound: 0 },
] as const
const WEIGHED_KINDS = KINDS.flatMap((k) => Array<(typeof KINDS)[number]>(k.of).fill(k))
/** A wet place warms while it is held in so many of a hundred, by so much, K, with such a time constant, s. */
const WARMS = 12
const WARMS_K = [1, 8] as const
const WARMS_TAU_S = [600, 3000] as const

/**
 * Water of a wet car, drawn: pools and bound sources, each at one of the places, on either side of the expansion
 * device.
 */
export function drawWater(random: () => number, places: readonly string[]): Water {
  const between = ([low, high]: readonly [number, number]) => low * (high / low) ** random()
  const place = () => places[Math.floor(random() * places.length)] as string
  const kind = WEIGHED_KINDS[Math.floor(random() * WEIGHED_KINDS.length)] as (typeof KINDS)[number]
  const water = Array.from({ length: kind.pools }, () => ({ at: place(), grams: between(POOL_G) }))
  const bound = Array.from({ length: kind.bound }, () => ({
    at: place(),
    grams: between(BOUND_G),
    tau_s: between(TAU_S),
  }))
  const wet = [...water, ...bound][0]
  const warms =
    100 * random() < WARMS && wet ? { at: wet.at, kelvin: between(WARMS_K), tauS: between(WARMS_TAU_S) } : null
  return { water, bound, warms }
}
