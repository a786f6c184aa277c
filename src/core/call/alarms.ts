import { carPressurePa } from '../board/car-pressure'
import { silentAfterS } from '../board/needed'
import { chargePressureOf } from '../charge/limits'
import { stopNow } from '../charge/plan-for-job'
import { chargeFlows } from '../charge/watch-charge'
import { seatRead } from '../job/gauge-seat'
import { currentHold, currentPull, holdEndsMs, type JobState, openContainer } from '../job/state'
import { W } from '../language/call/alarms'
import { codeWords } from '../language/codes'
import { comeBackAt } from '../pull/forecast'
import { MINUTE_MS } from '../units/constants'
import { findingOf } from './finding'
import { readNext } from './read-next'
import { type Live, sayOf } from './types'

/** Something that wants a person now; its id says which, so that it is answered once. */
export type Alarm = { id: string; sentence: string }

/**
 * Rising faster than this in a hold, or while pulled, something has opened, Pa/s: 90 and 225 micron a minute (assumed).
 */
const RUNAWAY_HOLD_PA_S = 0.2
const RUNAWAY_PULL_PA_S = 0.5
/** So much at once, Pa: 1,500 micron within a few readings is no water and no warmth (assumed). */
const LEAPT_PA = 200
const ranAway = ({ fallPaS, leaptPa }: Live, morePaS: number): boolean =>
  (fallPaS ?? 0) > morePaS || (leaptPa ?? 0) > LEAPT_PA

/**
 * Alarms of a car now, answered ones left out.
 * @param factor - how fast the job's clock runs; a fast one makes readings look old
 */
export function alarmsOf(state: JobState, live: Live, factor = 1): Alarm[] {
  if (state.signed || state.closed) return []
  return unanswered(state, state.parked ? parkedAlarms(state, live) : runningAlarms(state, live, factor), live.nowMs)
}

/** What nobody answered yet, or put off until a moment that has passed. */
export function unanswered(state: JobState, alarms: readonly Alarm[], nowMs: number): Alarm[] {
  return alarms.filter(({ id }) => {
    const answer = state.alarms[id]
    return answer === undefined || (answer.untilMs !== null && answer.untilMs <= nowMs)
  })
}

/** A car left standing wants nobody before its time: its gauge may be off. */
function parkedAlarms({ parked }: JobState, { nowMs }: Live): Alarm[] {
  const at = parked?.comeBackAt
  return at && nowMs >= Date.parse(at) ? [{ id: `back:parked:${at}`, sentence: W.itWasLeftUntilNow }] : []
}

function runningAlarms(state: JobState, live: Live, factor: number): Alarm[] {
  return [
    ...pullAlarms(state, live),
    ...holdAlarms(state, live),
    ...readAlarms(state, live),
    ...pressureAlarms(state, live),
    ...pastAlarms(state, live),
    ...silence(state, live, factor),
    ...scaleSilence(state, live, factor),
  ]
}

/** A side that is where it must not be while the engine runs on a charge. */
function pressureAlarms(state: JobState, live: Live): Alarm[] {
  const open = openContainer(state)
  if (state.step !== 'charge' || state.rig.engine !== 'on' || !open) return []
  const found = chargePressureOf(state, live)
  if (!found) return []
  const sentence = found === 'high-over' ? W.highSideOverItsLimit : W.lowSideInAVacuum
  return [{ id: `pressure:${found}:${open.id}`, sentence }]
}

/** A weight counts as past its stop by so much: two steps of its scale, 3 g at least (assumed). */
const pastByG = (stepG: number): number => Math.max(3, 2 * stepG)

/** It still flows, and the container weighs less than it was to be stopped at. */
function pastAlarms(state: JobState, { scaleG }: Live): Alarm[] {
  const open = openContainer(state)
  const stop = stopNow(state, open?.id)
  if (state.step !== 'charge' || !open || !stop || scaleG === undefined || !chargeFlows(state)) return []
  return scaleG < stop.stopGrossG - pastByG(state.opened.rig.scaleStepG)
    ? [{ id: `past:${open.id}`, sentence: W.theWeightIsPastIts }]
    : []
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
  const due = comeBackAt(Date.parse(pull.startedAt) + pullMinutes * MINUTE_MS, live.forecast).atMs
  return [
    ...(reached
      ? [
          {
            id: `target:${n}`,
            sentence: W.targetReached2(sayOf(live).vacuum(carPa ?? 0)),
          },
        ]
      : []),
    ...(!reached && live.nowMs >= due
      ? [
          {
            id: `back:pull:${n}`,
            sentence: seat === 'needle' ? W.thePullsMinutesAreOver : W.thePullsTimeIsUp,
          },
        ]
      : []),
    ...(ranAway(live, RUNAWAY_PULL_PA_S) ? [{ id: `runaway:pull:${n}`, sentence: W.itRisesWithThePump }] : []),
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
    ...(over ? [{ id: `back:hold:${n}:${hold.plannedMinutes}`, sentence: W.theHoldsTimeIsUp }] : []),
    ...(finding && !over
      ? [
          {
            id: `verdict:${n}:${finding}`,
            sentence: finding === 'wet' ? W.theHoldFoundWaterFor : W.theHoldIsDecided(codeWords(finding)),
          },
        ]
      : []),
    ...(ranAway(live, RUNAWAY_HOLD_PA_S) ? [{ id: `runaway:hold:${n}`, sentence: W.itIsRunningAwayA }] : []),
  ]
}

/** A scale that reports by itself and says nothing while refrigerant flows: nobody sees the weight go past its stop. */
function scaleSilence(state: JobState, { scaleAtMs, scaleByHand, nowMs }: Live, factor: number): Alarm[] {
  const open = openContainer(state)
  if (state.step !== 'charge' || !open || scaleByHand || scaleAtMs === undefined) return []
  if (state.rig['container-valve'] !== 'open' || nowMs - scaleAtMs < silentAfterS(factor) * 1000) return []
  return [
    {
      id: `scale-silent:${open.id}:${new Date(scaleAtMs).toISOString().slice(0, 16)}`,
      sentence: W.theScaleSaysNothingWhile,
    },
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
      sentence: W.theGaugeHasSaidNothing(Math.round(ageS / 60) || 1),
    },
  ]
}
