import type { LeakPlace } from '../job/leak'
import { RIG_AT_START, type RigState } from '../job/parts'
import { BenchCar, type BenchContainer } from './car'
import {
  BenchGauge,
  type BenchReading,
  BenchScale,
  benchReadings,
  type GaugeState,
  type ScaleState,
} from './instruments'
import { type BenchTruth, mendedAt, type Scenario, withScenario } from './truth'

/** What a hand did to the bench, at a whole second since the job's clock began. */
export type BenchAction =
  | { second: number; kind: 'turn'; part: keyof RigState; state: string }
  | { second: number; kind: 'container-on'; grossG: number; tareG: number }
  | { second: number; kind: 'container-off' }
  | { second: number; kind: 'container-warmed'; celsius: number }
  /** its charge was recovered, it was opened, and what blocked it is renewed: air inside again */
  | { second: number; kind: 'opened-again' }
  /** dry nitrogen for a pressure test, Pa above the air, and out again: air inside then */
  | { second: number; kind: 'nitrogen-in'; paG: number }
  | { second: number; kind: 'nitrogen-out' }
  /** opened and mended at a place: air inside again */
  | { second: number; kind: 'mended'; at: LeakPlace }
  | { second: number; kind: 'reset'; leakPaM3S: number; waterG: number }
  | { second: number; kind: 'scenario'; scenario: Scenario }
  | { second: number; kind: 'gauge'; state: GaugeState }
  | { second: number; kind: 'scale'; state: ScaleState }

export type BenchSecond = { second: number; readings: BenchReading[] }

/**
 * A bench that is carried along second by second. Deterministic: the same truth and actions give the same readings,
 * however often it is asked in pieces.
 */
export class BenchRun {
  second = 0
  rig: RigState = RIG_AT_START
  container: BenchContainer | undefined
  car: BenchCar
  gauge: BenchGauge
  readonly scale: BenchScale
  private applied = 0

  constructor(truth: BenchTruth, scaleStepG: number) {
    this.scale = new BenchScale(scaleStepG)
    this.car = new BenchCar(truth, this.rig)
    this.gauge = new BenchGauge(truth.gauge, truth.seed, truth.barometerPa)
  }

  /**
   * Runs to `untilSecond`, applying actions at their seconds (late ones at once).
   * @param from - readings are returned for seconds after this one only
   */
  runTo(actions: readonly BenchAction[], untilSecond: number, from = -1): BenchSecond[] {
    const shown: BenchSecond[] = []
    while (this.second < untilSecond) {
      this.oneSecond(actions)
      if (this.second <= from) continue
      const readings = benchReadings(this.car, this.rig, this.gauge, this.second, this.scale, this.container)
      if (readings.length > 0) shown.push({ second: this.second, readings })
    }
    return shown
  }

  private oneSecond(actions: readonly BenchAction[]): void {
    const before = this.applied
    while (this.applied < actions.length && (actions[this.applied] as BenchAction).second <= this.second)
      this.apply(actions[this.applied++] as BenchAction)
    if (this.applied > before) this.car.turn(this.rig)
    const takenG = this.car.second(this.rig, this.container)
    this.gauge.second(this.car.gaugePa)
    if (this.container && takenG > 0) this.container = { ...this.container, grossG: this.container.grossG - takenG }
    this.second++
  }

  /** Another car, full of air, under the same hoses; seconds of its gauge's faults count from the job's first. */
  private putOn(truth: BenchTruth): void {
    this.container = undefined
    this.car = new BenchCar(truth, this.rig)
    this.gauge = new BenchGauge(truth.gauge, truth.seed, truth.barometerPa)
  }

  private apply(action: BenchAction): void {
    switch (action.kind) {
      case 'turn':
        this.rig = { ...this.rig, [action.part]: action.state } as RigState
        return
      case 'container-on':
        this.container = { grossG: action.grossG, tareG: action.tareG }
        return
      case 'container-off':
        this.container = undefined
        this.car.bathC = undefined
        return
      case 'container-warmed':
        this.car.bathC = action.celsius
        return
      case 'opened-again':
        this.putOn({ ...this.car.truth, blocked: 0 })
        return
      case 'mended':
        this.putOn(mendedAt(this.car.truth, action.at))
        return
      case 'nitrogen-in':
        this.car.letNitrogenIn(action.paG)
        return
      case 'nitrogen-out':
        // what was hidden is still there; the vacuum is not
        this.putOn({ ...this.car.truth, waterG: 0, boundG: 0 })
        return
      case 'reset':
        // what a person sets here is all that is hidden then
        this.putOn({ ...this.car.truth, leaks: [], leakPaM3S: action.leakPaM3S, waterG: action.waterG })
        return
      case 'scenario':
        this.putOn(withScenario(this.car.truth, action.scenario))
        return
      case 'gauge':
        this.gauge.state = action.state
        return
      case 'scale':
        this.scale.state = action.state
        this.scale.since = this.second
        return
      default: {
        const unknown: never = action
        throw new RangeError(`the bench knows no ${JSON.stringify(unknown)}`)
      }
    }
  }
}
