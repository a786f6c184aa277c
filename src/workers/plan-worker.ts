import { expose } from 'comlink'
import { linkCosts, planPull, whatIfs } from '@/core/pull/planner'

/** Plans a pull off the page's thread; what is told of its progress comes back as it goes. */
const plan = { planPull, linkCosts, whatIfs }
export type PlanWorker = typeof plan
expose(plan)
