import { carPressurePa } from '../board/car-pressure'
import { silentAfterS } from '../board/needed'
import { seatRead } from '../job/gauge-seat'
import { currentHold, currentPull, holdEndsMs, type JobState } from '../job/state'
import { comeBackAt } from '../pull/forecast'
import { PA_PER_MICRON } from '../units/constants'
import { findingOf } from './finding'
import { readNext } from './read-next'
import type { Live } from './types'

/** Something that wants a person now; its id says which, so that it is answered once. */
export type Alarm = { id: string; sentence: string }

/**
 * Rising faster than this in a hold, or while pulled, something has opened, Pa/s: 90 and 225 micron a minute (assumed).
 */
const RUNAWAY_HOLD_PA_S = 0.2
const RUNAWAY_PULL_PA_S = 0.5

/** What an alarm was about, by the first word of its id. */
const WORDS: Record<string, string> = {
  target: 'target reached',
  verdict: 'hold decided',
  runaway: 'pressure running away',
  silent: 'gauge silent',
  back: 'time to come back',
  read: 'a reading is due',
}
export const alarmWords = (id: string): string => WORDS[id.split(':')[0] ?? ''] ?? id

/**
 * Alarms of a car now, answered ones left out.
 * @param factor - how fast the job's clock runs; a fast one makes readings look old
 */
export function alarmsOf(state: JobState, live: Live, factor = 1): Alarm[] {
  if (state.signed) return []
  const found = [
    ...pullAlarms(state, live),
    ...holdAlarms(state, live),
    ...readAlarms(state, live),
    ...silence(state, live, factor),
  ]
  return found.filter(({ id }) => {
    const answer = state.alarms[id]
    return answer === undefined || (answer.untilMs !== null && answer.untilMs <= live.nowMs)
  })
}

/** A hand is called to read when a reading is due. */
function readAlarms(state: JobState, live: Live): Alarm[] {
  const next = readNext(state, live)
  return next?.due ? [{ id: next.id, sentence: next.words }] : []
}

function pullAlarms(state: JobState, live: Live): Alarm[] {
  const pull = currentPull(state)
  if (state.step !== 'pull' || !pull || pull.endedAt) return []
  const n = state.pulls.length
  const { targetPa, pullMinutes } = state.opened.procedure
  const seat = seatRead(state.opened.rig, live.vacuumUnit)
  const carPa = carPressurePa(seat, live.vacuumPa, live.pull?.far?.highPa)
  const reached = carPa !== undefined && carPa <= targetPa
  const due = comeBackAt(Date.parse(pull.startedAt) + pullMinutes * 60_000, live.forecast).atMs
  return [
    ...(reached
      ? [
          {
            id: `target:${n}`,
            sentence: `Target reached: ${Math.round((carPa ?? 0) / PA_PER_MICRON).toLocaleString('en')} micron.`,
          },
        ]
      : []),
    ...(!reached && live.nowMs >= due
      ? [
          {
            id: `back:pull:${n}`,
            sentence:
              seat === 'needle'
                ? 'The pull’s minutes are over: isolate it.'
                : 'The pull’s time is up, and it is not at its target.',
          },
        ]
      : []),
    ...((live.fallPaS ?? 0) > RUNAWAY_PULL_PA_S
      ? [{ id: `runaway:pull:${n}`, sentence: 'It rises with the pump on: something has opened.' }]
      : []),
  ]
}

function holdAlarms(state: JobState, live: Live): Alarm[] {
  const hold = currentHold(state)
  if (state.step !== 'hold' || !hold || hold.ended) return []
  const n = state.holds.length
  const judged = live.judgement
  const finding = judged && findingOf(judged)
  const over = live.nowMs >= holdEndsMs(hold)
  return [
    ...(over ? [{ id: `back:hold:${n}:${hold.plannedMinutes}`, sentence: 'The hold’s time is up: judge it.' }] : []),
    ...(finding && !over
      ? [
          {
            id: `verdict:${n}:${finding}`,
            sentence:
              finding === 'wet'
                ? 'The hold found water for certain; a leak stays open.'
                : `The hold is decided: ${finding.replaceAll('-', ' ')}.`,
          },
        ]
      : []),
    ...((live.fallPaS ?? 0) > RUNAWAY_HOLD_PA_S
      ? [{ id: `runaway:hold:${n}`, sentence: 'It is running away: a valve, a hose or a large hole.' }]
      : []),
  ]
}

function silence(state: JobState, live: Live, factor: number): Alarm[] {
  if (
    (state.step !== 'pull' && state.step !== 'hold') ||
    live.vacuumAtMs === undefined ||
    live.vacuumByHand ||
    currentHold(state)?.ended
  )
    return []
  const ageS = (live.nowMs - live.vacuumAtMs) / 1000
  if (ageS < silentAfterS(factor)) return []
  return [
    {
      id: `silent:${new Date(live.vacuumAtMs).toISOString().slice(0, 16)}`,
      sentence: `The gauge has said nothing for ${Math.round(ageS / 60) || 1} min: battery, lead or range? Type readings meanwhile.`,
    },
  ]
}
