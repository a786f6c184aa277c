import { MINUTE_MS } from '../units/constants'
import type { Day, DayRow, Minutes } from './day'
import { costOf, groundOf, layOut } from './layout'
import { brokenRow, planDay } from './plan-day'
import { drawnDays } from './robust'
import { type Effort, type Found, lateBy } from './search'
import { dayOfShop, type Pin, type ShopCar, type ShopDay, type Unplanned } from './shop-day'
import { type Why, whyOf } from './why'

/** Why a piece that was put somewhere by hand stands there no more. */
export type LetGo = { car: string; step: Pin['step']; because: 'away' | 'over' | 'no-rig' }

/** A shop's plan, minutes from `madeMs`. Keys of cars and people are ids. */
export type ShopPlan = {
  madeMs: number
  shop: ShopDay
  rows: DayRow[]
  /** when each car is done, by the middle and nine of ten of its waits, min */
  ends: Record<string, { p50: Minutes; p90: Minutes }>
  late: Record<string, Minutes>
  why: Why[]
  unplanned: Unplanned[]
  letGo: LetGo[]
  /** the list of cars it was laid out by: the next plan keeps to it where that is as good */
  order: string[]
}

/** Days drawn for how uncertain each car's end is. */
const DRAWN = 100
/** A pin is moved on at most so often before it is let go. */
const TRIES = 12

/** A plan stays as it was where another is better by no more than this: late in all, min, and share of the ends. */
const KEEPS = { lateMin: 5, ends: 0.03 } as const

/** How far a plan is searched for: all the way, or as far as somebody waits for whose hand holds a piece. */
export const SEARCH = { whole: 1, again: 0.5, price: 0.25, kept: 0.06 } as const

/**
 * Plans a shop's day around what stands and what was put somewhere by hand.
 * @param before - the list the plan before was laid out by: people keep their order where another brings nothing
 * @param share - of the whole search
 */
export function planShop(shop: ShopDay, before: readonly string[] = [], share: number = SEARCH.whole): ShopPlan {
  const { day, unplanned } = dayOfShop(shop)
  if (day.cars.length === 0)
    return { madeMs: shop.nowMs, shop, rows: [], ends: {}, late: {}, why: [], unplanned, letGo: [], order: [] }
  const { rows: pinned, letGo } = pinnedRows(day, shop)
  const from = before.length > 0 ? [listFrom(day, before)] : []
  const { made, asked } = bent(day, pinned, { share, from })
  const { found } = made
  const order = steady(found, made, from[0])
  const plan = layOut(found.ground, order)
  const late = lateBy(asked, plan)
  const days = drawnDays(DRAWN).map((drawn) => layOut(found.ground, order, drawn).ends)
  const ends = Object.fromEntries(
    asked.cars.map(({ id }) => {
      const p50 = plan.ends.get(id) ?? 0
      const drawn = days.map((d) => d.get(id) ?? 0).sort((a, b) => a - b)
      return [id, { p50, p90: Math.max(p50, drawn[Math.floor(0.9 * DRAWN)] ?? p50) }]
    }),
  )
  return {
    madeMs: shop.nowMs,
    shop,
    rows: [...plan.rows].sort((a, b) => a.from - b.from || a.to - b.to),
    ends,
    late,
    why: whyOf(asked, plan, late),
    unplanned,
    letGo,
    order: order.flatMap((i) => asked.cars[i]?.id ?? []),
  }
}

/** The list a plan before was laid out by, as far as it is still to do; what is new comes last. */
function listFrom(day: Day, before: readonly string[]): number[] {
  const turns = groundOf(day).turns.map((t) => t)
  const kept: number[] = []
  // what was done since was first in the list
  for (const key of before.toReversed()) {
    const car = day.cars.findIndex((c) => c.id === key)
    if (car < 0 || (turns[car] as number) <= 0) continue
    turns[car] = (turns[car] as number) - 1
    kept.unshift(car)
  }
  return [...kept, ...turns.flatMap((left, car) => Array<number>(Math.max(0, left)).fill(car))]
}

