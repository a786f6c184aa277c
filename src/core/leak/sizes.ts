import { lossOf } from '../hold/loss'
import { currentHold, type JobState } from '../job/state'

/** A loss told over fewer days than this is no rate, days. */
export const LOST_CHARGE_DAYS = 2
/** A leak nobody has a figure of, g a year (assumed: a charge in two to three years). */
const USUAL_G = 200
/**
 * The worst case of a hold lies so many times above the middle of its interval (found: molecular to viscous is about
 * 20).
 */
const WORST_OVER_MIDDLE = 4

/** The leak that is looked for, g a year: by the car's own loss, by the hold that leaked, or a usual one. */
export function soughtGramsPerYear(state: JobState): { gramsPerYear: number; by: 'loss' | 'hold' | 'assumed' } {
  const loss = lossOf(state)
  if (loss && loss.grams > 0 && loss.days >= LOST_CHARGE_DAYS) return { gramsPerYear: loss.gramsPerYear, by: 'loss' }
  const worst = currentHold(state)?.ended?.leakGramsPerYear
  if (worst !== undefined && worst !== null && worst > 0) return { gramsPerYear: worst / WORST_OVER_MIDDLE, by: 'hold' }
  return { gramsPerYear: USUAL_G, by: 'assumed' }
}
