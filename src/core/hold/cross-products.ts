/** Noise of a record: standard deviation of each sample, Pa, and how long a deviation lasts, s. */
export type Noise = { sigma: Float64Array; correlationS: number }

/**
 * Sums of products of columns over a record, each sample freed of what it shares with the one before (noise that dies
 * out exponentially). Only columns among the first `lead` may be taken out of the others. Row-major, symmetric; columns
 * are functions of time, the last one is what was read.
 */
export class CrossProducts {
  readonly size: number
  /**
   * so many first columns have their products with all others; of the rest only squares and products with the last
   * column are kept
   */
  readonly lead: number
  readonly sums: Float64Array
  private readonly before: Float64Array
  private readonly now: Float64Array
  private lastS = Number.NEGATIVE_INFINITY

  constructor(size: number, lead = size) {
    this.size = size
    this.lead = Math.min(size, lead)
    this.sums = new Float64Array(size * size)
    this.before = new Float64Array(size)
    this.now = new Float64Array(size)
  }

  /** Adds a sample. @param fill - writes the columns' values at this sample */
  add(elapsedS: number, sigma: number, correlationS: number, fill: (row: Float64Array) => void): void {
    const { size, lead, now, before, sums } = this
    fill(now)
    const phi = Math.exp(-(elapsedS - this.lastS) / correlationS)
    const free = 1 / Math.sqrt(Math.max(1e-12, 1 - phi * phi))
    for (let a = 0; a < size; a++) {
      const scaled = (now[a] as number) / sigma
      now[a] = (scaled - phi * (before[a] as number)) * free
      before[a] = scaled
    }
    const last = size - 1
    for (let a = 0; a < size; a++) {
      const va = now[a] as number
      const row = a * size
      if (a < lead) for (let b = a; b < size; b++) sums[row + b] = (sums[row + b] as number) + va * (now[b] as number)
      else {
        sums[row + a] = (sums[row + a] as number) + va * va
        if (a < last) sums[row + last] = (sums[row + last] as number) + va * (now[last] as number)
      }
    }
    this.lastS = elapsedS
  }

  get(a: number, b: number): number {
    return this.sums[a <= b ? a * this.size + b : b * this.size + a] as number
  }

  /** Products of a column with every column, those that are kept. */
  row(column: number): Float64Array {
    const row = new Float64Array(this.size)
    for (let other = 0; other < this.size; other++) row[other] = this.get(column, other)
    return row
  }

  /** Products of every column with itself. */
  squares(): Float64Array {
    const own = new Float64Array(this.size)
    for (let column = 0; column < this.size; column++) own[column] = this.get(column, column)
    return own
  }

  /**
   * A copy with a column taken out of all others, its coefficient's prior normal about zero; infinite sigma for no
   * prior. Returns ln of what the integral adds.
   */
  without(column: number, priorSigma: number): { products: CrossProducts; log: number } {
    const out = new CrossProducts(this.size, this.lead)
    const last = this.size - 1
    const pivot = this.get(column, column) + 1 / (priorSigma * priorSigma)
    for (let a = 0; a < this.size; a++) {
      const factor = pivot > 0 ? this.get(a, column) / pivot : 0
      const row = a * this.size
      if (a < this.lead)
        for (let b = a; b < this.size; b++) out.sums[row + b] = this.get(a, b) - factor * this.get(column, b)
      else for (const b of a < last ? [a, last] : [a]) out.sums[row + b] = this.get(a, b) - factor * this.get(column, b)
    }
    const log = Number.isFinite(priorSigma) ? -0.5 * Math.log(Math.max(1e-300, pivot * priorSigma * priorSigma)) : 0
    return { products: out, log }
  }
}