/** The list to lay out by: the one before where no other is much better. */
function steady(
  { ground }: Found,
  made: ReturnType<typeof planDay>,
  order: readonly number[] | undefined,
): readonly number[] {
  if (!order) return made.order
  const [was, best] = [costOf(ground, order), made.plan.cost]
  const asGood =
    was.broken <= best.broken + 0.01 &&
    was.late <= best.late + KEEPS.lateMin &&
    was.ends <= best.ends + KEEPS.ends * Math.abs(best.ends)
  return asGood ? order : made.order
}

/** Pins as rows that stand; those nobody can keep any more are let go. */
function pinnedRows(day: Day, { pins, nowMs }: ShopDay): { rows: DayRow[]; letGo: LetGo[] } {
  const rows: DayRow[] = []
  const letGo: LetGo[] = []
  for (const pin of pins) {
    const car = day.cars.find((c) => c.id === pin.car)
    const step = car?.steps.find((s) => s.step === pin.step && s.hands !== undefined)
    if (!car || step?.hands === undefined || day.fixed.some((f) => f.car === pin.car && f.step === pin.step)) continue
    const person = pin.person !== null && day.people.includes(pin.person) ? pin.person : null
    const rig = pin.step === 'rig' ? pin.rig : null
    const out = rig !== null && (!day.rigs.includes(rig) || (day.rigsFrom?.[rig] ?? 0) >= 1440)
    const from = Math.max((pin.fromMs - nowMs) / MINUTE_MS, car.arrives, 0)
    const hands = (person !== null && step.handsBy?.[person]) || step.hands
    const away = day.away.some((a) => a.person === person && a.from < from + hands && a.to > from)
    if (person === null || away || out)
      letGo.push({ car: pin.car, step: pin.step, because: out ? 'no-rig' : person === null ? 'over' : 'away' })
    else
      rows.push({
        car: pin.car,
        step: pin.step,
        person,
        rig,
        scale: pin.step === 'charge' ? (day.scales[0] ?? null) : null,
        from,
        to: from + hands,
      })
  }
  return { rows, letGo }
}

/** The plan around rows that were put there by hand; one that cannot be kept at its time is kept as soon as it can. */
function bent(day: Day, pinned: readonly DayRow[], effort: Effort): { made: ReturnType<typeof planDay>; asked: Day } {
  let rows = apart(day, pinned)
  for (let tries = 0; ; tries++) {
    const asked = { ...day, fixed: [...day.fixed, ...rows] }
    // whether it can be kept is seen soon; the plan itself is searched for once it can
    const quick = rows.length > 0 ? planDay(asked, { ...effort, share: Math.min(effort.share, SEARCH.kept) }) : null
    const broken = quick && quick.plan.cost.broken > 0.51 && tries < TRIES ? brokenRow(asked, quick.plan) : null
    const index = broken ? broken.fixed - day.fixed.length : -1
    if (!broken || index < 0) return { made: planDay(asked, effort), asked }
    rows = apart(
      day,
      rows.map((r, i) => (i === index ? { ...r, from: broken.ready, to: broken.ready + r.to - r.from } : r)),
    )
  }
}

/** Rows of one pair of hands, or one scale, behind one another: what was put there first stands. */
function apart(day: Day, rows: readonly DayRow[]): DayRow[] {
  const placed: DayRow[] = []
  const clash = (a: DayRow, b: DayRow) =>
    (a.person === b.person || (a.scale !== null && a.scale === b.scale)) && a.from < b.to - 1e-6 && b.from < a.to - 1e-6
  for (const row of rows) {
    let now = row
    for (let tries = 0; tries < 60; tries++) {
      const other = [...day.fixed, ...placed].find((o) => clash(o, now))
      if (!other) break
      now = { ...now, from: other.to, to: other.to + (row.to - row.from) }
    }
    placed.push(now)
  }
  return placed
}

/** The plan as it would be with one piece put somewhere. */
export const withPin = (shop: ShopDay, pin: Pin): ShopDay => ({
  ...shop,
  pins: [...shop.pins.filter((p) => p.car !== pin.car || p.step !== pin.step), pin],
})

export const carOf = ({ shop }: ShopPlan, key: string): ShopCar | undefined => shop.cars.find((c) => c.key === key)
