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

/** A prior known in pieces: log-uniform within each, and the chance that it is this one. */
export type Piece = LogUniform & { share: number }

const ROOT_TAU = Math.sqrt(2 * Math.PI)
/** A range is cut into so many cells at most, and a narrow one into fewer: each a quarter of a factor of e. */
const CELLS = 32
const FEWEST_CELLS = 4
const CELLS_A_FACTOR = 4
const cellsOf = (span: number): number => Math.min(CELLS, Math.max(FEWEST_CELLS, Math.ceil(CELLS_A_FACTOR * span)))

/** A value this many deviations inside its prior's range has its integral by the value alone. */
const CLEAR_SIGMAS = 6

/**
 * Integral of a log-uniform prior times exp(-(x - mean)^2 / (2 sigma^2)) over the prior's range.
 * Each cell of the prior is taken as flat, the normal within it exactly.
 */
export function overlap({ low, high }: LogUniform, { mean, sigma }: Normal): number {
  const span = Math.log(high / low)
  if (mean > CLEAR_SIGMAS * sigma && mean - CLEAR_SIGMAS * sigma > low && mean + CLEAR_SIGMAS * sigma < high)
    return (sigma * ROOT_TAU) / (mean * span)
  if (mean + 8 * sigma < low || mean - 8 * sigma > high) return 0
  const cells = cellsOf(span)
  const step = Math.exp(span / cells)
  let sum = 0
  let from = low
  let tailFrom = tailAt((from - mean) / sigma)
  for (let i = 0; i < cells; i++) {
    const to = from * step
    const tailTo = tailAt((to - mean) / sigma)
    const share = tailFrom - tailTo
    if (share > 0) sum += share / (Math.min(to, Math.max(from, mean)) * span)
    from = to
    tailFrom = tailTo
  }
  return sum * sigma * ROOT_TAU
}

const TABLE_STEP = 0.2
const TABLE_FROM = -9
const TABLE_TO = CLEAR_SIGMAS

/**
 * `overlap` for many means at one sigma: worked out when first asked on a grid of a fifth of a sigma, its logarithm
 * straight between.
 * Within 0.5 % of `overlap`; where the mean is far above or near the prior's end, `overlap` itself.
 */
export function overlapsAt(prior: LogUniform, sigma: number): (mean: number) => number {
  const logs = new Float64Array((TABLE_TO - TABLE_FROM) / TABLE_STEP + 2).fill(Number.NaN)
  const at = (i: number): number => {
    if (Number.isNaN(logs[i]))
      logs[i] = Math.log(Math.max(1e-300, overlap(prior, { mean: (TABLE_FROM + i * TABLE_STEP) * sigma, sigma })))
    return logs[i] as number
  }
  return (mean) => {
    const x = mean / sigma
    if (!(x > TABLE_FROM && x < TABLE_TO)) return overlap(prior, { mean, sigma })
    const place = (x - TABLE_FROM) / TABLE_STEP
    const i = Math.floor(place)
    return Math.exp(at(i) + (place - i) * (at(i + 1) - at(i)))
  }
}

/** The same over a prior known in pieces. */
export function overlapsInPieces(pieces: readonly Piece[], sigma: number): (mean: number) => number {
  const parts = pieces.map(({ share, ...range }) => ({ share, at: overlapsAt(range, sigma) }))
  return (mean) => parts.reduce((sum, { share, at }) => sum + share * at(mean), 0)
}

/** Mean and deviation of a value known in pieces, given a normal reading of it. */
export function underPieces(pieces: readonly Piece[], reading: Normal): Normal {
  const [only] = pieces
  if (only && pieces.length === 1) return under(only, reading)
  let [w, m, mm] = [0, 0, 0]
  for (const { share, ...range } of pieces) {
    const weight = share * overlap(range, reading)
    if (!(weight > 0)) continue
    const within = under(range, reading)
    w += weight
    m += weight * within.mean
    mm += weight * (within.mean ** 2 + within.sigma ** 2)
  }
  if (!(w > 0)) return reading
  return { mean: m / w, sigma: Math.sqrt(Math.max(1e-30, mm / w - (m / w) ** 2)) }
}

/** Mean and deviation of a log-uniform value given a normal reading of it. */
export function under({ low, high }: LogUniform, { mean, sigma }: Normal): Normal {
  if (mean - CLEAR_SIGMAS * sigma > Math.max(0, low) && mean < high) return { mean, sigma }
  const span = Math.log(high / low)
  const cells = cellsOf(span)
  const step = Math.exp(span / cells)
  const nearest = Math.max(0, low * Math.sqrt(step) - mean, mean - high / Math.sqrt(step)) ** 2 / (2 * sigma * sigma)
  let [w, m, mm] = [0, 0, 0]
  for (let i = 0, from = low; i < cells; i++, from *= step) {
    const x = from * Math.sqrt(step)
    // equal factors have equal chances; counted from the nearest, so that a reading far outside leaves the end it
    // points to
    const weight = Math.exp(nearest - (x - mean) ** 2 / (2 * sigma * sigma))
    w += weight
    m += weight * x
    mm += weight * x * x
  }
  if (!(w > 0)) return { mean: low, sigma }
  return { mean: m / w, sigma: Math.sqrt(Math.max((0.05 * m) / w, 1e-9) ** 2 + Math.max(0, mm / w - (m / w) ** 2)) }
}

const tailAt = (x: number): number => (x > 8 ? 0 : x < -8 ? 1 : upperTail(x))

/** ln(sum of exp). */
export function logSum(logs: ArrayLike<number>): number {
  let top = Number.NEGATIVE_INFINITY
  for (let i = 0; i < logs.length; i++) top = Math.max(top, logs[i] as number)
  if (top === Number.NEGATIVE_INFINITY) return top
  let sum = 0
  for (let i = 0; i < logs.length; i++) sum += Math.exp((logs[i] as number) - top)
  return top + Math.log(sum)
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

const MOST_PARTS = 150

/**
 * A mixture of very many normals as one of few: those alike in mean (to a quarter of the usual sigma) and in sigma (to
 * a tenth) become one with their common mean and spread.
 */
export function gathered(parts: readonly (Normal & { weight: number })[]): readonly (Normal & { weight: number })[] {
  if (parts.length <= MOST_PARTS) return parts
  const total = parts.reduce((sum, p) => sum + p.weight, 0)
  const usual = parts.reduce((sum, p) => sum + p.weight * p.sigma, 0) / total
  const groups = new Map<number, { w: number; m: number; mm: number }>()
  for (const p of parts) {
    const key = Math.round(p.mean / (0.25 * usual)) * 1000 + Math.round(10 * Math.log(p.sigma / usual))
    const group = groups.get(key) ?? { w: 0, m: 0, mm: 0 }
    groups.set(key, group)
    group.w += p.weight
    group.m += p.weight * p.mean
    group.mm += p.weight * (p.mean ** 2 + p.sigma ** 2)
  }
  return [...groups.values()].map(({ w, m, mm }) => ({
    weight: w,
    mean: m / w,
    sigma: Math.sqrt(Math.max(1e-30, mm / w - (m / w) ** 2)),
  }))
}
