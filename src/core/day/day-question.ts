import { type PullQuestion, planPull } from '../pull/planner'
import type { Minutes } from './day'
import { planShop, SEARCH, type ShopPlan } from './plan-shop'
import type { ShopDay } from './shop-day'

/** What a thread beside is asked about a day: its plan, or how long a pull that is still to come takes. */
export type DayQuestion =
  | { kind: 'plan'; shop: ShopDay; before: readonly string[] }
  | { kind: 'pull'; pull: PullQuestion }
export type DayAnswer = { plan: ShopPlan } | { p50: Minutes; p90: Minutes }

/** Answers what a day asks; a pull that reaches nothing within its horizon takes all of it. */
export function answerDay(question: DayQuestion): DayAnswer {
  if (question.kind === 'plan')
    return { plan: planShop(question.shop, question.before, question.before.length > 0 ? SEARCH.again : SEARCH.whole) }
  const { p50S, p90S } = planPull(question.pull)
  const minutes = (s: number | null): Minutes => (s ?? question.pull.horizonS) / 60
  return { p50: minutes(p50S), p90: minutes(p90S) }
}
