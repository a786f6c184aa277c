import { type JobState, openContainer, wayOf } from '../job/state'
import { WAY_WORDS } from '../job/ways'
import { type Closing, closingOf, type Lead } from './closing'
import { stopNow } from './plan-for-job'
import { type WatchedContainer, watchContainer } from './watch-container'

/** The scale under the open container, and when its valve has to be told to close; null while nothing flows. */
export type WatchedCharge = { watched: WatchedContainer; closing: Closing | null }

/** Whether something can flow from the open container into the car. */
export const chargeFlows = (state: JobState): boolean =>
  state.rig[WAY_WORDS[wayOf(state)].valve] === 'open' && state.rig['container-valve'] === 'open'

/**
 * Watches the scale of the container that is open now: for the page's countdown and for the server's watch.
 * @param scale - job time ms, g
 * @param factor - how fast the job's clock runs
 * @returns undefined while no container is open, or none of it was weighed
 */
export function watchCharge(
  state: JobState,
  scale: readonly { at: number; value: number }[],
  factor: number,
  lead: Lead,
): WatchedCharge | undefined {
  const open = openContainer(state)
  if (!open) return undefined
  const flowing = chargeFlows(state)
  const shutAt = state.turnedAt[WAY_WORDS[wayOf(state)].valve]
  const { scaleStepG } = state.opened.rig
  const shutSinceMs = !flowing && shutAt ? Date.parse(shutAt) : undefined
  const watched = watchContainer(scale, { fromMs: Date.parse(open.startedAt), shutSinceMs }, factor, scaleStepG)
  if (watched.readings.length === 0) return undefined
  const since = shutAt && flowing ? Math.max(0, watched.seconds(Date.parse(shutAt))) : 0
  const own = watched.readings.filter((r) => r.tS >= since)
  const stopG = stopNow(state, open.id)?.stopGrossG
  return { watched, closing: flowing && stopG !== undefined ? closingOf(own, stopG, scaleStepG, lead) : null }
}
