import { DAY_MS, DAYS_A_YEAR } from '../units/constants'
import { type CarRate, type LossVisit, lossesOf, type NextShort, nextShort, rateOf } from './car-loss'
import type { CarHold, CarVisit } from './car-visit'

/** A month as a repair's time without a fault is counted, days. */
const MONTH_DAYS = 30.4

/** A car of the fleet with what of its visits a rate is worked out from, oldest first. */
export type FleetCar = {
  id: string
  name: string
  plate: string
  model: string
  visits: (LossVisit & Pick<CarVisit, 'leastG'> & { holds: readonly Pick<CarHold, 'at' | 'verdict'>[] })[]
}

/** Rates of a group: charges a year that were needed, and grams lost a year, each with 90 %. */
export type GroupRate = {
  group: string
  cars: number
  carYears: number
  /** times a car came short of its label's least, a car and year: the middle and 90 % */
  short: { value: number; low: number; high: number }
  /** g a year, weighed by time: the middle and 90 % of the middle */
  grams: { value: number; low: number; high: number }
}

/** Under so many cars a group is not ranked: one bad car would be its model. */
export const FEWEST_CARS = 5
const Z90 = 1.644854

/** A span counts as coming short where it lost more than the label allows. */
type Span = { car: string; days: number; grams: number; cameShort: boolean; partsBefore: string[]; month: number }

function spansOf(car: FleetCar): Span[] {
  return lossesOf(car.visits).map((loss) => {
    const i = car.visits.findIndex((v) => v.charged?.at === loss.fromAt)
    const visit = car.visits[i]
    const room = visit?.charged ? visit.charged.grams - visit.leastG : Number.POSITIVE_INFINITY
    return {
      car: car.id,
      days: loss.days,
      grams: loss.gramsLost,
      cameShort: loss.gramsLost > room,
      partsBefore: visit?.renewed.map((r) => r.what) ?? [],
      month: new Date(loss.toAt).getUTCMonth(),
    }
  })
}

/**
 * Rate of a count in a time by the gamma quantiles of Wilson and Hilferty, which never lie below nothing.
 * @param count - events; `years` - car-years they were counted in
 * @returns the middle and 90 %, a year
 */
export function rateOfCount(count: number, years: number): { value: number; low: number; high: number } {
  const quantile = (k: number, z: number) => (k <= 0 ? 0 : k * (1 - 1 / (9 * k) + z / (3 * Math.sqrt(k))) ** 3)
  return {
    value: count / years,
    low: quantile(count, -Z90) / years,
    high: quantile(count + 1, Z90) / years,
  }
}

/** Rates of a fleet by what `group` says of a span; groups of too few cars come last, in the order of their names. */
export function ratesBy(
  cars: readonly FleetCar[],
  group: (car: FleetCar, span: Span) => readonly string[],
): GroupRate[] {
  const groups = new Map<string, Span[]>()
  for (const car of cars)
    for (const span of spansOf(car))
      for (const name of group(car, span)) groups.set(name, [...(groups.get(name) ?? []), span])
  const rates = [...groups].map(([name, spans]) => groupRate(name, spans))
  return rates.sort(
    (a, b) =>
      Number(b.cars >= FEWEST_CARS) - Number(a.cars >= FEWEST_CARS) ||
      (a.cars >= FEWEST_CARS ? b.grams.value - a.grams.value : a.group.localeCompare(b.group)),
  )
}

function groupRate(group: string, spans: readonly Span[]): GroupRate {
  const years = spans.reduce((sum, s) => sum + s.days, 0) / DAYS_A_YEAR
  const value = spans.reduce((sum, s) => sum + s.grams, 0) / years
  // how far the cars lie apart is how little their middle is known by
  const spread = spans.reduce(
    (sum, s) => sum + (s.days / DAYS_A_YEAR) ** 2 * ((s.grams / s.days) * DAYS_A_YEAR - value) ** 2,
    0,
  )
  const half =
    spans.length > 1
      ? (Z90 * Math.sqrt(spread * (spans.length / (spans.length - 1)))) / years
      : Number.POSITIVE_INFINITY
  return {
    group,
    cars: new Set(spans.map((s) => s.car)).size,
    carYears: years,
    short: rateOfCount(spans.filter((s) => s.cameShort).length, years),
    grams: { value, low: value - half, high: value + half },
  }
}

export const SEASONS = ['winter', 'spring', 'summer', 'autumn'] as const
/** Season of a month of the northern half, 0 January; the southern half a half year later. */
export const seasonOf = (month: number, south = false): (typeof SEASONS)[number] =>
  SEASONS[Math.floor(((month + 1 + (south ? 6 : 0)) % 12) / 3) % 4] as (typeof SEASONS)[number]

/** A car that is short before a day, and how sure that is. */
export type CallIn = { car: FleetCar; rate: CarRate; short: NextShort; chance: number }

/** Cars that are short before a day with a chance of at least so much (assumed). */
const CALL_FROM = 0.3

/** Cars to call in before a day, the surest first. */
export function callIn(cars: readonly FleetCar[], beforeMs: number): CallIn[] {
  return cars
    .flatMap((car): CallIn[] => {
      const rate = rateOf(lossesOf(car.visits))
      const short = nextShort(car.visits, rate)
      if (!rate || !short) return []
      const chance = chanceBefore(short, beforeMs)
      return chance >= CALL_FROM ? [{ car, rate, short, chance }] : []
    })
    .sort((a, b) => b.chance - a.chance || (a.short.p50Ms ?? 0) - (b.short.p50Ms ?? 0))
}

/** Chance that it is short before a moment, by the three that are known: straight between them. */
export function chanceBefore({ p10Ms, p50Ms, p90Ms }: NextShort, ms: number): number {
  const between = (a: number, b: number, from: number, to: number) =>
    from + ((ms - a) / Math.max(1, b - a)) * (to - from)
  if (p10Ms === null || ms < p10Ms) return 0
  if (p50Ms === null) return 0.1
  if (ms < p50Ms) return between(p10Ms, p50Ms, 0.1, 0.5)
  if (p90Ms === null) return 0.5
  return ms < p90Ms ? between(p50Ms, p90Ms, 0.5, 0.9) : 0.9
}

/** Repairs of a fleet and whether they held: judged tight again after at least so many months. */
export type Promise = { repairs: number; looked: number; held: number }

/** Repairs that renewed or mended something, and of those that were held again later how many held. */
export function promisesKept(cars: readonly FleetCar[], months: number): Promise {
  const counts = { repairs: 0, looked: 0, held: 0 }
  for (const { visits } of cars)
    for (const [i, v] of visits.entries()) {
      if (v.renewed.length === 0 && v.mended.length === 0) continue
      counts.repairs++
      const later = visits
        .slice(i + 1)
        .flatMap((w) => w.holds)
        .find(
          (h) =>
            Date.parse(h.at) - Date.parse(v.at) >= months * MONTH_DAYS * DAY_MS &&
            h.verdict !== 'invalid' &&
            h.verdict !== 'undecided',
        )
      if (!later) continue
      counts.looked++
      if (later.verdict === 'tight' || later.verdict === 'damp') counts.held++
    }
  return counts
}
