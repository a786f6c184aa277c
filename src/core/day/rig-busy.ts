import { MINUTE_MS } from '../units/constants'
import type { ShopPlan } from './plan-shop'

/** What a rig is on, by the plan: the car it hangs on now and until when, else the car it goes on next. Wall ms. */
export type RigBusy = { car: string; now: true; untilMs: number | null } | { car: string; now: false; fromMs: number }

/**
 * Whether a rig is taken, now or soon, by another car than the one that asks; null where it is free.
 * @param besides - the key of the car that asks
 */
export function rigBusy(plan: ShopPlan, rig: string, nowMs: number, besides?: string): RigBusy | null {
  const thing = plan.shop.rigs.find((r) => r.name === rig || r.rigs?.includes(rig))
  if (!thing) return null
  const at = (minutes: number) => plan.madeMs + minutes * MINUTE_MS
  const on = plan.shop.cars.find((c) => c.rig === thing.name && c.key !== besides)
  const rows = plan.rows.filter((r) => r.rig === thing.name && r.car !== besides && at(r.to) > nowMs)
  if (on) {
    const ends = rows.filter((r) => r.car === on.key).map((r) => at(r.to))
    return { car: on.name, now: true, untilMs: ends.length > 0 ? Math.max(...ends) : null }
  }
  const [next] = rows.filter((r) => r.step === 'rig').sort((a, b) => a.from - b.from)
  const car = plan.shop.cars.find((c) => c.key === next?.car)
  return next && car ? { car: car.name, now: false, fromMs: at(next.from) } : null
}
