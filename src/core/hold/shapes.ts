/** Weighted sums of a hold, each column and the readings less their weighted mean: what integrating out the level leaves. */
export type Moments = { yy: number; ly: number; ll: number; by: number; bb: number; lb: number; meanY: number; meanLine: number; meanBend: number }

/** A normal density of one coefficient: its best value and standard deviation. */
export type Normal = { mean: number; sigma: number }

/**
 * Moments of readings against a straight line and one bend.
 * @param t - s since the first sample
 * @param bend - the bend's height at each sample, 0 at first and up to 1
 * @param y - Pa
 * @param weights - 1 / variance, 1/Pa2
 */
export function momentsOf(t: Float64Array, y: Float64Array, weights: Float64Array, bend: Float64Array): Moments {
  let w = 0
  let sy = 0
  let sl = 0
  let sb = 0
  for (let i = 0; i < t.length; i++) {
    const wi = weights[i] as number
    w += wi
    sy += wi * (y[i] as number)
    sl += wi * (t[i] as number)
    sb += wi * (bend[i] as number)
  }
  const m = { yy: 0, ly: 0, ll: 0, by: 0, bb: 0, lb: 0, meanY: sy / w, meanLine: sl / w, meanBend: sb / w }
  for (let i = 0; i < t.length; i++) {
    const wi = weights[i] as number
    const dy = (y[i] as number) - m.meanY
    const dl = (t[i] as number) - m.meanLine
    const db = (bend[i] as number) - m.meanBend
    m.yy += wi * dy * dy
    m.ly += wi * dl * dy
    m.ll += wi * dl * dl
    m.by += wi * db * dy
    m.bb += wi * db * db
    m.lb += wi * dl * db
  }
  return m
}

/** A prior that gives every factor the same chance: log-uniform between two bounds of the coefficient's unit. */
export type LogUniform = { low: number; high: number }

const CELLS = 48

/**
 * Integral of a log-uniform prior times exp(-(x - mean)^2 / (2 sigma^2)), over the prior's range.
 * Each cell of the prior is taken as flat, the normal within it exactly.
 */
export function overlap(prior: LogUniform, { mean, sigma }: Normal): number {
  const span = Math.log(prior.high / prior.low)
  const step = Math.exp(span / CELLS)
  let sum = 0
  for (let i = 0, from = prior.low; i < CELLS; i++, from *= step) {
    const to = from * step
    const share = normalShare((from - mean) / sigma, (to - mean) / sigma)
    if (share > 0) sum += share / (Math.min(to, Math.max(from, mean)) * span)
  }
  return sum * sigma * Math.sqrt(2 * Math.PI)
}

/** Share of the standard normal between two bounds, a <= b. */
function normalShare(a: number, b: number): number {
  return a > 0 ? upperTail(a) - upperTail(b) : upperTail(-b) - upperTail(-a)
}

/** Upper tail of the standard normal, absolute error below 1e-7 (Abramowitz and Stegun 26.2.17). */
function upperTail(x: number): number {
  if (x < 0) return 1 - upperTail(-x)
  const k = 1 / (1 + 0.2316419 * x)
  const poly = k * (0.31938153 + k * (-0.356563782 + k * (1.781477937 + k * (-1.821255978 + k * 1.330274429))))
  return (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly
}

/** Slope of the straight line alone: Pa/s. */
export const lineAlone = (m: Moments): Normal => ({ mean: m.ly / m.ll, sigma: 1 / Math.sqrt(m.ll) })
/** Height of the bend alone, Pa. */
export const bendAlone = (m: Moments): Normal => ({ mean: m.by / m.bb, sigma: 1 / Math.sqrt(m.bb) })

/** Line and bend together: both coefficients, each with the other free; null when the record cannot part them. */
export function together(m: Moments): { line: Normal; bend: Normal } | null {
  const det = m.ll * m.bb - m.lb * m.lb
  if (!(det > 1e-9 * m.ll * m.bb)) return null
  return {
    line: { mean: (m.ly * m.bb - m.by * m.lb) / det, sigma: Math.sqrt(m.bb / det) },
    bend: { mean: (m.by * m.ll - m.ly * m.lb) / det, sigma: Math.sqrt(m.ll / det) },
  }
}

/** ln of the evidence of a level, up to a constant all shapes share. */
export const logLevel = (m: Moments): number => -m.yy / 2
/** ln of the evidence of a straight rise under its prior. */
export const logLine = (m: Moments, slope: LogUniform): number => -(m.yy - (m.ly * m.ly) / m.ll) / 2 + Math.log(overlap(slope, lineAlone(m)))
/** ln of the evidence of a bend under its prior. */
export const logBend = (m: Moments, height: LogUniform): number => -(m.yy - (m.by * m.by) / m.bb) / 2 + Math.log(overlap(height, bendAlone(m)))

const HEIGHTS = 40

/** ln of the evidence of both: the height is stepped through where it can be, the slope integrated at each. */
export function logBoth(m: Moments, height: LogUniform, slope: LogUniform): number {
  const both = together(m)
  if (!both) return Number.NEGATIVE_INFINITY
  const low = Math.max(height.low, both.bend.mean - 5 * both.bend.sigma)
  const high = Math.min(height.high, Math.max(low * 1.5, both.bend.mean + 5 * both.bend.sigma))
  if (!(high > low)) return Number.NEGATIVE_INFINITY
  const span = Math.log(height.high / height.low)
  const stepA = (high - low) / HEIGHTS
  const sigma = 1 / Math.sqrt(m.ll)
  const logs = Array.from({ length: HEIGHTS }, (_, i) => {
    const a = low + (i + 0.5) * stepA
    const mean = (m.ly - a * m.lb) / m.ll
    const chi2 = m.yy - 2 * a * m.by + a * a * m.bb - mean * mean * m.ll
    return -chi2 / 2 + Math.log((overlap(slope, { mean, sigma }) * stepA) / (a * span))
  })
  const top = Math.max(...logs)
  return top === Number.NEGATIVE_INFINITY ? top : top + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - top), 0))
}
