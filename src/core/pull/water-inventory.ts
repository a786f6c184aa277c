import type { JobOpened } from '../job/events'

/** Ranges of liquid water by the story of the job, g, 5 to 95 % of a lognormal (assumed, model.md section 8). */
const LIQUID_G: Record<JobOpened['story']['opened'], [low: number, high: number]> = {
  nothing: [0.005, 0.05],
  'cap-or-core': [0.02, 0.2],
  component: [0.1, 1],
  overnight: [0.5, 3],
  days: [2, 10],
}
/** Bound water when the drier stayed in after an opening, g. */
const OLD_DRIER_G: [number, number] = [1, 5]
/** Standard normal at 95 %. */
export const Z95 = 1.644854

export type Water = { liquidG: number; boundG: number }

/** Median of a lognormal given by its 5 and 95 % points. */
const median = ([low, high]: [number, number]): number => Math.sqrt(low * high)

function drawn([low, high]: [number, number], normal: number): number {
  return median([low, high]) * Math.exp((Math.log(high / low) / (2 * Z95)) * normal)
}

const hasBound = (story: JobOpened['story']): boolean => story.opened !== 'nothing' && !story.drierReplaced

/** Liquid water 9 of 10 cars with this story have, g: from the least to the most. */
export const liquidRangeG = (opened: JobOpened['story']['opened']): readonly [low: number, high: number] =>
  LIQUID_G[opened]

/** What 9 of 10 cars with this story have at most, g of liquid water. */
export const mostLiquidG = (story: JobOpened['story']): number => LIQUID_G[story.opened][1]

/** What 9 of 10 cars whose drier stayed in have at most, g of bound water; none where it was never open or is new. */
export const mostBoundG = (story: JobOpened['story']): number => (hasBound(story) ? OLD_DRIER_G[1] : 0)

/** The middle of what the story suggests, g. */
export function medianWater(story: JobOpened['story']): Water {
  return { liquidG: median(LIQUID_G[story.opened]), boundG: hasBound(story) ? median(OLD_DRIER_G) : 0 }
}

/**
 * One draw of the water inside.
 * @param normals - two independent standard normal numbers
 */
export function drawWater(story: JobOpened['story'], normals: readonly [number, number]): Water {
  return {
    liquidG: drawn(LIQUID_G[story.opened], normals[0]),
    boundG: hasBound(story) ? drawn(OLD_DRIER_G, normals[1]) : 0,
  }
}
