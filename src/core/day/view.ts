import type { ShopPlan } from './plan-shop'
import type { Span } from './shop-day'
import type { Works } from './works'

/** What everybody is told of a plan that came out otherwise: sentences, and when. */
export type DayTold = { atMs: number; sentences: string[] }

/** A person, rig or scale that is away; `thing` by name, `by` who said so. */
export type Off = Span & { id: string; accountId: string | null; thing: string | null; by: string }

/** The day as every page of the shop knows it; `works` by account. */
export type DayView = { plan: ShopPlan; told: DayTold | null; off: Off[]; works: Record<string, Works> }

/** Promises that were kept and missed in a month such as 2026-11. */
export type PromisesKept = { month: string; kept: number; missed: number; medianLateMin: number | null }
