import { normalPair, seededRandom as seeded } from '../units/seeded'
import type { DayStep } from './day'
import { costOf } from './layout'
import type { Candidate, Found } from './search'

/** Days drawn to see which plan is late in fewest. */
export const DRAWN_DAYS = 200
/** Deviations of a normal below which nine of ten lie. */
const NINE_OF_TEN = 1.2815515655446004

/** A day with its waits as long as they may turn out, log-normal through middle and nine of ten. */
type Drawn = (car: number, step: DayStep) => number

/**
 * Of the plans that are as good as the best, the one that is late in fewest drawn days; the best where no wait is
 * uncertain or nothing is promised.
 * @param drawn - days drawn: fewer where the search itself is cut short
 */
export function sturdiest({ ground, best, pool }: Found, drawn = DRAWN_DAYS): Candidate {
  const { cars } = ground.day
  const uncertain = cars.some((c) => c.steps.some((s) => (s.waitP90 ?? 0) > (s.wait ?? 0)))
  if (!uncertain || !cars.some((c) => c.promised !== null) || pool.length < 2) return best
  const days = Array.from({ length: drawn }, (_, i) => drawnDay(i + 1))
  let chosen = { candidate: best, late: Number.POSITIVE_INFINITY }
  for (const candidate of pool) {
    const late = lateDays(ground, candidate, days, chosen.late)
    if (late < chosen.late) chosen = { candidate, late }
  }
  return chosen.candidate
}

/** The same wait of the same car has the same luck on one drawn day, whichever plan is tried on it. */
function drawnDay(seed: number): Drawn {
  const known = new Map<string, number>()
  return (car, step) => {
    const wait = step.wait ?? 0
    if (!(step.waitP90 !== undefined && step.waitP90 > wait && wait > 0)) return wait
    const key = `${car} ${step.step}`
    const found = known.get(key)
    if (found !== undefined) return found
    const drawn = wait * Math.exp((Math.log(step.waitP90 / wait) / NINE_OF_TEN) * normal(seed, key))
    known.set(key, drawn)
    return drawn
  }
}

function normal(seed: number, key: string): number {
  let mixed = seed * 2654435761
  for (let i = 0; i < key.length; i++) mixed = (mixed * 31 + key.charCodeAt(i)) >>> 0
  return normalPair(seeded(mixed || 1))[0]
}

/** Drawn days on which any promise is missed; counting ends where it can no more be fewer. */
export function lateDays(
  ground: Found['ground'],
  { order }: Candidate,
  days: readonly Drawn[],
  most = Number.POSITIVE_INFINITY,
): number {
  let late = 0
  for (const day of days) {
    if (costOf(ground, order, day).late > 1e-6) late++
    if (late >= most) return late
  }
  return late
}

export const drawnDays = (count: number): Drawn[] => Array.from({ length: count }, (_, i) => drawnDay(i + 1))
