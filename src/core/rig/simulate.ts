import { Network } from './network'
import type { RigEvent, RigFile } from './rig-file'
import { Rosenbrock } from './rosenbrock'

/** The integration could not go on: bounded work, then this, never a hang or a negative pressure. */
export class SimulationFailed extends Error {}

export type SimulationOptions = {
  seconds: number
  /** s between samples; the first is at 0 */
  everyS: number
  events?: readonly RigEvent[]
  /** stop when the true pressure of this node is at or below this, Pa */
  until?: { node: string; pressurePa: number }
  /** error allowed a step, a share of each value */
  relativeTolerance?: number
}

/** Pressures of every node at one time, in the order of `nodes`, Pa absolute. */
export type Sample = { tS: number; totalPa: Float64Array; waterPa: Float64Array }

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

const DEFAULT_TOLERANCE = 3e-4
const FIRST_STEP_S = 1e-4
const LEAST_STEP_S = 1e-9
const LONGEST_STEP_S = 300
const MOST_TRIES = 200_000
/** A liquid water this little is gone, g. */
const NOTHING_G = 1e-9

/**
 * Runs a rig from its start. Deterministic; every pressure it returns is finite and not negative.
 * @throws SimulationFailed when the work is not done within bounds
 */
export function simulate(rig: RigFile, options: SimulationOptions): Simulation {
  return new Run(rig, options).whole()
}

class Run {
  private readonly network: Network
  private readonly options: SimulationOptions
  private readonly method: Rosenbrock
  private readonly tolerance: { relative: Float64Array; absolute: Float64Array }
  private y: Float64Array
  private next: Float64Array
  private readonly dy: Float64Array
  private readonly dyNext: Float64Array
  private readonly start: Float64Array
  private readonly between: Float64Array
  private readonly samples: Sample[] = []
  private readonly untilNode: number
  private t = 0
  private h = FIRST_STEP_S
  private tries = 0
  private steps = 0
  private sampled = 0
  private reachedS: number | null = null

  constructor(rig: RigFile, options: SimulationOptions) {
    this.options = options
    this.network = new Network(rig)
    this.method = new Rosenbrock(this.network)
    this.tolerance = this.network.tolerances(options.relativeTolerance ?? DEFAULT_TOLERANCE)
    this.y = this.network.initial(rig)
    this.start = this.y.slice()
    this.next = new Float64Array(this.network.size)
    this.dy = new Float64Array(this.network.size)
    this.dyNext = new Float64Array(this.network.size)
    this.between = new Float64Array(this.network.size)
    this.untilNode = options.until ? this.network.nodes.indexOf(options.until.node) : -1
  }

  whole(): Simulation {
    const events = [...(this.options.events ?? [])].map((e, i) => ({ e, i })).sort((a, b) => a.e.t_s - b.e.t_s || a.i - b.i)
    this.applyDue(events)
    this.sampleUpTo(0)
    if (this.reachedNow()) this.reachedS = 0
    while (this.t < this.options.seconds && this.reachedS === null) {
      const stop = Math.min(this.options.seconds, events[0]?.e.t_s ?? Number.POSITIVE_INFINITY)
      this.runTo(stop)
      // a valve or a pump changes the balance at once: begin again with a short step
      if (this.applyDue(events)) this.h = FIRST_STEP_S
    }
    const { nodes } = this.network
    return {
      nodes,
      samples: this.samples,
      reachedS: this.reachedS,
      effectiveSpeedM3S: nodes.map((_, k) => this.network.effectiveSpeed(this.y, k)),
      imbalance: this.network.imbalance(this.start, this.y),
      steps: this.steps,
      endS: this.reachedS ?? this.t,
    }
  }

  private applyDue(events: { e: RigEvent; i: number }[]): boolean {
    let any = false
    while (events[0] && events[0].e.t_s <= this.t) {
      const { e } = events.shift() as { e: RigEvent }
      if (!this.network.apply(e)) throw new SimulationFailed(`the event at ${e.t_s} s names no part of this rig`)
      any = true
    }
    return any
  }

  private reachedNow(): boolean {
    const { until } = this.options
    return until !== undefined && this.untilNode >= 0 && this.network.totalPa(this.y, this.untilNode) <= until.pressurePa
  }

