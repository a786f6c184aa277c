import type * as z from 'zod'
import type { Label } from '../job/events'
import { DAY_MS } from '../units/constants'
import type { CarFacts } from './car-facts'
import type { CarHold } from './car-visit'

/** A car the shop has had here: what it is known by, its label as taken in last, and what was charged. */
export type KnownCar = {
  id: string
  name: string
  plate: string
  model: string
  hybrid: boolean
  label: z.infer<typeof Label>
  /** free volume of its system, L */
  volumeL: number
  /** what was charged here last by the scale, g, and when, ISO 8601; null before the first */
  lastChargeG: number | null
  lastChargedAt: string | null
  /** when it was last taken in, ISO 8601 */
  seenAt: string
  facts: CarFacts
  /** its last hold that was judged, and what was last noted of it; null where there is none */
  lastHold: CarHold | null
  lastNote: string | null
}

/** Whole days since it was charged here last; null before the first charge. */
export const daysSinceCharge = ({ lastChargedAt }: KnownCar, nowMs: number): number | null =>
  lastChargedAt === null ? null : Math.max(0, Math.round((nowMs - Date.parse(lastChargedAt)) / DAY_MS))

/** Cars whose name, plate or model has what was typed, at most `most`; whole names before parts of one. */
export function carsLike(cars: readonly KnownCar[], typed: string, most: number): KnownCar[] {
  const wanted = typed.trim().toLowerCase()
  if (wanted === '') return cars.slice(0, most)
  const rank = ({ name, plate, model, facts }: KnownCar) => {
    const [n, p, m] = [name, plate, model].map((t) => t.toLowerCase()) as [string, string, string]
    if (n === wanted || p === wanted || facts.vin.toLowerCase() === wanted) return 0
    if (facts.owner.toLowerCase().includes(wanted) || facts.vin.toLowerCase().endsWith(wanted)) return 2
    if (n.startsWith(wanted) || p.startsWith(wanted)) return 1
    return n.includes(wanted) || p.includes(wanted) || m.includes(wanted) ? 2 : 3
  }
  return cars
    .map((car) => ({ car, at: rank(car) }))
    .filter(({ at }) => at < 3)
    .sort((a, b) => a.at - b.at)
    .slice(0, most)
    .map(({ car }) => car)
}
