import { W } from '../language/rig'
import { Network } from './network'
import type { RigEvent, RigFile } from './rig-file'
import { Rosenbrock } from './rosenbrock'

/** The integration could not go on: bounded work, then this, never a hang or a negative pressure. */
export class SimulationFailed extends Error {}

const DEFAULT_TOLERANCE = 3e-4
const FIRST_STEP_S = 1e-4
const LEAST_STEP_S = 1e-9
const LONGEST_STEP_S = 300
/** Steps tried between two calls of `begin`, at most. */
const MOST_TRIES = 200_000
/** A liquid water this little is gone, g. */
const NOTHING_G = 1e-9

/** A rig that is carried forward in time, step by accepted step; what the simulator and the bench share. */
export class Stepper {
  readonly network: Network
  /** state at `t`, and after `step` the one before it is in `before` until the next */
  y: Float64Array
  before: Float64Array
  readonly dy: Float64Array
  readonly dyBefore: Float64Array
  t = 0
  steps = 0
  private readonly method: Rosenbrock
  private readonly tolerance: { relative: Float64Array; absolute: Float64Array }
  private readonly between: Float64Array
  private h = FIRST_STEP_S
  private tries = 0

  constructor(rig: RigFile, relativeTolerance = DEFAULT_TOLERANCE) {
    this.network = new Network(rig)
    this.method = new Rosenbrock(this.network)
    this.tolerance = this.network.tolerances(relativeTolerance)
    this.y = this.network.initial(rig)
    const { size } = this.network
    this.before = new Float64Array(size)
    this.dy = new Float64Array(size)
    this.dyBefore = new Float64Array(size)
    this.between = new Float64Array(size)
    this.begin()
  }

  /** Says that the balance changed at once, by a valve or a pump: the next step is a short one. */
  begin(): void {
    this.h = FIRST_STEP_S
    this.tries = 0
    this.network.derivative(this.y, this.dy)
  }

  /** Goes on from where another rig on the same car stands. */
  continueFrom(other: Stepper): void {
    this.y = this.network.carriedFrom(other.network, other.y)
    this.t = other.t
    this.begin()
  }

  /** Does what an event says. @throws SimulationFailed when it names no part of this rig */
  apply(event: RigEvent): void {
    if (!this.network.apply(event)) throw new SimulationFailed(W.theEventAtSNames(event.t_s))
  }

  /** Carries the rig to a time, s; later than now. */
  advanceTo(stop: number): void {
    this.tries = 0
    while (this.t < stop) this.step(stop)
  }

  /**
   * One accepted step, at most to `stop`; its length, s. Tried shorter until it is accurate, positive and overdraws no
   * water.
   */
  step(stop: number): number {
    this.method.linearise(this.y, this.dy)
    const h = this.accepted(stop)
    const swap = this.y
    this.y = this.before
    this.before = swap
    this.dyBefore.set(this.dy)
    this.network.derivative(this.y, this.dy)
    this.t = Math.abs(this.t + h - stop) < 1e-9 ? stop : this.t + h
    this.steps++
    return h
  }

  private accepted(stop: number): number {
    let h = Math.min(this.h, stop - this.t, LONGEST_STEP_S)
    for (;;) {
      if (++this.tries > MOST_TRIES) throw new SimulationFailed(W.noEndInSightAfter(MOST_TRIES, this.t.toFixed(3)))
      // `before` is free until the step is taken
      const error = this.method.step(this.y, h, this.before, this.tolerance)
      if (error <= 1 && this.network.settle(this.before) < 0) {
        const dry = this.network.overdrawn(this.before)
        if (dry < 0) {
          // a step cut short by `stop` says nothing against a longer one
          const grown = h * Math.min(5, Math.max(0.3, 0.9 * Math.max(error, 1e-8) ** -0.25))
          this.h = h < this.h ? Math.max(this.h, grown) : grown
          return h
        }
        const had = this.network.waterMassG(this.y, dry)
        const left = this.network.waterMassG(this.before, dry)
        if (-left <= NOTHING_G) {
          this.network.exhaust(this.before, dry)
          this.h = Math.min(h, 0.1)
          return h
        }
        if (had <= NOTHING_G) {
          // it ended here: go on from here without it, or the step would spend water nobody has
          this.network.exhaust(this.y, dry)
          this.network.derivative(this.y, this.dy)
          this.method.linearise(this.y, this.dy)
          h = Math.min(h, 0.1)
          continue
        }
        // to where the water ends, by the straight line between
        h *= Math.min(0.999, had / (had - left) + 1e-9)
        continue
      }
      h *= Number.isFinite(error) && error > 1 ? Math.max(0.1, 0.8 * error ** -0.25) : 0.25
      this.h = h
      if (h < LEAST_STEP_S) throw new SimulationFailed(W.thePressuresChangeTooFast(this.t.toFixed(6)))
    }
  }

  /** Goes back to a moment within the last step of length `h`; what comes after is forgotten. */
  rewind(at: number, h: number): void {
    this.y.set(this.within(Math.max(0, (at - (this.t - h)) / h), h))
    this.t = at
    this.network.recall(this.y)
  }

  /**
   * State within the last step of length `h`, at a share of it; by the cubic through both ends and their slopes, of the
   * logarithm where it exists.
   */
  within(share: number, h: number): Float64Array {
    const out = this.between
    const s = share
    const a = (1 + 2 * s) * (1 - s) ** 2
    const b = s * (1 - s) ** 2 * h
    const c = s * s * (3 - 2 * s)
    const d = s * s * (s - 1) * h
    for (let i = 0; i < out.length; i++) {
      const [y0, y1] = [this.before[i] as number, this.y[i] as number]
      const [f0, f1] = [this.dyBefore[i] as number, this.dy[i] as number]
      const value =
        y0 > 0 && y1 > 0
          ? Math.exp(a * Math.log(y0) + (b * f0) / y0 + c * Math.log(y1) + (d * f1) / y1)
          : a * y0 + b * f0 + c * y1 + d * f1
      // fast parts decay within a step, where the cubic would swing: never outside the two ends
      out[i] = Math.max(0, Math.min(Math.max(y0, y1), Math.max(Math.min(y0, y1), value)))
    }
    return out
  }
}
