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
  /** the last so many states are only summed up: nothing depends on them */
  passive?: number
  derivative: (y: Float64Array, dy: Float64Array) => void
  jacobian: (y: Float64Array, jac: Float64Array) => void
}

/** One step of RODAS, with all its memory made once. */
export class Rosenbrock {
  private readonly system: StiffSystem
  private readonly active: number
  private readonly jac: Float64Array
  private readonly matrix: Float64Array
  private readonly pivots: Int32Array
  private readonly u: Float64Array[]
  private readonly f: Float64Array
  private readonly stage: Float64Array

  constructor(system: StiffSystem) {
    const n = system.size
    this.system = system
    this.active = n - (system.passive ?? 0)
    this.jac = new Float64Array(n * n)
    this.matrix = new Float64Array(n * n)
    this.pivots = new Int32Array(n)
    this.u = Array.from({ length: STAGES }, () => new Float64Array(n))
    this.f = new Float64Array(n)
    this.stage = new Float64Array(n)
  }

  /** Takes the Jacobian at `y`; to be called once before the tries of a step from there. */
  linearise(y: Float64Array): void {
    this.system.jacobian(y, this.jac)
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
    if (!this.factor(h)) return Number.NaN
    for (let s = 0; s < STAGES; s++) {
      this.stageState(y, s)
      this.system.derivative(this.stage, this.f)
      const us = this.u[s] as Float64Array
      const cs = C[s] as readonly number[]
      us.set(this.f)
      for (let k = 0; k < s; k++) {
        const c = (cs[k] as number) / h
        const uk = this.u[k] as Float64Array
        for (let i = 0; i < n; i++) us[i] = (us[i] as number) + c * (uk[i] as number)
      }
      this.solve(us)
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

  private stageState(y: Float64Array, s: number): void {
    const as = A[s] as readonly number[]
    this.stage.set(y)
    for (let k = 0; k < s; k++) {
      const a = as[k] as number
      const uk = this.u[k] as Float64Array
      for (let i = 0; i < y.length; i++) this.stage[i] = (this.stage[i] as number) + a * (uk[i] as number)
    }
  }

  /** LU of I / (h gamma) - J with partial pivoting. */
  private factor(h: number): boolean {
    const n = this.system.size
    const m = this.matrix
    for (let i = 0; i < n * n; i++) m[i] = -(this.jac[i] as number)
    for (let i = 0; i < n; i++) m[i * n + i] = (m[i * n + i] as number) + 1 / (h * GAMMA)
    const active = this.active
    for (let k = 0; k < active; k++) {
      let pivot = k
      for (let i = k + 1; i < active; i++)
        if (Math.abs(m[i * n + k] as number) > Math.abs(m[pivot * n + k] as number)) pivot = i
      this.pivots[k] = pivot
      const value = m[pivot * n + k] as number
      if (!(Math.abs(value) > 0)) return false
      if (pivot !== k) {
        for (let j = 0; j < active; j++) {
          const t = m[k * n + j] as number
          m[k * n + j] = m[pivot * n + j] as number
          m[pivot * n + j] = t
        }
      }
      for (let i = k + 1; i < n; i++) {
        const entry = m[i * n + k] as number
        // most of a network's matrix is empty, and stays so
        if (entry === 0) continue
        const factor = entry / value
        m[i * n + k] = factor
        for (let j = k + 1; j < active; j++) m[i * n + j] = (m[i * n + j] as number) - factor * (m[k * n + j] as number)
      }
    }
    return true
  }

  private solve(b: Float64Array): void {
    const n = this.system.size
    const m = this.matrix
    const active = this.active
    for (let k = 0; k < active; k++) {
      const pivot = this.pivots[k] as number
      if (pivot !== k) {
        const t = b[k] as number
        b[k] = b[pivot] as number
        b[pivot] = t
      }
    }
    for (let i = 1; i < n; i++) {
      let sum = b[i] as number
      for (let j = 0; j < Math.min(i, active); j++) sum -= (m[i * n + j] as number) * (b[j] as number)
      b[i] = sum
    }
    for (let i = n - 1; i >= active; i--) b[i] = (b[i] as number) / (m[i * n + i] as number)
    for (let i = active - 1; i >= 0; i--) {
      let sum = b[i] as number
      for (let j = i + 1; j < active; j++) sum -= (m[i * n + j] as number) * (b[j] as number)
      b[i] = sum / (m[i * n + i] as number)
    }
  }
}
