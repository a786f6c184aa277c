import { KeptPulls, type PullLook, type PullLooked } from '@/core/pull/kept-pulls'
import { Apart } from './apart'

const shared = globalThis as unknown as { yperosPulls?: Apart<PullLook, PullLooked> }

/** Says where a running pull ends, in a thread of its own beside the judge's: a fresh look takes a second. */
export function standsApart(asked: PullLook): Promise<PullLooked> {
  if (!shared.yperosPulls) {
    const here = new KeptPulls()
    shared.yperosPulls = new Apart('pull-thread', (look) => here.look(look))
  }
  return shared.yperosPulls.ask(asked)
}
