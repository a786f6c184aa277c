import type { HoldEnded } from '../job/events'
import { nextOf } from '../job/stage-now'
import { OPENED_MINUTES } from '../job/stages'
import { currentHold, currentPull, holdEndsMs, type JobState } from '../job/state'
import { STEPS, type Step } from '../job/steps'
import { comeBackAt, type PullForecast } from '../pull/forecast'
import { MINUTE_MS } from '../units/constants'
import type { DayStep, Minutes } from './day'
import type { Hands } from './hands'

/** What is known of an open car, besides its state, when its day is planned. Times are its job's, ms. */
export type CarNow = {
  state: JobState
  nowMs: number
  /** how fast its clock runs, times the wall */
  factor: number
  forecast: PullForecast | null
  /** what the running hold was found to be, where that is sure */
  found: HoldEnded['verdict'] | null
  /** when the judge expects to decide, s after isolation */
  decisionExpectedS: number | null
  /**
   * a pull that is still to come, by its story and each rig: 50 and 90 of 100 are at the target by then, its job's
   * minutes
   */
  pull: Readonly<Record<string, { p50: Minutes; p90: Minutes }>>
}
export type HandsOf = (step: Step) => Pick<Hands, 'hands' | 'handsBy'>

/** A hold that goes on until it is decided may last so many times what is planned (assumed). */
const HOLD_P90 = 1.5
/** Every turn between two stages of a procedure takes hands for so long (assumed). */
const TURN_MIN: Minutes = 4

/** What is still to be done on an open car, from now on: hands and waits in order, minutes of the wall. */
export function stepsLeft(car: CarNow, hands: HandsOf): DayStep[] {
  const { state } = car
  if (state.signed || state.closed) return []
  const at = (step: Step): DayStep[] => [{ step, ...hands(step) }]
  const hold = currentHold(state)
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return [...at('zero'), ...fixOf(state, at), ...from(car, 'rig', hands)]
    case 'fix':
      return [...at('fix'), ...from(car, 'rig', hands)]
    case 'rig':
      return from(car, 'rig', hands)
    case 'pull':
      return [...pullLeft(car, hands), ...from(car, 'isolate', hands)]
    case 'isolate':
      return from(car, 'isolate', hands)
    case 'hold':
      return hold?.ended
        ? afterHold(hold.ended.verdict, car, hands)
        : [...holdLeft(car), ...afterHold(car.found, car, hands)]
    case 'charge':
      return [...at('charge'), ...from(car, 'prove', hands)]
    case 'prove':
      return [...at('prove'), ...from(car, 'leave', hands)]
    case 'leave':
      return at('leave')
    default: {
      const unknown: never = state.step
      return unknown
    }
  }
}

/** A car nothing was opened on needs no repair; its step is a look. */
const fixOf = (state: JobState, at: (step: Step) => DayStep[]): DayStep[] =>
  state.opened.story.opened === 'nothing' ? [] : at('fix')

/** The whole way from a step on. */
function from(car: CarNow, step: 'rig' | 'isolate' | 'prove' | 'leave', hands: HandsOf): DayStep[] {
  const { state } = car
  const charged = nextOf(state.stages, 'charge', 0) >= 0 || state.stages.length === 0
  const way: DayStep[] = [
    { step: 'rig', ...hands('rig') },
    { step: 'pull', ...hands('pull') },
    pullToCome(car),
    { step: 'isolate', ...hands('isolate'), ...(mayFree(state) && { freesRig: true }) },
    holdToCome(car),
    ...(charged ? (['charge', 'prove'] as const).map((s): DayStep => ({ step: s, ...hands(s) })) : []),
    { step: 'leave', ...hands('leave') },
  ]
  return way.filter((s) => STEPS.indexOf(s.step) >= STEPS.indexOf(step))
}

/**
 * Where its core tools stay on the ports they are shut, and the hoses come off: the rig is free while the car holds.
 */
export const freesRig = ({ opened }: Pick<JobState, 'opened'>): boolean => opened.rig.cores === 'out'

/** Before it is rigged up any rig may be taken, and the rig says whether it stays. */
const mayFree = (state: JobState): boolean => STEPS.indexOf(state.step) <= STEPS.indexOf('rig') || freesRig(state)

