import { type Bend, EQUALISING, NOTHING_TO_EQUALISE } from './bends'
import type { CrossProducts } from './cross-products'
import { type LogUniform, logSum, type Normal, overlap, overlapsInPieces, type Piece, underPieces } from './normal'
import type { Shape } from './types'

/**
 * Gas of hoses: so many times the column of one law, give or take `spread` as a deviation; and where the law itself is
 * in doubt, a column that bends it, about zero with a deviation of its own.
 */
export type HoseGas = { law: number; times: number; spread: number; bent?: { law: number; spread: number } }

/** Chances and bounds the hypotheses are weighed with. */
export type Prior = {
  leak: number
  /** chance of water, in a tight car and in one that leaks: an earlier hold may have told one from the other */
  damp: { tight: number; leaks: number }
  /** rise of a leak, Pa/s, in a dry car and beside water: one piece, or what an earlier hold left of it */
  slopes: { dry: readonly Piece[]; wet: readonly Piece[] }
  /** height of a bend of water, Pa */
  height: LogUniform
  /** rise that temperature, weather and the gauge's steps can make by themselves, Pa/s */
  driftPaS: number
  /**
   * slope that no shape of water explains beside a bend, for none of them is the whole truth: deviations, Pa/s, and the
   * chance of each
   */
  unexplained: readonly { paS: number; chance: number }[]
  /** what may rise without being called a leak, permeation of hoses and holes below the least leak, Pa/s */
  permeationPaS: number
  /** how far the warming of what has risen may bend the rise itself, Pa/s */
  warmedPaS: number
  /** deviation of what equalises, Pa */
  equalisingPa: number
  /** gas of hoses, as multiples of the hose column, with the chance of each */
  hoses: readonly (HoseGas & { chance: number })[]
}

/** One way to explain a record: a shape with its bend, what equalises, and the hoses. */
export type Hypothesis = {
  key: number
  shape: Shape
  bend: number
  equalising: number
  hose: HoseGas
  log: number
  /** what does not die, Pa/s, and the height of the bend, Pa */
  rise: Normal
  heightPa: number
  /** what the record alone says of the rise, nothing presumed of it; worked out when asked */
  line: () => readonly LinePart[]
}

/** A part of what a record says of a rise, Pa/s: not a chance but a likelihood, `log` the ln of its height. */
export type LinePart = Normal & { log: number }

/** Columns of the sums: level, line, hoses, what equalises, bends, readings. */
export const LEVEL = 0
export const LINE = 1
export const HOSE = 2
/**
 * laws of the hoses' gas there are columns for: short and long under vacuum before, and what bends each; a baseline that
 * stays, dies away, or half and half
 */
export const HOSE_LAWS = 4
export const FIRST_EQUALISING = HOSE + HOSE_LAWS
export const FIRST_BEND = FIRST_EQUALISING + EQUALISING.length

/** A hypothesis this far behind the best in ln is not looked at closely. */
const FAR_BEHIND = 8.5
const MOST_WEIGHED = 300
const CELLS = 16
type Sums = { yy: number; ly: number; ll: number; lineSigma: number }
type BendSums = { by: number; bb: number; bl: number }

/**
 * Every hypothesis with the integral of its likelihood over its coefficients (ln, a shared constant left out).
 * @param wanted - keys of the only ones to weigh
 * Level, what equalises and drift are integrated exactly; the leak's rise and the bend's height under their log-uniform
 * priors.
 */
export function weigh(
  products: CrossProducts,
  bends: readonly Bend[],
  prior: Prior,
  wanted?: ReadonlySet<number>,
): Hypothesis[] {
  const rough = candidates(products, bends, prior, wanted)
  const best = rough.reduce((top, r) => Math.max(top, r.log), Number.NEGATIVE_INFINITY)
  const found: Hypothesis[] = []
  const overlaps = overlapsOf(prior)
  const near = rough.filter((r) => r.log > best - FAR_BEHIND)
  // a record that says little leaves thousands alike: the best of them speak for all
  if (near.length > MOST_WEIGHED) near.sort((a, b) => b.log - a.log).length = MOST_WEIGHED
  for (const r of near) weighOne(found, r, prior, overlaps)
  return found
}

/** What a hypothesis is told by among those of one record, its shape left out. */
const keyOf = (equalising: number, hose: number, bend: number): number =>
  ((equalising + 1) * 100 + hose) * 1000 + bend + 1

/** Integrals over a leak's rise by its mean, kept for every uncertainty of the line there is: there are few. */
type Overlaps = (sigma: number) => (mean: number) => number
type BothOverlaps = { dry: Overlaps; wet: Overlaps }
function overlapsOf({ slopes }: Prior): BothOverlaps {
  const dry = overlapsIn(slopes.dry)
  return { dry, wet: slopes.wet === slopes.dry ? dry : overlapsIn(slopes.wet) }
}

