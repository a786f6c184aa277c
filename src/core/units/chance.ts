import { W } from '../language/units/chance'
/**
 * A probability as people read it; never a certainty, in either direction.
 * @param chance - 0 to 1
 * @returns such as `97 %`, `under 1 %` or `over 99 %`
 */
export function chanceWords(chance: number): string {
  if (chance < 0.005) return W.under1
  return chance >= 0.995 ? W.over99 : `${Math.round(100 * chance)} %`
}

/** A sum of weights as a chance: what rounding leaves beyond 0 or 1 is cut off. */
export const asChance = (sum: number): number => Math.min(1, Math.max(0, sum))