/**
 * A pull that has not begun: by its rig and story, never less than its procedure asks; stages before its last hold
 * come with it.
 */
function pullToCome({ state, pull, factor }: CarNow): DayStep {
  const { pullMinutes } = state.opened.procedure
  const extra = earlierStages(state)
  const lasts = (minutes: Minutes) => (Math.max(pullMinutes, minutes) + extra) / factor
  const known = Object.entries(pull)
  // of rigs of several paces the quickest is the measure; the plan knows each
  const [quick] = known.map(([, p]) => p).sort((a, b) => a.p50 - b.p50)
  const wait = lasts(quick?.p50 ?? 0)
  return {
    step: 'pull',
    wait,
    waitP90: Math.max(wait, lasts(quick?.p90 ?? 0)),
    ...(known.length > 1 && { waitBy: Object.fromEntries(known.map(([rig, p]) => [rig, lasts(p.p50)])) }),
  }
}

/** Minutes of the stages before the last pull and its hold: they run one after the other on the same rig. */
function earlierStages({ stages, stage, opened }: JobState): Minutes {
  const last = stages.findLastIndex((s) => s.kind === 'pull')
  return stages.slice(Math.max(0, stage), Math.max(0, last)).reduce((sum, s) => {
    if (s.kind === 'pull') return sum + (s.minutes ?? OPENED_MINUTES[opened.story.opened]) + TURN_MIN
    if (s.kind === 'hold' || s.kind === 'hoses') return sum + s.minutes + TURN_MIN
    return s.kind === 'sweep' ? sum + TURN_MIN * s.passes : sum
  }, 0)
}

function pullLeft(car: CarNow, hands: HandsOf): DayStep[] {
  const { state, nowMs, factor, forecast } = car
  const pull = currentPull(state)
  if (!pull || pull.endedAt) return [{ step: 'pull', ...hands('pull') }, pullToCome(car)]
  const dueMs = Date.parse(pull.startedAt) + state.opened.procedure.pullMinutes * MINUTE_MS
  const { atMs, latestMs } = comeBackAt(dueMs, forecast)
  const minutes = (ms: number): Minutes => Math.max(0, ms - nowMs) / MINUTE_MS / factor
  const extra = earlierStages(state) / factor
  return [{ step: 'pull', wait: minutes(atMs) + extra, waitP90: minutes(latestMs ?? atMs) + extra }]
}

function holdToCome({ state, factor }: CarNow): DayStep {
  const { holdMinutes } = state.opened.procedure
  const until = state.stages.some((s) => s.kind === 'hold' && s.until === 'decided')
  const wait = holdMinutes / factor
  return { step: 'hold', wait, waitP90: until ? wait * HOLD_P90 : wait }
}

function holdLeft({ state, nowMs, factor, found, decisionExpectedS }: CarNow): DayStep[] {
  const hold = currentHold(state)
  if (!hold || found !== null) return [{ step: 'hold', wait: 0 }]
  const minutes = (ms: number): Minutes => Math.max(0, ms - nowMs) / MINUTE_MS / factor
  const wait = minutes(holdEndsMs(hold))
  const decided = decisionExpectedS === null ? wait : minutes(Date.parse(hold.isolatedAt) + decisionExpectedS * 1000)
  return [{ step: 'hold', wait, waitP90: Math.max(wait, decided) }]
}

/** What follows a hold by what it was found to be; the charge where nothing is found yet. */
function afterHold(verdict: HoldEnded['verdict'] | null, car: CarNow, hands: HandsOf): DayStep[] {
  const whole = from(car, 'rig', hands)
  const charge = whole.slice(whole.findLastIndex((s) => s.step === 'hold') + 1)
  // shut in with the hoses off it is rigged up once more
  const again = freesRig(car.state) || car.state.stoodOff ? whole : whole.filter((s) => s.step !== 'rig')
  switch (verdict) {
    case 'damp':
      return again
    case 'leak':
    case 'leak-and-damp':
      return [{ step: 'fix', ...hands('fix') }, ...whole]
    case 'invalid':
      return [holdToCome(car), ...charge]
    default:
      return charge
  }
}
