import { type PullAsked, type PullStands, whereItStands } from '@/core/pull/running-pull'
import { Apart } from './apart'

const shared = globalThis as unknown as { yperosPulls?: Apart<PullAsked, PullStands> }

/** Says where a running pull ends, in a thread of its own beside the judge's: one look takes seconds. */
export function standsApart(asked: PullAsked): Promise<PullStands> {
  shared.yperosPulls ??= new Apart('pull-thread', whereItStands)
  return shared.yperosPulls.ask(asked)
}
