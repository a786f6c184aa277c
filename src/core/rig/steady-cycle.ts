import { saturationPa } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import { kelvin } from '../units/temperature'

/** A running air conditioner after it has settled. Pressures Pa absolute, Celsius. */
export type SteadyCycle = { engaged: boolean; lowPa: number; highPa: number; ventC: number }

export type CycleInput = {
  refrigerant: Refrigerant
  ambientC: number
  /** relative humidity of the air, 0 to 1 */
  humidity: number
  /** charge in the car as a share of what it should hold */
  chargeShare: number
  /** pressure at rest, Pa absolute: below the switch's threshold the compressor stays off */
  restPa: number
  switchGood: boolean
  /** how much of the expansion device is blocked, 0 to 1 */
  blocked?: number
}

/**
 * The low-pressure switch lets the compressor run from about this, Pa absolute (assumed, 200 kPa above the air at sea
 * level).
 */
const SWITCH_CLOSES_PA = 300_000

/** A device that is blocked whole leaves so little of the low side, and carries so much less heat, K (assumed). */
const BLOCKED_TAKES = 0.9
const BLOCKED_COOLS_K = 8
const BLOCKED_WARMS_K = 20

/**
 * Low side, high side and vent from the heat that has to be carried: evaporating rises with the load, condensing with
 * load and charge. Linear laws around the ranges of model.md section 10 (condensing at ambient +15 to +30 K,
 * evaporating at -2 to +10 C, vent 4 to 10 K above it), all assumed.
 * @returns with `engaged` false: both sides at rest and the vent at ambient
 */
export function steadyCycle({
  refrigerant,
  ambientC,
  humidity,
  chargeShare,
  restPa,
  switchGood,
  blocked = 0,
}: CycleInput): SteadyCycle {
  if (!switchGood || restPa < SWITCH_CLOSES_PA)
    return { engaged: false, lowPa: restPa, highPa: restPa, ventC: ambientC }
  // load from dry to humid and from cool to hot, 0 to 1
  const load = Math.min(1, Math.max(0, 0.35 + (ambientC - 25) / 40 + (humidity - 0.5) * 0.6))
  const short = Math.max(0, 1 - chargeShare)
  const over = Math.max(0, chargeShare - 1.05)
  const evaporatingC = Math.max(-26, 9 * load - 26 * short + 12 * over)
  const condensingC = Math.min(90, Math.max(ambientC + 3, ambientC + 18 + 11 * load - 22 * short + 60 * over))
  const starved = 60 * Math.max(0, short - 0.1)
  return {
    engaged: true,
    lowPa: (1 - BLOCKED_TAKES * blocked) * saturationPa(refrigerant, kelvin(evaporatingC)),
    highPa: saturationPa(refrigerant, kelvin(Math.max(ambientC + 3, condensingC - BLOCKED_COOLS_K * blocked))),
    ventC: Math.min(ambientC, evaporatingC + 5 + 4 * load + starved + 10 * over + BLOCKED_WARMS_K * blocked),
  }
}
