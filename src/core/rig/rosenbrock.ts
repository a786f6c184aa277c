import { SparseLu } from './sparse-lu'

/**
 * Coefficients of RODAS, an L-stable Rosenbrock method of order 4 with 6 stages and an embedded order 3. Hairer and
 * Wanner, Solving ODEs II, IV.7.
 */
const GAMMA = 0.25
const A = [
  [],
  [1.544],
  [0.9466785280815826, 0.2557011698983284],
  [3.314825187068521, 2.896124015972201, 0.9986419139977817],
  [1.221224509226641, 6.019134481288629, 12.53708332932087, -0.687886036105895],
  [1.221224509226641, 6.019134481288629, 12.53708332932087, -0.687886036105895, 1],
] as const
const C = [
  [],
  [-5.6688],
  [-2.430093356833875, -0.2063599157091915],
  [-0.1073529058151375, -9.594562251023355, -20.47028614809616],
  [7.496443313967647, -10.24680431464352, -33.99990352819905, 11.7089089320616],
  [8.083246795921522, -7.981132988064893, -31.52159432874371, 16.31930543123136, -6.058818238834054],
] as const
const STAGES = 6

/** An autonomous system dy/dt = f(y) with its Jacobian, row-major. */
export type StiffSystem = {
  size: number
  /** where the Jacobian may be other than zero, row-major; anywhere when it is left out */
  pattern?: Uint8Array
  derivative: (y: Float64Array, dy: Float64Array) => void
  jacobian: (y: Float64Array, jac: Float64Array) => void
}

/** One step of RODAS, with all its memory made once. */
export class Rosenbrock {
  private readonly system: StiffSystem
  private readonly jac: Float64Array
  private readonly lu: SparseLu
  private readonly u: Float64Array[]
  private readonly f: Float64Array
  private readonly stage: Float64Array
  private readonly pull: Float64Array

  constructor(system: StiffSystem) {
    const n = system.size
    this.system = system
    this.jac = new Float64Array(n * n)
    this.lu = new SparseLu(n, system.pattern ?? new Uint8Array(n * n).fill(1))
    this.u = Array.from({ length: STAGES }, () => new Float64Array(n))
    this.f = new Float64Array(n)
    this.stage = new Float64Array(n)
    this.pull = new Float64Array(n)
  }

  /**
   * Takes slope and Jacobian at `y`; to be called once before the tries of a step from there.
   * @param dy - the slope there, where it is known
   */
  linearise(y: Float64Array, dy?: Float64Array): void {
    this.system.jacobian(y, this.jac)
    if (dy) this.f.set(dy)
    else this.system.derivative(y, this.f)
  }

  /**
   * Tries a step of `h` from `y` into `next`.
   * @returns the error estimate over what is allowed, 1 or less when the step is good enough; NaN when the matrix is
   *   singular
   */
  step(
    y: Float64Array,
    h: number,
    next: Float64Array,
    tolerance: { relative: Float64Array; absolute: Float64Array },
  ): number {
    const n = this.system.size
    if (!this.lu.factor(this.jac, 1 / (h * GAMMA))) return Number.NaN
    for (let s = 0; s < STAGES; s++) {
      const us = this.u[s] as Float64Array
      this.prepare(y, s, h)
      if (s === 0) us.set(this.f)
      else {
        this.system.derivative(this.stage, us)
        for (let i = 0; i < n; i++) us[i] = (us[i] as number) + (this.pull[i] as number)
      }
      this.lu.solve(us)
    }
    // the last stage's state is the embedded solution; its increment is both the correction and the error
    const error = this.u[STAGES - 1] as Float64Array
    let worst = 0
    let counted = 0
    for (let i = 0; i < n; i++) {
      next[i] = (this.stage[i] as number) + (error[i] as number)
      const allowed =
        (tolerance.absolute[i] as number) +
        (tolerance.relative[i] as number) * Math.max(Math.abs(y[i] as number), Math.abs(next[i] as number))
      if (allowed === Number.POSITIVE_INFINITY) continue
      const share = (error[i] as number) / allowed
      worst += share * share
      counted++
    }
    return Math.sqrt(worst / Math.max(1, counted))
  }

  /** The state a stage looks at, and what the stages before it add to its right side: both in one pass over them. */
  private prepare(y: Float64Array, s: number, h: number): void {
    const { stage, pull, u } = this
    const [as, cs] = [A[s] as readonly number[], C[s] as readonly number[]]
    stage.set(y)
    pull.fill(0)
    for (let k = 0; k < s; k++) {
      const a = as[k] as number
      const c = (cs[k] as number) / h
      const uk = u[k] as Float64Array
      for (let i = 0; i < stage.length; i++) {
        const value = uk[i] as number
        stage[i] = (stage[i] as number) + a * value
        pull[i] = (pull[i] as number) + c * value
      }
    }
  }
}
