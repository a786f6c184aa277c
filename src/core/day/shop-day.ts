import type { Step } from '../job/steps'
import type { Role } from '../shop/people'
import { MINUTE_MS } from '../units/constants'
import type { Day, DayCar, DayRow, DayStep, Minutes } from './day'

/** A span of the wall's time, ms; `toMs` null while nobody knows its end. */
export type Span = { fromMs: number; toMs: number | null }

export type ShopPerson = { id: string; name: string; role: Role; off: readonly Span[] }
/** Something there is one of: a rig by its parts that cannot be in two places, a scale. */
export type ShopThing = {
  name: string
  off: readonly Span[]
  /** all rigs that are made of it, by name, and its pump */
  rigs?: readonly string[]
  pump?: string
  /** a rig without core tools: it stays on until the hold is over */
  stays?: true
}

/** A car as its day is planned: open, or still to come. */
export type ShopCar = {
  /** its job's id, or the id it is expected under */
  key: string
  name: string
  /** null while it is still to come */
  jobId: string | null
  arrivesMs: number
  promisedMs: number | null
  steps: readonly DayStep[]
  /** what hangs on it: by the name of the thing */
  rig: string | null
  /** the first of its steps is under way by hand */
  running: { person: string; sinceMs: number } | null
}

/** A piece that was put where it stands by hand, until it is let go. */
export type Pin = {
  car: string
  step: Step
  person: string | null
  rig: string | null
  fromMs: number
  /** who put it there, by name */
  by: string
}

/** What a shop's day is planned from. */
export type ShopDay = {
  nowMs: number
  people: readonly ShopPerson[]
  rigs: readonly ShopThing[]
  scales: readonly ShopThing[]
  cars: readonly ShopCar[]
  pins: readonly Pin[]
}

/** A car no plan can be made for, and why. */
export type Unplanned = { car: string; because: 'no-rig' | 'no-hands' | 'too-many' }

/** Steps nobody does who signs nothing. */
const SIGNED: readonly Step[] = ['leave']
/** A step under way is thought to last so long at least, min: nobody's running step is moved. */
const LAST_MIN: Minutes = 1
/** Cars one plan is made of at most: the soonest promised come first. */
export const MOST_CARS = 60
/** Away without an end counts for so long, min: three days. */
const LONG: Minutes = 4320

/** The day as it is planned, minutes from its `nowMs`; without cars nothing can be planned for. */
export function dayOfShop(shop: ShopDay): { day: Day; unplanned: Unplanned[] } {
  const { nowMs } = shop
  const at = (ms: number): Minutes => (ms - nowMs) / MINUTE_MS
  const end = ({ fromMs, toMs }: Span): Minutes => (toMs === null ? Math.max(0, at(fromMs)) + LONG : at(toMs))
  const here = (thing: ShopThing) => !thing.off.some((o) => at(o.fromMs) <= 0 && o.toMs === null)
  const hung = new Set(shop.cars.flatMap((c) => c.rig ?? []))
  // one that is out of use is no rig of this day, but where it hangs on a car
  const rigs = shop.rigs.filter((r) => here(r) || hung.has(r.name))
  const out = rigs.filter((r) => !here(r)).map((r) => r.name)
  const free = rigs.length - out.length
  const fault = (car: ShopCar): Unplanned['because'] | null =>
    shop.people.length === 0 ? 'no-hands' : free === 0 && car.steps.some((s) => s.step === 'rig') ? 'no-rig' : null
  const unplanned = shop.cars.flatMap((c): Unplanned[] => {
    const because = fault(c)
    return because ? [{ car: c.key, because }] : []
  })
  const planned = shop.cars
    .filter((c) => c.steps.length > 0 && fault(c) === null)
    .sort(
      (a, b) => (a.promisedMs ?? Number.MAX_VALUE) - (b.promisedMs ?? Number.MAX_VALUE) || a.arrivesMs - b.arrivesMs,
    )
  const cars = planned.slice(0, MOST_CARS)
  const scales = shop.scales.filter(here).map((s) => s.name)
  const rigsFrom = Object.fromEntries(
    rigs.flatMap((r): [string, Minutes][] => {
      if (out.includes(r.name)) return [[r.name, LONG]]
      const off = r.off.filter((o) => at(o.fromMs) <= 0 && end(o) > 0)
      return off.length > 0 ? [[r.name, Math.max(...off.map(end))]] : []
    }),
  )
  const day: Day = {
    people: shop.people.map((p) => p.id),
    rigs: rigs.map((r) => r.name),
    scales,
    cars: cars.map((car): DayCar => dayCar(car, cars, at)),
    away: shop.people.flatMap((p) => spans(p.off, at, end).map((s) => ({ person: p.id, ...s }))),
    barred: shop.people.filter((p) => p.role === 'trainee').map((p) => ({ person: p.id, steps: SIGNED })),
    ...(Object.keys(rigsFrom).length > 0 && { rigsFrom }),
    rigsStay: rigs.filter((r) => r.stays).map((r) => r.name),
    fixed: cars.flatMap((c) => runningRow(c, shop, scales)),
  }
  return {
    day,
    unplanned: [...unplanned, ...planned.slice(MOST_CARS).map((c): Unplanned => ({ car: c.key, because: 'too-many' }))],
  }
}

/** Spans that touch or overlap, as one: somebody who is off in the evening and away the next day is away once. */
function spans(off: readonly Span[], at: (ms: number) => Minutes, end: (s: Span) => Minutes) {
  const sorted = off.map((o) => ({ from: at(o.fromMs), to: end(o) })).sort((a, b) => a.from - b.from)
  const joined: { from: Minutes; to: Minutes }[] = []
  for (const span of sorted) {
    const last = joined.at(-1)
    if (last && span.from <= last.to) last.to = Math.max(last.to, span.to)
    else joined.push({ ...span })
  }
  return joined.filter((s) => s.to > 0)
}

function dayCar(car: ShopCar, cars: readonly ShopCar[], at: (ms: number) => Minutes): DayCar {
  const [first, ...rest] = car.steps
  const elapsed = car.running ? Math.max(0, -at(car.running.sinceMs)) : 0
  // what is under way ends when it is thought to, and not before now
  const steps: readonly DayStep[] =
    car.running && first?.hands !== undefined
      ? [{ step: first.step, hands: Math.max(first.hands, elapsed + LAST_MIN) }, ...rest]
      : car.steps
  // of two cars on one rig the plan knows one; the other is said as a conflict
  const holds = car.rig !== null && cars.find((c) => c.rig === car.rig)?.key === car.key
  return {
    id: car.key,
    arrives: car.running ? -elapsed : at(car.arrivesMs),
    promised: car.promisedMs === null ? null : at(car.promisedMs),
    ...(holds && car.rig !== null && { rig: car.rig }),
    steps,
  }
}

/** The step somebody is at: it stands where it is. */
function runningRow(car: ShopCar, { nowMs, people }: ShopDay, scales: readonly string[]): DayRow[] {
  const first = car.steps[0]
  if (!car.running || first?.hands === undefined || !people.some((p) => p.id === car.running?.person)) return []
  const from = (car.running.sinceMs - nowMs) / MINUTE_MS
  const to = Math.max(from + first.hands, LAST_MIN)
  return [
    {
      car: car.key,
      step: first.step,
      person: car.running.person,
      rig: car.rig,
      scale: first.step === 'charge' ? (scales[0] ?? null) : null,
      from,
      to,
    },
  ]
}
