import { DAY_MS, DAYS_A_YEAR } from '../units/constants'
import type { CarVisit } from './car-visit'

/** What a car lost between a charge and what it brought the next time; grams and grams a year with 95 %. */
export type CarLoss = {
  fromAt: string
  toAt: string
  days: number
  gramsLost: number
  gramsPerYear: { value: number; low: number; high: number }
  /** something was renewed or mended at the visit this loss began with */
  afterRepair: boolean
}

/** A recovery leaves some in the car and in the oil: how far off what it weighs may be, g at 95 % (assumed). */
const RECOVERY_DOUBT_G = 30
/** A span shorter than this says nothing of a year, days (assumed). */
const LEAST_DAYS = 14
const Z95 = 1.959964
/** Standard normal at nine of ten. */
const Z90 = 1.281552

/** Every charge and the recovery after it as a loss, oldest first. @param visits - of one car, oldest first */
export function lossesOf(visits: readonly LossVisit[]): CarLoss[] {
  return visits.flatMap((visit, i): CarLoss[] => {
    const next = visits[i + 1]
    if (!visit.charged || !next || next.recoveredG === null) return []
    const repaired = visit.renewed.length > 0 || visit.mended.length > 0
    const loss = lossOfSpan(visit.charged, { recoveredG: next.recoveredG, at: next.at }, repaired)
    return loss ? [loss] : []
  })
}

/** What of a visit a loss is worked out from. */
export type LossVisit = Pick<CarVisit, 'at' | 'charged' | 'recoveredG' | 'renewed' | 'mended'>

/** What was lost between a charge and a recovery; null where too few days lie between. */
export function lossOfSpan(
  charged: { grams: number; plusMinusG: number; at: string },
  recovered: { recoveredG: number; at: string },
  afterRepair: boolean,
): CarLoss | null {
  const days = (Date.parse(recovered.at) - Date.parse(charged.at)) / DAY_MS
  if (!(days >= LEAST_DAYS)) return null
  const gramsLost = charged.grams - recovered.recoveredG
  const halfG = Math.hypot(charged.plusMinusG, RECOVERY_DOUBT_G)
  const yearly = (grams: number) => (grams / days) * DAYS_A_YEAR
  const gramsPerYear = { value: yearly(gramsLost), low: yearly(gramsLost - halfG), high: yearly(gramsLost + halfG) }
  return { fromAt: charged.at, toAt: recovered.at, days, gramsLost, gramsPerYear, afterRepair }
}

/** How fast it loses now, g a year at 95 %, and of how many spans that is known. */
export type CarRate = { value: number; low: number; high: number; spans: number }

/**
 * Losses since the last repair that had one after it, weighed by how well each is known. Spans that differ by more than
 * their own doubt widen it.
 */
export function rateOf(losses: readonly CarLoss[]): CarRate | null {
  const last = losses.findLastIndex((l) => l.afterRepair)
  const counted = losses.slice(Math.max(0, last))
  if (counted.length === 0) return null
  const weights = counted.map((l) => (2 * Z95) ** 2 / (l.gramsPerYear.high - l.gramsPerYear.low) ** 2)
  const sum = weights.reduce((s, w) => s + w, 0)
  const value = counted.reduce((s, l, i) => s + l.gramsPerYear.value * (weights[i] as number), 0) / sum
  const chi2 = counted.reduce((s, l, i) => s + (weights[i] as number) * (l.gramsPerYear.value - value) ** 2, 0)
  const wider = counted.length > 1 ? Math.max(1, Math.sqrt(chi2 / (counted.length - 1))) : 1
  const half = (Z95 * wider) / Math.sqrt(sum)
  return { value, low: value - half, high: value + half, spans: counted.length }
}

/**
 * When a car's charge falls below the least its label allows: 10, 50 and 90 of 100 by then, ms; null where it may
 * never.
 */
export type NextShort = { p10Ms: number | null; p50Ms: number | null; p90Ms: number | null }

/** Farther off than this nobody plans by it, days. */
const FARTHEST_DAYS = 20 * DAYS_A_YEAR

/** When it is short again by the rate it loses at; null while nothing was charged or nothing is known of its loss. */
export function nextShort(
  visits: readonly Pick<CarVisit, 'charged' | 'leastG'>[],
  rate: CarRate | null,
): NextShort | null {
  const last = visits.findLast((v) => v.charged !== null)
  return last?.charged ? nextShortOf(last.charged, last.leastG, rate) : null
}

/** When what was charged falls below the least a car works with. @param leastG - g */
export function nextShortOf(
  charged: { grams: number; at: string },
  leastG: number,
  rate: CarRate | null,
): NextShort | null {
  if (!rate) return null
  const room = Math.max(0, charged.grams - leastG)
  const sd = (rate.high - rate.low) / (2 * Z95)
  const at = (gramsPerYear: number): number | null => {
    const days = gramsPerYear > 0 ? (room / gramsPerYear) * DAYS_A_YEAR : Number.POSITIVE_INFINITY
    return days < FARTHEST_DAYS ? Date.parse(charged.at) + days * DAY_MS : null
  }
  return { p10Ms: at(rate.value + Z90 * sd), p50Ms: at(rate.value), p90Ms: at(rate.value - Z90 * sd) }
}
