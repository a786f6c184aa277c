import type { HoldResult, Verdict } from '../hold/types'
import { W } from '../language/call/finding'

/** A finding is not called before this, s: equalising gas bends too (assumed). */
const FOUND_AFTER_S = 600
export const FOUND_WORDS = {
  leak: W.itLeaks,
  damp: W.itIsDamp,
  'leak-and-damp': W.itLeaksAndIsDamp,
  wet: W.itIsDampForCertain,
}
/** From this much on water is certain, whatever stays open about a leak: it has to come out first (assumed). */
const CERTAINLY_DAMP = 0.95

/** What a running hold has found that waiting will not take away; undefined while nothing is. */
export const findingOf = (judged: HoldResult): keyof typeof FOUND_WORDS | undefined =>
  judged.heldS >= FOUND_AFTER_S ? foundBy(judged.verdict, judged.probability.damp) : undefined

export function foundBy(verdict: Verdict, damp: number): keyof typeof FOUND_WORDS | undefined {
  if (verdict === 'leak' || verdict === 'damp' || verdict === 'leak-and-damp') return verdict
  return verdict === 'undecided' && damp >= CERTAINLY_DAMP ? 'wet' : undefined
}
