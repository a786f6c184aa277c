import { W } from '../language/charge/life'
import { DAYS_A_YEAR } from '../units/constants'

/**
 * How long a charge lasts with a known leak until it is short of what the label allows, days.
 * @param insideG - what is charged, g
 * @param leastG - what the label allows at least, g
 * @param gramsPerYear - the leak; none lasts for ever
 */
export function daysUntilShort(insideG: number, leastG: number, gramsPerYear: number): number {
  if (gramsPerYear <= 0) return Number.POSITIVE_INFINITY
  return (Math.max(0, insideG - leastG) / gramsPerYear) * DAYS_A_YEAR
}

/** The same as people say it. */
export function lifeWords(days: number): string {
  if (!Number.isFinite(days) || days > 20 * DAYS_A_YEAR) return W.manyYears
  if (days < 1) return W.lessThanADay
  if (days < 60) return W.days(Math.round(days))
  return days < 2 * DAYS_A_YEAR ? W.months(Math.round(days / 30.4)) : W.years(Math.round(days / DAYS_A_YEAR))
}
