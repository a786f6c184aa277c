import type { Day, DayPlan, Minutes } from './day'
import { layOut } from './layout'
import { DRAWN_DAYS, sturdiest } from './robust'
import { type Found, searchDay, WHOLE } from './search'

/** A day's plan: of those with the least lateness and as good ends, the one that is late in fewest drawn days. */
export function planDay(day: Day, effort = WHOLE): { plan: DayPlan; found: Found; order: readonly number[] } {
  const found = searchDay(day, effort)
  const { order } = sturdiest(found, Math.ceil(DRAWN_DAYS * effort.share))
  const plan = layOut(found.ground, order)
  const rows = [...plan.rows].sort((a, b) => a.from - b.from || a.to - b.to || (a.car < b.car ? -1 : 1))
  return { plan: { ...plan, rows }, found, order }
}

/** Which fixed row its car, or its rig, cannot be there for, and when it could be; null where all are kept. */
export function brokenRow(day: Day, plan: DayPlan): { fixed: number; ready: Minutes } | null {
  for (const [i, row] of day.fixed.entries()) {
    const steps = day.cars.find((c) => c.id === row.car)?.steps.map((s) => s.step) ?? []
    const earlier = steps.slice(0, steps.indexOf(row.step))
    const before = plan.rows.filter((r) => r.car === row.car && earlier.includes(r.step) && r.to > row.from)
    const held = plan.rows.filter(
      (r) => row.step === 'rig' && r.rig === row.rig && r.car !== row.car && r.from < row.from && r.to > row.from,
    )
    const ready = Math.max(...[...before, ...held].map((r) => r.to))
    if (Number.isFinite(ready)) return { fixed: i, ready }
  }
  return null
}
