import { type JobState, openContainer, wayOf } from '../job/state'
import { WAY_WORDS } from '../job/ways'
import { type HandFlow, handFlow, type ReadWeight } from './by-hand'
import { stopNow } from './plan-for-job'

/**
 * What typed weights tell of the container that flows now: counted from when its valve was opened or the engine was
 * started, for another flow began then; null while none flows.
 * @param scale - weights of the job in order of time: job time in ms, g
 */
export function handFlowOf(state: JobState, scale: readonly ReadWeight[]): HandFlow | null {
  const open = openContainer(state)
  const stop = stopNow(state, open?.id)
  const { valve } = WAY_WORDS[wayOf(state)]
  if (!open || !stop || state.rig[valve] !== 'open' || state.rig['container-valve'] !== 'open') return null
  const startedMs = Date.parse(open.startedAt)
  const sinceMs = Math.max(
    ...[open.startedAt, state.turnedAt[valve], state.turnedAt['container-valve'], state.turnedAt.engine].map((at) =>
      at === undefined ? startedMs : Date.parse(at),
    ),
  )
  const own = scale.filter((p) => p.at >= startedMs)
  const before = own.filter((p) => p.at < sinceMs).at(-1)
  const first = { at: sinceMs, value: before?.value ?? open.startGrossG }
  return handFlow([first, ...own.filter((p) => p.at >= sinceMs)], stop.stopGrossG, state.opened.rig.scaleStepG)
}
