import { carLine } from './car-line'
import { type GaugeSeat, gaugeSeat } from './gauge-seat'
import { currentHold, currentPull, holdEndsMs, type JobState, type Visit } from './state'
import { STEP_NAMES, type Step, stepNumber } from './steps'

/** What the board shows of a job; kept beside it so that 200 cars need no fold. Times are job time, ISO 8601. */
export type JobSummary = {
  name: string
  model: string
  refrigerant: string
  step: Step
  line: string
  /** when somebody is needed, if the car waits by itself; null when hands are needed now */
  comeBackAt: string | null
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
}

/** The board's row for a state; pressures in Pa. */
export function summarise(state: JobState): JobSummary {
  const { opened } = state
  const waits = waitEndsMs(state)
  return {
    name: opened.car.name,
    model: carLine(opened.car),
    refrigerant: opened.label.refrigerant,
    step: state.step,
    line: lineOf(state),
    comeBackAt: waits === null ? null : new Date(waits).toISOString(),
    visits: state.visits,
    targetPa: opened.procedure.targetPa,
    ambientC: opened.place.ambientC,
    barometerPa: opened.place.barometerPa,
    ultimatePa: opened.rig.ultimatePa,
    gauge: gaugeSeat(opened.rig),
    holds: state.holds.length,
    pulls: state.pulls.length,
    signed: state.signed !== undefined,
  }
}

/** When a car that waits by itself needs someone, ms of job time; null while hands are on it. */
export function waitEndsMs(state: JobState): number | null {
  if (state.signed) return null
  const pull = currentPull(state)
  if (state.step === 'pull' && pull && !pull.endedAt)
    return Date.parse(pull.startedAt) + state.opened.procedure.pullMinutes * 60_000
  const hold = currentHold(state)
  return state.step === 'hold' && hold && !hold.ended ? holdEndsMs(hold) : null
}

function lineOf(state: JobState): string {
  if (state.signed) return 'signed'
  const hold = currentHold(state)
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return state.zero ? 'gauges read' : 'read both gauges'
    case 'fix':
      return 'log the repair'
    case 'rig':
      return 'rig up'
    case 'pull':
      return state.pulls.length > 1 ? `pull ${state.pulls.length}` : 'pulling'
    case 'isolate':
      return 'shut it in'
    case 'hold':
      return hold?.ended ? hold.ended.verdict : 'holding'
    case 'charge':
      return state.plan ? `to ${Math.round(state.plan.targetG)} g` : 'plan the charge'
    case 'prove':
      return state.proofs.length > 0 ? 'read' : 'read both sides'
    case 'leave':
      return `${state.left.length} of 7 done`
    default: {
      const unknown: never = state.step
      return unknown
    }
  }
}

/** Such as `7 Hold`. */
export const stepLabel = (step: Step): string => `${stepNumber(step)} ${STEP_NAMES[step]}`
