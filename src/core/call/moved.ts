import { currentPull, type JobState } from '../job/state'
import { W } from '../language/call/moved'
import { comeBackAt } from '../pull/forecast'
import { MINUTE_MS } from '../units/constants'
import type { Alarm } from './alarms'
import type { Live } from './types'

/** A pull's end is told anew when it moved by so much, ms, and by this share of the wait that was told (assumed). */
const MOVED_MS = 600_000
const MOVED_SHARE = 0.2

/** Alarms of this pull that told when it ends; the time is in the id, so that what was told last is known from it. */
const moved = (state: JobState): string => W.moved(state.pulls.length)

/** Whether an alarm told the end of the pull that runs now: it stands until it is answered, whatever is told later. */
export const toldOfThisPull = (state: JobState, id: string): boolean =>
  state.step === 'pull' && currentPull(state)?.endedAt === undefined && id.startsWith(moved(state))

/**
 * When people think the running pull ends, job time ms: by what rang last, its procedure's minutes before anything
 * did.
 */
export function thoughtMs(state: JobState, rung: Iterable<string>): number | null {
  const pull = currentPull(state)
  if (state.step !== 'pull' || !pull || pull.endedAt) return null
  const told = [...rung].filter((id) => id.startsWith(moved(state))).map((id) => Number(id.split(':')[2]))
  return told.at(-1) ?? Date.parse(pull.startedAt) + state.opened.procedure.pullMinutes * MINUTE_MS
}

/**
 * A pull that ends at another time than was thought, while there is still time to do something else with it.
 * @param rung - ids of what rang on this car so far, oldest first
 */
export function movedAlarm(state: JobState, live: Live, rung: readonly string[]): Alarm | null {
  const thought = thoughtMs(state, rung)
  if (thought === null || !live.forecast) return null
  const pull = currentPull(state)
  const due = Date.parse(pull?.startedAt ?? '') + state.opened.procedure.pullMinutes * MINUTE_MS
  const { atMs } = comeBackAt(due, live.forecast)
  const byMs = atMs - thought
  if (Math.abs(byMs) < Math.max(MOVED_MS, MOVED_SHARE * (thought - live.nowMs)) || atMs <= live.nowMs) return null
  const minutes = Math.round(Math.abs(byMs) / MINUTE_MS)
  return {
    id: `${moved(state)}${Math.round(atMs)}`,
    sentence: W.thePullEndsMinThan(minutes, byMs < 0 ? W.earlier : W.later, live.clock(atMs)),
  }
}