function overlapsIn(pieces: readonly Piece[]): Overlaps {
  const tables = new Map<number, (mean: number) => number>()
  return (sigma) => {
    let table = tables.get(sigma)
    if (!table) {
      table = overlapsInPieces(pieces, sigma)
      tables.set(sigma, table)
    }
    return table
  }
}

/** A hypothesis by its best fit alone, with the sums to weigh it by. */
export type Candidate = {
  key: number
  equalising: number
  hose: HoseGas
  bend: number
  log: number
  chance: number
  sums: Sums
  bendSums: BendSums | null
  bendChance: number
}

/** Every combination of bend, what equalises and hoses, by its best fit. */
export function candidates(
  products: CrossProducts,
  bends: readonly Bend[],
  prior: Prior,
  wanted?: ReadonlySet<number>,
): Candidate[] {
  const readings = FIRST_BEND + bends.length
  const levelled = products.without(LEVEL, Number.POSITIVE_INFINITY).products
  const rough: Candidate[] = []
  for (let equalising = -1; equalising < EQUALISING.length; equalising++) {
    const { products: g, log: eLog } =
      equalising < 0
        ? { products: levelled, log: 0 }
        : levelled.without(FIRST_EQUALISING + equalising, prior.equalisingPa)
    const eChance =
      Math.log(equalising < 0 ? NOTHING_TO_EQUALISE : (EQUALISING[equalising] as { prior: number }).prior) + eLog
    for (const [index, hose] of prior.hoses.entries()) {
      const { of, log: hLog } = freedOfHose(g, hose, readings)
      const chance = eChance + Math.log(hose.chance) + hLog
      const sums = sumsOf(of, readings)
      if (!(sums.ll > 0)) continue
      const straight = -(sums.yy - sums.ly ** 2 / sums.ll) / 2 + chance
      const flat = keyOf(equalising, index, -1)
      if (!wanted || wanted.has(flat))
        rough.push({
          key: flat,
          equalising,
          hose,
          bend: -1,
          log: straight,
          chance,
          sums,
          bendSums: null,
          bendChance: 0,
        })
      for (let k = 0; k < bends.length; k++) {
        const key = keyOf(equalising, index, k)
        if (wanted && !wanted.has(key)) continue
        const column = FIRST_BEND + k
        const b = { by: of(column, readings), bb: of(column, column), bl: of(LINE, column) }
        const full = b.bb - b.bl ** 2 / sums.ll
        const gain = full > 0 ? Math.max(0, b.by - (b.bl * sums.ly) / sums.ll) ** 2 / full : 0
        const bendChance = Math.log((bends[k] as Bend).prior)
        rough.push({
          key,
          equalising,
          hose,
          bend: k,
          log: straight + gain / 2 + bendChance,
          chance,
          sums,
          bendSums: b,
          bendChance,
        })
      }
    }
  }
  return rough
}

function weighOne(found: Hypothesis[], c: Candidate, prior: Prior, overlaps: BothOverlaps): void {
  if (c.bendSums === null) weighStraight(found, c, c.sums, prior, overlaps.dry)
  else weighBend(found, c, c.sums, c.bendSums, prior, overlaps.wet)
}

type Products = (a: number, b: number) => number

/**
 * Products of columns when hoses give so many times their column, give or take: taken off the readings, the doubt
 * integrated out. Worked out one by one as asked, because a copy of all sums for each kind of hose took longer than all
 * the rest.
 */
function freedOfHose(
  g: CrossProducts,
  { law, times, spread, bent }: HoseGas,
  readings: number,
): { of: Products; log: number } {
  if (times === 0) return { of: (a, b) => g.get(a, b), log: 0 }
  const gas = HOSE + law
  const plain = (a: number, b: number): number => {
    if (b !== readings) return g.get(a, b)
    return a === readings
      ? g.get(a, a) - 2 * times * g.get(gas, a) + times * times * g.get(gas, gas)
      : g.get(a, b) - times * g.get(a, gas)
  }
  const freed = spread > 0 ? without(plain, gas, spread) : { of: plain, log: 0 }
  if (!bent) return freed
  const straight = without(freed.of, HOSE + bent.law, bent.spread)
  return { of: straight.of, log: freed.log + straight.log }
}

/** Products with a column taken out of all others, its coefficient's prior normal about zero. */
function without(of: Products, column: number, spread: number): { of: Products; log: number } {
  const pivot = of(column, column) + 1 / spread ** 2
  const known: number[] = []
  const shared = (a: number): number => {
    known[a] ??= of(Math.min(column, a), Math.max(column, a))
    return known[a]
  }
  return {
    of: (a, b) => of(a, b) - (shared(a) * shared(b)) / pivot,
    log: -0.5 * Math.log(pivot * spread * spread),
  }
}