  private runTo(stop: number): void {
    this.network.derivative(this.y, this.dy)
    while (this.t < stop && this.reachedS === null) {
      this.method.linearise(this.y)
      const h = this.oneStep(stop)
      this.network.derivative(this.next, this.dyNext)
      this.sampleUpTo(this.t + h, h)
      this.findReached(h)
      const swap = this.y
      this.y = this.next
      this.next = swap
      this.dy.set(this.dyNext)
      this.t = Math.abs(this.t + h - stop) < 1e-9 ? stop : this.t + h
      this.steps++
    }
  }

  /** One accepted step from t, at most to `stop`; its length. Halved until it is accurate, positive and overdraws no water. */
  private oneStep(stop: number): number {
    let h = Math.min(this.h, stop - this.t, LONGEST_STEP_S)
    for (;;) {
      if (++this.tries > MOST_TRIES) throw new SimulationFailed(`no end in sight after ${MOST_TRIES} tries, at ${this.t.toFixed(3)} s`)
      const error = this.method.step(this.y, h, this.next, this.tolerance)
      const good = error <= 1 && this.network.settle(this.next) < 0
      if (good) {
        const dry = this.network.overdrawn(this.next)
        if (dry < 0) {
          this.h = h * Math.min(5, Math.max(0.3, 0.9 * Math.max(error, 1e-8) ** -0.25))
          return h
        }
        const before = this.network.waterMassG(this.y, dry)
        const after = this.network.waterMassG(this.next, dry)
        if (-after <= NOTHING_G) {
          this.network.exhaust(this.next, dry)
          this.h = Math.min(h, 0.1)
          return h
        }
        if (before <= NOTHING_G) {
          // it ended here: go on from here without it, or the step would spend water nobody has
          this.network.exhaust(this.y, dry)
          this.network.derivative(this.y, this.dy)
          this.method.linearise(this.y)
          h = Math.min(h, 0.1)
          continue
        }
        // to where the water ends, by the straight line between
        h *= Math.min(0.999, before / (before - after) + 1e-9)
        continue
      }
      h *= Number.isFinite(error) && error > 1 ? Math.max(0.1, 0.8 * error ** -0.25) : 0.25
      if (h < LEAST_STEP_S) throw new SimulationFailed(`the pressures change too fast to follow at ${this.t.toFixed(6)} s`)
    }
  }

  /** State at `t + s h`, by the cubic through both ends and their slopes; of the logarithm where it exists, because pressures decay exponentially. */
  private interpolate(s: number, h: number): Float64Array {
    const out = this.between
    const a = (1 + 2 * s) * (1 - s) ** 2
    const b = s * (1 - s) ** 2 * h
    const c = s * s * (3 - 2 * s)
    const d = s * s * (s - 1) * h
    for (let i = 0; i < out.length; i++) {
      const [y0, y1] = [this.y[i] as number, this.next[i] as number]
      const [f0, f1] = [this.dy[i] as number, this.dyNext[i] as number]
      const value = y0 > 0 && y1 > 0 ? Math.exp(a * Math.log(y0) + (b * f0) / y0 + c * Math.log(y1) + (d * f1) / y1) : a * y0 + b * f0 + c * y1 + d * f1
      // fast parts decay within a step, where the cubic would swing: never outside the two ends by more than their distance allows
      out[i] = Math.max(0, Math.min(Math.max(y0, y1), Math.max(Math.min(y0, y1), value)))
    }
    return out
  }

  private sampleUpTo(until: number, h = 0): void {
    const { everyS, seconds } = this.options
    for (let at = this.sampled * everyS; at <= until + 1e-9 && at <= seconds + 1e-9; at = this.sampled * everyS) {
      const state = h > 0 ? this.interpolate(Math.min(1, (at - this.t) / h), h) : this.y
      const n = this.network.nodes.length
      const totalPa = new Float64Array(n)
      const waterPa = new Float64Array(n)
      for (let k = 0; k < n; k++) {
        totalPa[k] = this.network.totalPa(state, k)
        waterPa[k] = state[2 * k + 1] as number
      }
      this.samples.push({ tS: at, totalPa, waterPa })
      this.sampled++
    }
  }

  private findReached(h: number): void {
    const { until } = this.options
    if (!until || this.untilNode < 0 || this.network.totalPa(this.next, this.untilNode) > until.pressurePa) return
    let low = 0
    let high = 1
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (this.network.totalPa(this.interpolate(middle, h), this.untilNode) <= until.pressurePa) high = middle
      else low = middle
    }
    this.reachedS = this.t + high * h
    while (this.samples.length > 0 && (this.samples[this.samples.length - 1] as Sample).tS > this.reachedS) this.samples.pop()
  }
}
