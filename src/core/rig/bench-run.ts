import { RIG_AT_START, type RigState } from '../procedure/parts'
import { BenchCar, type BenchContainer, type BenchTruth } from './bench-car'
import { type BenchReading, benchReadings } from './bench-instruments'

/** What a hand did to the bench, at a whole second since the job's clock began. */
export type BenchAction =
  | { second: number; kind: 'turn'; part: keyof RigState; state: string }
  | { second: number; kind: 'container-on'; grossG: number; tareG: number }
  | { second: number; kind: 'container-off' }
  | { second: number; kind: 'reset'; leakPaM3S: number; waterG: number }

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
  readonly scaleStepG: number
  private applied = 0

  constructor(truth: BenchTruth, scaleStepG: number) {
    this.scaleStepG = scaleStepG
    this.car = new BenchCar(truth, this.rig)
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
      const readings = benchReadings(this.car, this.rig, this.second, this.scaleStepG, this.container)
      if (readings.length > 0) shown.push({ second: this.second, readings })
    }
    return shown
  }

  private oneSecond(actions: readonly BenchAction[]): void {
    const before = this.applied
    while (this.applied < actions.length && (actions[this.applied] as BenchAction).second <= this.second) this.apply(actions[this.applied++] as BenchAction)
    if (this.applied > before) this.car.turn(this.rig)
    const takenG = this.car.second(this.rig, this.container)
    if (this.container && takenG > 0) this.container = { ...this.container, grossG: this.container.grossG - takenG }
    this.second++
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
        return
      case 'reset':
        this.container = undefined
        this.car = new BenchCar({ ...this.car.truth, leakPaM3S: action.leakPaM3S, waterG: action.waterG }, this.rig)
        return
      default: {
        const unknown: never = action
        throw new RangeError(`the bench knows no ${JSON.stringify(unknown)}`)
      }
    }
  }
}