function sumsOf(of: Products, readings: number): Sums {
  const ll = of(LINE, LINE)
  return { yy: of(readings, readings), ly: of(LINE, readings), ll, lineSigma: 1 / Math.sqrt(ll) }
}

/** What does not die when there is no leak: little, whatever the line says. */
function restingRise(line: Normal, prior: Prior): Normal {
  const most = Math.hypot(prior.driftPaS, prior.permeationPaS)
  const share = most ** 2 / (most ** 2 + line.sigma ** 2)
  const mean = Math.max(-2 * most, Math.min(2 * most, line.mean * share))
  return { mean, sigma: Math.hypot(line.sigma * Math.sqrt(share), most / 2) }
}

function leakRise(line: Normal, slopes: readonly Piece[], prior: Prior): Normal {
  const { mean, sigma } = underPieces(slopes, line)
  return { mean, sigma: Math.hypot(sigma, prior.warmedPaS) }
}

function weighStraight(
  found: Hypothesis[],
  { key, chance, equalising, hose }: Candidate,
  s: Sums,
  prior: Prior,
  overlaps: Overlaps,
): void {
  const mean = s.ly / s.ll
  const sigma = Math.hypot(s.lineSigma, prior.driftPaS)
  const fit = -(s.yy - s.ly * mean) / 2 + chance + Math.log(s.lineSigma / sigma)
  const line = { mean, sigma }
  const lines = () => [{ ...line, log: 0 }]
  found.push({
    key,
    bend: -1,
    equalising,
    hose,
    heightPa: 0,
    shape: 'tight',
    line: lines,
    rise: restingRise({ mean, sigma: s.lineSigma }, prior),
    log: fit - mean ** 2 / (2 * sigma ** 2) + Math.log(1 - prior.leak) + Math.log(1 - prior.damp.tight),
  })
  found.push({
    key,
    bend: -1,
    equalising,
    hose,
    heightPa: 0,
    shape: 'leak',
    line: lines,
    rise: leakRise(line, prior.slopes.dry, prior),
    log: fit + Math.log(overlaps(sigma)(mean)) + Math.log(prior.leak) + Math.log(1 - prior.damp.leaks),
  })
}

function weighBend(
  found: Hypothesis[],
  candidate: Candidate,
  s: Sums,
  b: BendSums,
  prior: Prior,
  overlaps: Overlaps,
): void {
  const { key, equalising, hose, bend } = candidate
  const chance = candidate.chance + candidate.bendChance
  const alone = prior.unexplained.map(({ paS, chance: own }) => {
    const bent = bentAlone(s, b, prior, paS)
    return { ...bent, log: bent.log + Math.log(own) }
  })
  const likeliest = alone.reduce((a, c) => (c.log > a.log ? c : a))
  const logDamp = logSum(alone.map((a) => a.log))
  const both = weighBoth(s, b, prior, overlaps)
  const line = () => lineBeside(s, b, prior)
  const heightPa = Math.min(prior.height.high, Math.max(0, likeliest.heightPa))
  found.push({
    key,
    bend,
    equalising,
    hose,
    shape: 'damp',
    line,
    rise: restingRise(both.rise, prior),
    log: chance + logDamp + Math.log(1 - prior.leak) + Math.log(prior.damp.tight),
    heightPa,
  })
  found.push({
    key,
    bend,
    equalising,
    hose,
    shape: 'leak-and-damp',
    line,
    rise: leakRise(both.rise, prior.slopes.wet, prior),
    log: chance + both.log + Math.log(prior.leak) + Math.log(prior.damp.leaks),
    heightPa: both.heightPa,
  })
}

/**
 * A bend and no leak: the line is drift and what the shape leaves unexplained, normal about zero, integrated out.
 * @param unexplainedPaS - its deviation, Pa/s
 */
function bentAlone(s: Sums, b: BendSums, prior: Prior, unexplainedPaS: number): { log: number; heightPa: number } {
  const loosePaS = Math.hypot(prior.driftPaS, unexplainedPaS)
  const held = s.ll + 1 / loosePaS ** 2
  const bb = b.bb - b.bl ** 2 / held
  const by = b.by - (b.bl * s.ly) / held
  const height = { mean: by / bb, sigma: 1 / Math.sqrt(bb) }
  const free = -(s.yy - s.ly ** 2 / held - by ** 2 / bb) / 2 - 0.5 * Math.log(held * loosePaS ** 2)
  return { log: free + Math.log(overlap(prior.height, height)), heightPa: height.mean }
}

/** Deviations a slope without a reason may have, at most. */
const MOST_SLOPES = 8

