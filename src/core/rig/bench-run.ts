import { RIG_AT_START, type RigState } from '../procedure/parts'
import { type BenchContainer, type BenchState, type BenchTruth, benchAtStart, benchStep } from './bench-car'
import { type BenchReading, benchReadings } from './bench-instruments'

/** What a hand did to the bench, at a whole second since the job's clock began. */
export type BenchAction =
  | { second: number; kind: 'turn'; part: keyof RigState; state: string }
  | { second: number; kind: 'container-on'; grossG: number; tareG: number }
  | { second: number; kind: 'container-off' }
  | { second: number; kind: 'reset'; leakPaM3S: number; waterG: number }

/** A bench that has run up to and including `second`. */
export type BenchRun = { second: number; truth: BenchTruth; state: BenchState; rig: RigState; container?: BenchContainer; applied: number; scaleStepG: number }

export type BenchSecond = { second: number; readings: BenchReading[] }

/** Below this pressure changes are slow and a step of a second is exact enough; above, finer steps are taken. */
const FINE_ABOVE_PA = 3000

export function startBench(truth: BenchTruth, scaleStepG: number): BenchRun {
  return { second: 0, truth, state: benchAtStart(truth), rig: RIG_AT_START, applied: 0, scaleStepG }
}

/**
 * Runs the bench to `untilSecond`, applying actions at their seconds (late ones at once).
 * Deterministic: the same truth and actions give the same readings, however often it is asked in pieces.
 * @param from - readings are returned for seconds after this one only
 */
export function runBench(run: BenchRun, actions: readonly BenchAction[], untilSecond: number, from = -1): { run: BenchRun; readings: BenchSecond[] } {
  let now = run
  const readings: BenchSecond[] = []
  while (now.second < untilSecond) {
    now = oneSecond(now, actions)
    if (now.second > from) {
      const shown = benchReadings(now.state, now.truth, now.rig, now.second, now.scaleStepG, now.container)
      if (shown.length > 0) readings.push({ second: now.second, readings: shown })
    }
  }
  return { run: now, readings }
}

function oneSecond(run: BenchRun, actions: readonly BenchAction[]): BenchRun {
  let now = run
  while (now.applied < actions.length && (actions[now.applied] as BenchAction).second <= now.second) {
    now = { ...applyAction(now, actions[now.applied] as BenchAction), applied: now.applied + 1 }
  }
  const steps = now.state.airPa > FINE_ABOVE_PA ? 4 : 2
  let { state, container } = now
  for (let i = 0; i < steps; i++) {
    const next = benchStep(state, now.truth, now.rig, 1 / steps, container)
    state = next.state
    container = next.container
  }
  return { ...now, state, second: now.second + 1, ...(container && { container }) }
}

function applyAction(run: BenchRun, action: BenchAction): BenchRun {
  const { container: _gone, ...bare } = run
  switch (action.kind) {
    case 'turn':
      return { ...run, rig: { ...run.rig, [action.part]: action.state } as RigState }
    case 'container-on':
      return { ...run, container: { grossG: action.grossG, tareG: action.tareG } }
    case 'container-off':
      return bare
    case 'reset': {
      const truth = { ...run.truth, leakPaM3S: action.leakPaM3S, waterG: action.waterG }
      return { ...bare, truth, state: benchAtStart(truth) }
    }
    default: {
      const unknown: never = action
      return unknown
    }
  }
}
