import type { WaterLeft } from './network'
import type { RigEvent, RigFile } from './rig-file'
import { SimulationFailed, Stepper } from './stepper'

export { SimulationFailed }

export type SimulationOptions = {
  seconds: number
  /** s between samples, of which the first is at 0; or the moments they are taken at, in order, s */
  everyS: number | readonly number[]
  events?: readonly RigEvent[]
  /** stop when the true pressure of this node is at or below this, Pa; from a time on, s, when that is given */
  until?: { node: string; pressurePa: number; fromS?: number }
  /** asked at each sample: whether what comes after it is of no use any more; the run ends there */
  enough?: (sample: Sample) => boolean
  /** error allowed a step, a share of each value */
  relativeTolerance?: number
}

/** Pressures of every node at one time, in the order of `nodes`, Pa absolute; and the water that is left. */
export type Sample = { tS: number; totalPa: Float64Array; waterPa: Float64Array; water: WaterLeft }

export type Simulation = {
  nodes: readonly string[]
  samples: Sample[]
  /** when `until` was met, s; null when it was not */
  reachedS: number | null
  /** at the end of the run, m3/s, in the order of `nodes` */
  effectiveSpeedM3S: number[]
  /** share of air and water the books do not account for */
  imbalance: { air: number; water: number }
  steps: number
  endS: number
}

/**
 * Runs a rig from its start. Deterministic; every pressure it returns is finite and not negative.
 * @throws SimulationFailed when the work is not done within bounds
 */
export function simulate(rig: RigFile, options: SimulationOptions): Simulation {
  return new Run(rig, options).whole()
}

class Run {
  private readonly stepper: Stepper
  private readonly options: SimulationOptions
  private readonly start: Float64Array
  private readonly samples: Sample[] = []
  private readonly untilNode: number
  private sampled = 0
  private reachedS: number | null = null
  private ended = false

  constructor(rig: RigFile, options: SimulationOptions) {
    this.options = options
    this.stepper = new Stepper(rig, options.relativeTolerance)
    this.start = this.stepper.y.slice()
    this.untilNode = options.until ? this.stepper.network.nodes.indexOf(options.until.node) : -1
  }

  whole(): Simulation {
    const { stepper, options } = this
    const { network } = stepper
    const events = (options.events ?? []).map((e, i) => ({ e, i })).sort((a, b) => a.e.t_s - b.e.t_s || a.i - b.i)
    if (this.applyDue(events)) stepper.begin()
    if (this.nextS() <= 0) this.sample(stepper.y)
    if (this.isReached(stepper.y)) this.reachedS = 0
    while (stepper.t < options.seconds && this.reachedS === null && !this.ended) {
      const looked = options.until?.fromS ?? 0
      this.runTo(
        Math.min(
          options.seconds,
          events[0]?.e.t_s ?? Number.POSITIVE_INFINITY,
          stepper.t < looked ? looked : Number.POSITIVE_INFINITY,
        ),
      )
      if (stepper.t >= looked && this.reachedS === null && this.isReached(stepper.y)) this.reachedS = stepper.t
      if (this.applyDue(events)) stepper.begin()
    }
    return {
      nodes: network.nodes,
      samples: this.samples,
      reachedS: this.reachedS,
      effectiveSpeedM3S: network.nodes.map((_, k) => network.effectiveSpeed(stepper.y, k)),
      imbalance: network.imbalance(this.start, stepper.y),
      steps: stepper.steps,
      endS: this.reachedS ?? stepper.t,
    }
  }

  private applyDue(events: { e: RigEvent; i: number }[]): boolean {
    let any = false
    while (events[0] && events[0].e.t_s <= this.stepper.t) {
      this.stepper.apply((events.shift() as { e: RigEvent }).e)
      any = true
    }
    return any
  }

  private isReached(y: Float64Array): boolean {
    const { until } = this.options
    return (
      until !== undefined &&
      this.untilNode >= 0 &&
      this.stepper.t >= (until.fromS ?? 0) &&
      this.stepper.network.totalPa(y, this.untilNode) <= until.pressurePa
    )
  }

  private runTo(stop: number): void {
    while (this.stepper.t < stop && this.reachedS === null && !this.ended) {
      const h = this.stepper.step(stop)
      this.sampleStep(h)
      if (this.isReached(this.stepper.y)) this.findReached(h)
    }
  }

  private sampleStep(h: number): void {
    const { seconds } = this.options
    const { t } = this.stepper
    for (let at = this.nextS(); at <= t + 1e-9 && at <= seconds + 1e-9; at = this.nextS()) {
      this.sample(this.stepper.within(Math.min(1, (at - (t - h)) / h), h))
    }
  }

  /** When the next sample is due, s; never when there are no more. */
  private nextS(): number {
    const { everyS } = this.options
    if (typeof everyS === 'number') return this.sampled * everyS
    return everyS[this.sampled] ?? Number.POSITIVE_INFINITY
  }

  private sample(y: Float64Array): void {
    const { network } = this.stepper
    const count = network.nodes.length
    const [totalPa, waterPa] = [new Float64Array(count), new Float64Array(count)]
    for (let k = 0; k < count; k++) {
      totalPa[k] = network.totalPa(y, k)
      waterPa[k] = y[2 * k + 1] as number
    }
    const sample = { tS: this.nextS(), totalPa, waterPa, water: network.waterLeft(y) }
    this.samples.push(sample)
    this.sampled++
    this.ended ||= this.options.enough?.(sample) ?? false
  }

  /** The crossing lies within the last step: halve it down. */
  private findReached(h: number): void {
    let low = 0
    let high = 1
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (this.isReached(this.stepper.within(middle, h))) high = middle
      else low = middle
    }
    this.reachedS = this.stepper.t - h + high * h
    while (this.samples.length > 0 && (this.samples[this.samples.length - 1] as Sample).tS > this.reachedS)
      this.samples.pop()
  }
}
