/** Upper tail of the standard normal, absolute error below 1e-7 (Abramowitz and Stegun 26.2.17). */
export function upperTail(x: number): number {
  if (x < 0) return 1 - upperTail(-x)
  const k = 1 / (1 + 0.2316419 * x)
  const poly = k * (0.31938153 + k * (-0.356563782 + k * (1.781477937 + k * (-1.821255978 + k * 1.330274429))))
  return (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly
}

/** Share of the standard normal between two bounds, a <= b. */
export function normalShare(a: number, b: number): number {
  return a > 0 ? upperTail(a) - upperTail(b) : upperTail(-b) - upperTail(-a)
}

/** A normal density of one coefficient: its best value and standard deviation. */
export type Normal = { mean: number; sigma: number }

/** A prior that gives every factor the same chance: log-uniform between two bounds of the coefficient's unit. */
export type LogUniform = { low: number; high: number }

const ROOT_TAU = Math.sqrt(2 * Math.PI)
const CELLS = 32
/** A value this many deviations inside its prior's range has its integral by the value alone. */
const CLEAR_SIGMAS = 6

/**
 * Integral of a log-uniform prior times exp(-(x - mean)^2 / (2 sigma^2)) over the prior's range.
 * Each cell of the prior is taken as flat, the normal within it exactly.
 */
export function overlap({ low, high }: LogUniform, { mean, sigma }: Normal): number {
  const span = Math.log(high / low)
  if (mean > CLEAR_SIGMAS * sigma && mean - CLEAR_SIGMAS * sigma > low && mean + CLEAR_SIGMAS * sigma < high) return (sigma * ROOT_TAU) / (mean * span)
  if (mean + 8 * sigma < low || mean - 8 * sigma > high) return 0
  const step = Math.exp(span / CELLS)
  let sum = 0
  let from = low
  let tailFrom = tailAt((from - mean) / sigma)
  for (let i = 0; i < CELLS; i++) {
    const to = from * step
    const tailTo = tailAt((to - mean) / sigma)
    const share = tailFrom - tailTo
    if (share > 0) sum += share / (Math.min(to, Math.max(from, mean)) * span)
    from = to
    tailFrom = tailTo
  }
  return sum * sigma * ROOT_TAU
}

/** Mean and deviation of a log-uniform value given a normal reading of it. */
export function under({ low, high }: LogUniform, { mean, sigma }: Normal): Normal {
  if (mean > CLEAR_SIGMAS * sigma && mean < high) return { mean, sigma }
  const step = Math.exp(Math.log(high / low) / CELLS)
  let [w, m, mm] = [0, 0, 0]
  for (let i = 0, from = low; i < CELLS; i++, from *= step) {
    const x = from * Math.sqrt(step)
    // equal factors have equal chances; far readings are kept from vanishing altogether
    const weight = Math.exp(-Math.min(700, (x - mean) ** 2 / (2 * sigma * sigma)))
    w += weight
    m += weight * x
    mm += weight * x * x
  }
  if (!(w > 0)) return { mean: low, sigma }
  return { mean: m / w, sigma: Math.sqrt(Math.max((0.05 * m) / w, 1e-9) ** 2 + Math.max(0, mm / w - (m / w) ** 2)) }
}

const tailAt = (x: number): number => (x > 8 ? 0 : x < -8 ? 1 : upperTail(x))

/** ln(sum of exp). */
export function logSum(logs: readonly number[]): number {
  const top = Math.max(...logs)
  if (top === Number.NEGATIVE_INFINITY) return top
  return top + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - top), 0))
}

/** Value below which a share of a mixture of normals lies; bisected to a thousandth of its widest part. */
export function mixtureQuantile(parts: readonly (Normal & { weight: number })[], share: number): number {
  const total = parts.reduce((s, p) => s + p.weight, 0)
  const widest = Math.max(...parts.map((p) => p.sigma))
  let low = Math.min(...parts.map((p) => p.mean - 8 * p.sigma))
  let high = Math.max(...parts.map((p) => p.mean + 8 * p.sigma))
  const below = (x: number) => parts.reduce((s, p) => s + p.weight * (1 - tailAt((x - p.mean) / p.sigma)), 0) / total
  for (let i = 0; i < 80 && high - low > 1e-3 * widest; i++) {
    const middle = (low + high) / 2
    if (below(middle) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}
