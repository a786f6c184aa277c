import type { Verdict } from '../hold/types'
import { W } from '../language/call/found-sentences'

/** A verdict as the call says it when no car stands behind it. */
export const FOUND_SENTENCES: Record<Verdict, string> = {
  tight: W.tight,
  damp: W.damp,
  leak: W.itLeaks,
  'leak-and-damp': W.itLeaksAndItIs,
  undecided: W.undecided,
  invalid: W.cannotBeJudged,
}
