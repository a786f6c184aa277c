import { MINUTE_MS } from '../units/constants'
import type { DayRow, Minutes } from './day'
import type { ShopPlan } from './plan-shop'

/** A second deed that follows the first within this belongs to one sentence, min. */
const FOLLOWS: Minutes = 6

/**
 * What somebody does next: the piece, whether it is due or already under way, and what follows it at once elsewhere.
 */
export type NextDeed = { person: string; row: DayRow; now: boolean; begun: boolean; followed: DayRow | null }

/** The one next deed of each person, the soonest first. @param atMs - wall time now */
export function nextDeeds(plan: ShopPlan, atMs: number): NextDeed[] {
  const now = (atMs - plan.madeMs) / MINUTE_MS
  return plan.shop.people
    .flatMap((person): NextDeed[] => {
      const own = plan.rows.filter((r) => r.person === person.id && r.to > now).sort((a, b) => a.from - b.from)
      const [row, after] = own
      if (!row) return []
      const followed = after && after.car !== row.car && after.from - row.to <= FOLLOWS ? after : null
      return [{ person: person.id, row, now: row.from <= now, begun: row.from < 0, followed }]
    })
    .sort((a, b) => a.row.from - b.row.from)
}

/** Rigs two cars hang on at once. */
export function sharedRigs({ shop }: Pick<ShopPlan, 'shop'>): { rig: string; cars: string[] }[] {
  return shop.rigs.flatMap(({ name }) => {
    const cars = shop.cars.filter((c) => c.rig === name).map((c) => c.key)
    return cars.length > 1 ? [{ rig: name, cars }] : []
  })
}