/** Room for the cells of one hypothesis, used again by the next: a record has up to two thousand. */
const SCRATCH = {
  logs: new Float64Array(CELLS),
  flats: new Float64Array(CELLS),
  means: new Float64Array(CELLS),
  heights: new Float64Array(CELLS),
  wholes: new Float64Array(CELLS),
  owns: new Float64Array(CELLS * MOST_SLOPES),
}

/**
 * Heights are looked at so many deviations around the best, over this factor at least; a narrower range in equal
 * steps.
 */
const REACH = 6
const LEAST_FACTOR = 1.5
const NARROW_FACTOR = 1.3

/**
 * Bend and leak together: the height stepped through where it can be, the rise integrated at each; and the rise with
 * nothing presumed of it.
 */
function weighBoth(
  s: Sums,
  b: BendSums,
  prior: Prior,
  overlaps: Overlaps,
): { log: number; rise: Normal; heightPa: number } {
  heightsOf(s, b, prior)
  const slopes = loose(s, prior).map(({ sigma, ...slope }) => ({ ...slope, at: overlaps(sigma) }))
  const { logs, flats, means, heights, owns, wholes } = SCRATCH
  for (let i = 0; i < CELLS; i++) {
    let whole = 0
    for (const [k, slope] of slopes.entries()) {
      const own = slope.times * slope.at(means[i] as number)
      whole += own
      owns[k * CELLS + i] = own
    }
    logs[i] = (flats[i] as number) + Math.log(whole)
    wholes[i] = whole
  }
  const riseLog = logSum(flats)
  let [mean, square, heightPa] = [0, 0, 0]
  for (let i = 0; i < CELLS; i++) {
    const share = Math.exp((flats[i] as number) - riseLog)
    mean += share * (means[i] as number)
    square += share * (means[i] as number) ** 2
  }
  const log = logSum(logs)
  let unexplained2 = 0
  for (let i = 0; i < CELLS; i++) {
    // where no height leaves room for a leak, heights count as they do without one
    const weight = log === -Infinity ? Math.exp((flats[i] as number) - riseLog) : Math.exp((logs[i] as number) - log)
    heightPa += weight * (heights[i] as number)
    for (const [k, { paS }] of slopes.entries())
      unexplained2 += (weight * (owns[k * CELLS + i] as number) * paS ** 2) / Math.max(1e-300, wholes[i] as number)
  }
  const spread = Math.max(0, square - mean ** 2)
  const sigma = Math.sqrt(s.lineSigma ** 2 + prior.driftPaS ** 2 + unexplained2 + spread)
  return { log, rise: { mean, sigma }, heightPa }
}

/** A slope beside the leak's own is as unexplained as without one: each deviation, and how much it counts. */
const loose = (s: Sums, prior: Prior) =>
  prior.unexplained.map(({ paS, chance }) => {
    const sigma = Math.hypot(s.lineSigma, prior.driftPaS, paS)
    return { paS, sigma, times: (chance * s.lineSigma) / sigma }
  })

/** The heights a bend may have: what each leaves of the rise, and how likely it is with nothing presumed of that. */
function heightsOf(s: Sums, b: BendSums, { height }: Prior): void {
  const full = b.bb - b.bl ** 2 / s.ll
  const sigmaD = 1 / Math.sqrt(Math.max(1e-30, full))
  const meanD = (b.by - (b.bl * s.ly) / s.ll) * sigmaD ** 2
  const low = Math.max(height.low, Math.min(height.high * 0.5, meanD - REACH * sigmaD))
  const high = Math.min(height.high, Math.max(low * LEAST_FACTOR, meanD + REACH * sigmaD))
  const span = Math.log(height.high / height.low)
  const step = Math.exp(Math.log(high / low) / CELLS)
  const narrow = 2 * REACH * sigmaD < high - low || high / low < NARROW_FACTOR
  const linear = (high - low) / CELLS
  const { flats, means, heights } = SCRATCH
  for (let i = 0, from = low; i < CELLS; i++) {
    // equal factors over a wide range, equal steps over a narrow one
    const to = narrow ? from + linear : from * step
    const d = (from + to) / 2
    const mean = (s.ly - d * b.bl) / s.ll
    const chi = s.yy - 2 * d * b.by + d * d * b.bb - mean * mean * s.ll
    flats[i] = Math.log((to - from) / (d * span)) - chi / 2
    means[i] = mean
    heights[i] = d
    from = to
  }
}

/** What a record says of the rise beside a bend: a part for every height and every slope without a reason. */
function lineBeside(s: Sums, b: BendSums, prior: Prior): LinePart[] {
  heightsOf(s, b, prior)
  const { flats, means } = SCRATCH
  const most = flats.reduce((top, flat) => Math.max(top, flat), Number.NEGATIVE_INFINITY)
  return loose(s, prior).flatMap(({ sigma, times }) =>
    Array.from(means, (mean, i) => ({ mean, sigma, log: (flats[i] as number) - most + Math.log(times) })),
  )
}
