import { MINUTE_MS } from '../units/constants'
import type { Minutes } from './day'
import type { ShopPlan } from './plan-shop'

/** Changes of a car's end shorter than this are not worth a word, min. */
const WORTH: Minutes = 3

/** How much later each car is done by another plan, min; below zero sooner. The longest first, later before sooner. */
export function priceOf(before: ShopPlan, after: ShopPlan): { car: string; laterMin: Minutes }[] {
  const shift = (after.madeMs - before.madeMs) / MINUTE_MS
  return Object.entries(after.ends)
    .flatMap(([car, { p50 }]) => {
      const was = before.ends[car]?.p50
      const laterMin = was === undefined ? 0 : p50 + shift - was
      return Math.abs(laterMin) >= WORTH ? [{ car, laterMin }] : []
    })
    .sort((a, b) => b.laterMin - a.laterMin)
}

/** What everybody is told of a new plan: cars that are done so much later or sooner than the one before said. */
export const TOLD_FROM: Minutes = 10

export const toldOf = (before: ShopPlan, after: ShopPlan): { car: string; laterMin: Minutes }[] =>
  priceOf(before, after).filter(({ laterMin }) => Math.abs(laterMin) > TOLD_FROM)
