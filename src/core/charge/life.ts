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
  if (!Number.isFinite(days) || days > 20 * DAYS_A_YEAR) return 'many years'
  if (days < 1) return 'less than a day'
  if (days < 60) return `${Math.round(days)} days`
  return days < 2 * DAYS_A_YEAR ? `${Math.round(days / 30.4)} months` : `${Math.round(days / DAYS_A_YEAR)} years`
}
