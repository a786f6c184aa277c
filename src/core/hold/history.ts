import { DAYS_A_YEAR } from '../units/constants'
import type { HoldResult } from './types'

/** A car's own loss beside what the hold found. */
export type Agreement = { gramsPerYear: number; says: 'agree' | 'not-both' | 'unknown'; words: string }

/** Found and lost may differ by so much and still be one hole: viscous or molecular, warm or cold days (assumed). */
const APART = 3

/**
 * Whether the loss a car's history shows and the hold's finding can both be true.
 * @param gramsLost - since the last known charge
 */
export function historyAgainst(result: HoldResult, gramsLost: number | null, days: number | null): Agreement | null {
  if (gramsLost === null || days === null || days <= 0) return null
  const gramsPerYear = (gramsLost / days) * DAYS_A_YEAR
  const lost = `It lost about ${Math.round(gramsPerYear)} g a year`
  if (result.verdict === 'undecided' || result.verdict === 'invalid')
    return { gramsPerYear, says: 'unknown', words: `${lost}; this hold has not said yet whether it still does.` }
  if (result.verdict === 'tight' || result.verdict === 'damp') {
    const limit = result.detectionLimitGramsPerYear?.high ?? Number.POSITIVE_INFINITY
    if (gramsPerYear > APART * limit) {
      return {
        gramsPerYear,
        says: 'not-both',
        words: `${lost}, and this hold would have shown it. What is left to suspect: a valve core under its coupler, seals that hold against a vacuum and leak under pressure, or what was mended.`,
      }
    }
    return {
      gramsPerYear,
      says: gramsPerYear < limit ? 'unknown' : 'agree',
      words: gramsPerYear < limit ? `${lost}, less than this hold can show.` : `${lost}; mended since, by this hold.`,
    }
  }
  const { low, high } = result.leakGramsPerYear ?? { low: 0, high: Number.POSITIVE_INFINITY }
  if (gramsPerYear >= low / APART && gramsPerYear <= high * APART)
    return {
      gramsPerYear,
      says: 'agree',
      words: `${lost}, and the hole found here would lose between ${Math.round(low)} and ${Math.round(high)}.`,
    }
  return gramsPerYear > high
    ? {
        gramsPerYear,
        says: 'not-both',
        words: `${lost}, more than the hole found here explains: there is another, or it leaks under pressure only.`,
      }
    : {
        gramsPerYear,
        says: 'not-both',
        words: `${lost}, less than the hole found here would lose: it is new, or it is in the hoses.`,
      }
}
