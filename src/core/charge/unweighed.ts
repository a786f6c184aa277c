import { saturatedDensities } from '../fluids/refrigerant'
import type { Refrigerant } from '../fluids/refrigerants'
import { VOLUME_ML_PER_NET_G } from './plan'

/** What a full can brings into a car when nobody weighs it, g: the middle, and the ends of 95 %. */
export type CanGives = { middleG: number; lowG: number; highG: number }

/** Makers fill a can to its label within this share, one deviation (assumed). */
const FILL_SHARE = 0.01
/**
 * A can that gave its liquid is colder than the air: its vapour is so much of a saturated one's at ambient (assumed).
 */
const HEEL_SHARE = [0.45, 1] as const
/**
 * Liquid a hand leaves that takes a quiet can for an empty one, g: the middle, and what nine in ten stay under
 * (assumed).
 */
const LEFT_G = { middle: 5, spread: 6 }
/** A purge nobody weighed, g (practice: a short hiss). */
const PURGE_G = [2, 7] as const
/** Ends of 95 % of what is summed here, in deviations: the pieces are skewed, so a little more than the normal's. */
const ENDS = 2.2

/**
 * What `count` whole cans bring, counted and not weighed. Cans of one lot share half of what their filling is off.
 * @param netG - what a can's label says is in it, g
 * @throws OutOfRange when the ambient is outside the refrigerant's table
 */
export function cansGive(count: number, netG: number, refrigerant: Refrigerant, ambientC: number): CanGives {
  const fullVapourG = ((netG * VOLUME_ML_PER_NET_G) / 1000) * saturatedDensities(refrigerant, ambientC).vapourKgM3
  const heelG = (fullVapourG * (HEEL_SHARE[0] + HEEL_SHARE[1])) / 2
  const purgeG = (PURGE_G[0] + PURGE_G[1]) / 2
  const middleG = count * (netG - heelG - LEFT_G.middle - purgeG)
  const uniform = (from: number, to: number) => (to - from) / Math.sqrt(12)
  const own = Math.hypot(
    FILL_SHARE * netG * Math.SQRT1_2,
    uniform(fullVapourG * HEEL_SHARE[0], fullVapourG * HEEL_SHARE[1]),
    LEFT_G.spread,
    uniform(...PURGE_G),
  )
  const shared = FILL_SHARE * netG * Math.SQRT1_2
  const half = ENDS * Math.hypot(Math.sqrt(count) * own, count * shared)
  return { middleG, lowG: Math.max(0, middleG - half), highG: middleG + half }
}

/** What counting whole cans comes to against what a label allows. */
export type CountSays = 'lands' | 'may-miss' | 'short' | 'over'
export function countAgainst({ lowG, highG }: CanGives, targetG: number, allowsG: number): CountSays {
  if (highG < targetG - allowsG) return 'short'
  if (lowG > targetG + allowsG) return 'over'
  return lowG >= targetG - allowsG && highG <= targetG + allowsG ? 'lands' : 'may-miss'
}
