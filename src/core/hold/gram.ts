/** Noise of a record: standard deviation of each sample, Pa, and how long a deviation lasts, s. */
export type Noise = { sigma: Float64Array; correlationS: number }

/**
 * Sums of products of columns over a record, each sample freed of what it shares with the one before (noise that dies out exponentially).
 * Row-major, symmetric; columns are functions of time, the last one is what was read.
 */
export class Gram {
  readonly size: number
  readonly sums: Float64Array
  private readonly before: Float64Array
  private readonly now: Float64Array
  private lastS = Number.NEGATIVE_INFINITY

  constructor(size: number) {
    this.size = size
    this.sums = new Float64Array(size * size)
    this.before = new Float64Array(size)
    this.now = new Float64Array(size)
  }

  /** Adds a sample. @param fill - writes the columns' values at this sample */
  add(elapsedS: number, sigma: number, correlationS: number, fill: (row: Float64Array) => void): void {
    const { size, now, before, sums } = this
    fill(now)
    const phi = Math.exp(-(elapsedS - this.lastS) / correlationS)
    const free = 1 / Math.sqrt(Math.max(1e-12, 1 - phi * phi))
    for (let a = 0; a < size; a++) {
      const scaled = (now[a] as number) / sigma
      now[a] = (scaled - phi * (before[a] as number)) * free
      before[a] = scaled
    }
    for (let a = 0; a < size; a++) {
      const va = now[a] as number
      const row = a * size
      for (let b = a; b < size; b++) sums[row + b] = (sums[row + b] as number) + va * (now[b] as number)
    }
    this.lastS = elapsedS
  }

  get(a: number, b: number): number {
    return this.sums[a <= b ? a * this.size + b : b * this.size + a] as number
  }

  /** A copy with a column taken out of all others, its coefficient's prior normal about zero; infinite sigma for no prior. Returns ln of what the integral adds. */
  without(column: number, priorSigma: number): { gram: Gram; log: number } {
    const out = new Gram(this.size)
    const pivot = this.get(column, column) + 1 / (priorSigma * priorSigma)
    for (let a = 0; a < this.size; a++) {
      const factor = pivot > 0 ? this.get(a, column) / pivot : 0
      const row = a * this.size
      for (let b = a; b < this.size; b++) out.sums[row + b] = this.get(a, b) - factor * this.get(column, b)
    }
    const log = Number.isFinite(priorSigma) ? -0.5 * Math.log(Math.max(1e-300, pivot * priorSigma * priorSigma)) : 0
    return { gram: out, log }
  }
}
