import { DAYS_A_YEAR } from '../units/constants'
import type { Finding } from './finding'
import { reasonWords } from './reason-words'
import type { HoldResult } from './types'

/** A car's own loss beside what the hold found; words in the usual units. */
export type Agreement = { gramsPerYear: number; says: Says; finding: Finding; words: string }
type Says = 'agree' | 'not-both' | 'unknown'

/** It held, and what it lost by its history would have shown. */
export const LOST_UNSEEN = 'lost-would-have-shown'

/** Found and lost may differ by so much and still be one hole: viscous or molecular, warm or cold days (assumed). */
const APART = 3

/**
 * Whether the loss a car's history shows and the hold's finding can both be true.
 * @param gramsLost - since the last known charge
 */
export function historyAgainst(result: HoldResult, gramsLost: number | null, days: number | null): Agreement | null {
  if (gramsLost === null || days === null || days <= 0) return null
  const lostG = (gramsLost / days) * DAYS_A_YEAR
  const says = (kind: Says, code: string, more: Finding['of'] = {}): Agreement => {
    const finding = { code, of: { lostG, ...more } }
    return { gramsPerYear: lostG, says: kind, finding, words: reasonWords(finding) }
  }
  if (result.verdict === 'undecided' || result.verdict === 'invalid') return says('unknown', 'lost-not-said-yet')
  if (result.verdict === 'tight' || result.verdict === 'damp') {
    const limit = result.detectionLimitGramsPerYear?.high ?? Number.POSITIVE_INFINITY
    if (lostG > APART * limit) return says('not-both', LOST_UNSEEN)
    return lostG < limit ? says('unknown', 'lost-less-than-shows') : says('agree', 'lost-mended')
  }
  const { low, high } = result.leakGramsPerYear ?? { low: 0, high: Number.POSITIVE_INFINITY }
  if (lostG >= low / APART && lostG <= high * APART)
    return says('agree', 'lost-agrees', { lowG: low, highG: Math.min(high, Number.MAX_VALUE) })
  return says('not-both', lostG > high ? 'lost-more-than-found' : 'lost-less-than-found')
}
