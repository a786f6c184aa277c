import type { ShopPlan } from '@/core/day/plan-shop'
import type { DayTold, DayView } from '@/core/day/view'
import type { Scope } from '../db/scope'
import { notifyDay } from '../jobs/notify'
import { selectOff, selectWorks } from './day-rows'

export type KeptPlan = Pick<DayView, 'plan' | 'told'>

/** The day as pages show it; null before it was planned the first time. */
export async function dayView(db: Scope): Promise<DayView | null> {
  const kept = await selectPlan(db)
  if (!kept) return null
  const [off, works] = await Promise.all([selectOff(db, Date.now()), selectWorks(db)])
  return { ...kept, off, works: Object.fromEntries(works) }
}

/** The plan as it stands. */
export async function selectPlan(db: Scope): Promise<KeptPlan | null> {
  const { rows } = await db.query<{ plan: ShopPlan; told: DayTold | null }>(
    'select payload as plan, told from day_plan where shop_id = $1',
    [db.shopId],
  )
  return rows[0] ?? null
}

/** Keeps a plan in place of the one before; every board is told. */
export async function upsertDay(db: Scope, { plan, told }: KeptPlan): Promise<void> {
  await db.query(
    `insert into day_plan (shop_id, made_at, payload, told) values ($1, $2, $3, $4)
     on conflict (shop_id) do update set made_at = excluded.made_at, payload = excluded.payload, told = excluded.told`,
    [db.shopId, new Date(plan.madeMs), JSON.stringify(plan), told && JSON.stringify(told)],
  )
  await notifyDay(db, 'planned')
}
