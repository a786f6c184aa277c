import type { Verdict } from '../hold/types'

/** A verdict as the call says it when no car stands behind it. */
export const FOUND_SENTENCES: Record<Verdict, string> = {
  tight: 'Tight.',
  damp: 'Damp.',
  leak: 'It leaks.',
  'leak-and-damp': 'It leaks, and it is damp.',
  undecided: 'Undecided.',
  invalid: 'Cannot be judged.',
}
