import type { JobState } from '../job/state'
import { DAYS_A_YEAR } from '../units/constants'

/** What a car lost by its last charge and what was recovered from it. */
export type Loss = { grams: number; days: number; gramsPerYear: number }

/**
 * The loss a job's history shows; null without the figures, or when it was charged within a day. A car that has more
 * than it was given lost nothing.
 */
export function lossOf(state: JobState): Loss | null {
  const { daysSinceCharge: days, lastChargeG } = state.opened.history
  if (days === null || days < 1 || lastChargeG === null || state.recoveredG === undefined) return null
  const grams = Math.max(0, lastChargeG - state.recoveredG)
  return { grams, days, gramsPerYear: (grams / days) * DAYS_A_YEAR }
}
