import { MINUTE_MS } from '../units/constants'
import { carLine } from './car-line'
import type { Doing } from './doing'
import { type GaugeSeat, gaugeSeat } from './gauge-seat'
import { searchNow } from './search'
import { leaveItemsOf } from './sides'
import { currentHold, currentPull, holdEndsMs, type JobState, type Visit } from './state'
import type { Step } from './steps'

/** What the board shows of a job; kept beside it so that 200 cars need no fold. Times are job time, ISO 8601. */
export type JobSummary = {
  name: string
  model: string
  refrigerant: string
  step: Step
  /** missing in rows from before it was kept, which have the words themselves */
  doing?: Doing
  line?: string
  /** when somebody is needed, if the car waits by itself; null when hands are needed now */
  comeBackAt: string | null
  /** since when it waits; missing in rows from before it was kept */
  waitsFrom?: string
  visits: Visit[]
  targetPa: number
  ambientC: number
  barometerPa: number
  ultimatePa: number
  /** where its gauge sits; missing in rows from before it was kept */
  gauge?: GaugeSeat
  /** how many times it was shut in */
  holds?: number
  /** how many times it was pulled on */
  pulls?: number
  signed: boolean
  /** the shop's pump that runs on it */
  pump?: string
  /** left standing under its vacuum, or ended before its last step */
  rests?: 'parked' | 'closed'
  /** the rig on it, by name; missing in rows from before it was kept */
  rig?: string
  /** what is to be charged while it is charged, g */
  targetG?: number
}

/** The board's row for a state; pressures in Pa. */
export function summarise(state: JobState): JobSummary {
  const { opened } = state
  const waits = waitEndsMs(state)
  const from = state.step === 'pull' ? currentPull(state)?.startedAt : currentHold(state)?.isolatedAt
  const open = !state.signed && !state.closed
  return {
    name: opened.car.name,
    model: carLine(opened.car),
    refrigerant: opened.label.refrigerant,
    step: state.step,
    doing: doingOf(state),
    comeBackAt: waits === null ? null : new Date(waits).toISOString(),
    ...(waits !== null && from !== undefined && { waitsFrom: from }),
    visits: state.visits,
    targetPa: opened.procedure.targetPa,
    ambientC: opened.place.ambientC,
    barometerPa: opened.place.barometerPa,
    ultimatePa: opened.rig.ultimatePa,
    rig: opened.rig.name,
    gauge: gaugeSeat(opened.rig),
    holds: state.holds.length,
    pulls: state.pulls.length,
    signed: state.signed !== undefined,
    ...(state.rig.pump === 'on' && open && opened.rig.equipment && { pump: opened.rig.equipment.pump }),
    ...(state.closed ? { rests: 'closed' as const } : state.parked && { rests: 'parked' as const }),
    ...(state.step === 'charge' && !state.signed && state.plan && { targetG: state.plan.targetG }),
  }
}

/** When a car that waits by itself needs someone, ms of job time; null while hands are on it. */
export function waitEndsMs(state: JobState): number | null {
  if (state.signed || state.closed) return null
  if (state.parked) return state.parked.comeBackAt ? Date.parse(state.parked.comeBackAt) : null
  const pull = currentPull(state)
  if (state.step === 'pull' && pull && !pull.endedAt)
    return Date.parse(pull.startedAt) + state.opened.procedure.pullMinutes * MINUTE_MS
  const hold = currentHold(state)
  return state.step === 'hold' && hold && !hold.ended ? holdEndsMs(hold) : null
}

function doingOf(state: JobState): Doing {
  if (state.signed) return { code: 'signed' }
  if (state.closed) return { code: state.closed.as }
  if (state.parked) return { code: 'parked' }
  const hold = currentHold(state)
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return { code: state.zero ? 'gauges-read' : 'read-gauges' }
    case 'fix':
      return { code: state.search?.nitrogen ? 'nitrogen' : searchNow(state) ? 'searching' : 'repair' }
    case 'rig':
      return { code: 'rig' }
    case 'pull':
      return state.pulls.length > 1 ? { code: 'pulling-again', n: state.pulls.length } : { code: 'pulling' }
    case 'isolate':
      return { code: 'isolate' }
    case 'hold':
      return { code: hold?.ended?.verdict ?? 'holding' }
    case 'charge':
      return state.plan ? { code: 'charging', n: Math.round(state.plan.targetG) } : { code: 'plan' }
    case 'prove':
      return { code: state.proofs.length > 0 ? 'proof-read' : 'read-sides' }
    case 'leave':
      return { code: 'leaving', n: state.left.length, of: leaveItemsOf(state).length }
    default: {
      const unknown: never = state.step
      return unknown
    }
  }
}
