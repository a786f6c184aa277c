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
  const found: Hypothesis[] = []
  const overlaps = overlapsOf(prior)
  const likeliest = candidates(products, bends, prior, wanted)
  // a record that says little leaves thousands alike: the best of them speak for all
  if (likeliest.length > MOST_WEIGHED) likeliest.sort((a, b) => b.log - a.log).length = MOST_WEIGHED
  for (const candidate of likeliest) weighOne(found, candidate, prior, overlaps)
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

/** Every combination of bend, what equalises and hoses, by its best fit; those far behind are left out. */
export function candidates(
  products: CrossProducts,
  bends: readonly Bend[],
  prior: Prior,
  wanted?: ReadonlySet<number>,
): Candidate[] {
  const grounds = groundsOf(products, bends.length, prior)
  const chances = bends.map((bend) => Math.log(bend.prior))
  // there are thousands: looked at by their logs alone first
  const logs = grounds.map((ground) => logsOn(ground, chances, wanted))
  const best = logs.reduce((top, own) => own.reduce((a, log) => Math.max(a, log), top), Number.NEGATIVE_INFINITY)
  return grounds.flatMap((ground, i) => near(ground, logs[i] as Float64Array, best - FAR_BEHIND, chances))
}

/**
 * The bend that fits best of all `among`, by its best fit alone, with a leak beside it or without.
 * @param among - places of bends
 */
export function bestBend(
  grounds: readonly Ground[],
  chances: readonly number[],
  among: readonly number[],
  heldPaS: number,
): number {
  let [top, found] = [Number.NEGATIVE_INFINITY, among[0] as number]
  for (const ground of grounds) {
    const logs = logsOn(ground, chances, undefined, heldPaS)
    for (const bend of among) {
      const log = logs[bend + 1] as number
      if (log > top) [top, found] = [log, bend]
    }
  }
  return found
}

/** What equalises and the hoses of a hypothesis, with the sums they leave for line and bend. */
export type Ground = { equalising: number; index: number; hose: HoseGas; chance: number; freed: Freed; sums: Sums }

export function groundsOf(products: CrossProducts, bends: number, prior: Prior): Ground[] {
  const readings = FIRST_BEND + bends
  const levelled = products.without(LEVEL, Number.POSITIVE_INFINITY).products
  return [-1, ...EQUALISING.keys()].flatMap((equalising) => {
    const { products: g, log } =
      equalising < 0
        ? { products: levelled, log: 0 }
        : levelled.without(FIRST_EQUALISING + equalising, prior.equalisingPa)
    const own = equalising < 0 ? NOTHING_TO_EQUALISE : (EQUALISING[equalising] as { prior: number }).prior
    return prior.hoses.flatMap((hose, index) => {
      const freed = freedOfHose(g, hose, readings)
      const ll = freed.line[LINE] as number
      if (!(ll > 0)) return []
      const sums = {
        yy: freed.read[readings] as number,
        ly: freed.read[LINE] as number,
        ll,
        lineSigma: 1 / Math.sqrt(ll),
      }
      return [{ equalising, index, hose, chance: Math.log(own) + log + Math.log(hose.chance) + freed.log, freed, sums }]
    })
  })
}

/**
 * Ln of each best fit: without a bend, then with each; nothing where it is not wanted.
 * @param heldPaS - the line's own deviation about zero; any line where none is said
 */
function logsOn(
  { equalising, index, chance, freed, sums }: Ground,
  chances: readonly number[],
  wanted: ReadonlySet<number> | undefined,
  heldPaS = Number.POSITIVE_INFINITY,
): Float64Array {
  const { line, read, squares } = freed
  const { yy, ly } = sums
  const ll = sums.ll + 1 / heldPaS ** 2
  const straight = -(yy - ly ** 2 / ll) / 2 + chance
  const logs = new Float64Array(chances.length + 1).fill(Number.NEGATIVE_INFINITY)
  if (!wanted || wanted.has(keyOf(equalising, index, -1))) logs[0] = straight
  for (let k = 0; k < chances.length; k++) {
    if (wanted && !wanted.has(keyOf(equalising, index, k))) continue
    const bl = line[FIRST_BEND + k] as number
    const full = (squares[FIRST_BEND + k] as number) - bl ** 2 / ll
    const height = full > 0 ? Math.max(0, (read[FIRST_BEND + k] as number) - (bl * ly) / ll) : 0
    logs[k + 1] = straight + (full > 0 ? height ** 2 / full : 0) / 2 + (chances[k] as number)
  }
  return logs
}

function near(
  { equalising, index, hose, chance, freed, sums }: Ground,
  logs: Float64Array,
  from: number,
  chances: readonly number[],
): Candidate[] {
  const found: Candidate[] = []
  logs.forEach((log, place) => {
    if (!(log > from)) return
    const bend = place - 1
    const column = FIRST_BEND + bend
    found.push({
      key: keyOf(equalising, index, bend),
      equalising,
      hose,
      bend,
      log,
      chance,
      sums,
      bendSums:
        bend < 0
          ? null
          : {
              by: freed.read[column] as number,
              bb: freed.squares[column] as number,
              bl: freed.line[column] as number,
            },
      bendChance: bend < 0 ? 0 : (chances[bend] as number),
    })
  })
  return found
}

function weighOne(found: Hypothesis[], c: Candidate, prior: Prior, overlaps: BothOverlaps): void {
  if (c.bendSums === null) weighStraight(found, c, c.sums, prior, overlaps.dry)
  else weighBend(found, c, c.sums, c.bendSums, prior, overlaps.wet)
}

/** Products of the line and of the readings with every column, and of every column with itself. */
type Freed = { line: Float64Array; read: Float64Array; squares: Float64Array; log: number }

/**
 * Those products when hoses give so many times their column, give or take: taken off the readings, the doubt integrated
 * out. Of all sums only what is asked for: a copy of them for each kind of hose took longer than all the rest.
 */
function freedOfHose(g: CrossProducts, { law, times, spread, bent }: HoseGas, readings: number): Freed {
  const gas = HOSE + law
  /** Products of a column with all others, the readings less the gas. */
  const rowOf = (column: number): Float64Array => {
    const row = g.row(column)
    if (times !== 0) row[readings] = (row[readings] as number) - times * g.get(column, gas)
    return row
  }
  const read = g.row(readings)
  if (times !== 0)
    for (let a = 0; a < readings; a++) read[a] = (read[a] as number) - times * g.get(Math.min(a, gas), Math.max(a, gas))
  if (times !== 0) read[readings] = g.get(readings, readings) - times * (g.get(gas, readings) + (read[gas] as number))
  const freed: Freed = { line: rowOf(LINE), read, squares: g.squares(), log: 0 }
  freed.squares[readings] = read[readings] as number
  if (times === 0 || !(spread > 0)) return freed
  const gives = rowOf(gas)
  const pivot = takeOut(freed, gives, gas, spread, readings)
  if (!bent) return freed
  const bends = rowOf(HOSE + bent.law)
  const shared = (bends[gas] as number) / pivot
  for (let a = 0; a <= readings; a++) bends[a] = (bends[a] as number) - shared * (gives[a] as number)
  takeOut(freed, bends, HOSE + bent.law, bent.spread, readings)
  return freed
}

/**
 * Takes a column out of those products, its coefficient's prior normal about zero.
 * @param row - the column's products with all others
 * @returns the column's own square with its prior's
 */
function takeOut(freed: Freed, row: Float64Array, column: number, spread: number, readings: number): number {
  const { line, read, squares } = freed
  const pivot = (row[column] as number) + 1 / spread ** 2
  const ofLine = (row[LINE] as number) / pivot
  const ofReadings = (row[readings] as number) / pivot
  for (let a = 0; a <= readings; a++) {
    const own = row[a] as number
    line[a] = (line[a] as number) - ofLine * own
    read[a] = (read[a] as number) - ofReadings * own
    squares[a] = (squares[a] as number) - (own * own) / pivot
  }
  freed.log -= 0.5 * Math.log(pivot * spread * spread)
  return pivot
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
  const slopes = loose(s, prior)
  const { logs, flats, means, heights, owns, wholes } = SCRATCH
  wholes.fill(0)
  let k = 0
  for (const { times, sigma } of slopes) {
    const at = overlaps(sigma)
    for (let i = 0; i < CELLS; i++) {
      const own = times * at(means[i] as number)
      wholes[i] = (wholes[i] as number) + own
      owns[k * CELLS + i] = own
    }
    k++
  }
  for (let i = 0; i < CELLS; i++) logs[i] = (flats[i] as number) + Math.log(wholes[i] as number)
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
    let squares = 0
    for (let k = 0; k < slopes.length; k++) squares += (owns[k * CELLS + i] as number) * (slopes[k] as Slope).paS ** 2
    unexplained2 += (weight * squares) / Math.max(1e-300, wholes[i] as number)
  }
  const spread = Math.max(0, square - mean ** 2)
  const sigma = Math.sqrt(s.lineSigma ** 2 + prior.driftPaS ** 2 + unexplained2 + spread)
  return { log, rise: { mean, sigma }, heightPa }
}

/** A slope beside the leak's own is as unexplained as without one: each deviation, and how much it counts. */
type Slope = { paS: number; sigma: number; times: number }
const loose = (s: Sums, prior: Prior): Slope[] =>
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

/** Heights whose rises lie within so many deviations of one another speak as one. */
const ALIKE_SIGMAS = 0.5

/** What a record says of the rise beside a bend: a part for heights that are alike and every slope without a reason. */
function lineBeside(s: Sums, b: BendSums, prior: Prior): LinePart[] {
  heightsOf(s, b, prior)
  const { flats, means } = SCRATCH
  const most = flats.reduce((top, flat) => Math.max(top, flat), Number.NEGATIVE_INFINITY)
  return loose(s, prior).flatMap(({ sigma, times }) => {
    const parts: LinePart[] = []
    let [from, w, m, mm] = [0, 0, 0, 0]
    const flush = () => {
      const mean = m / w
      const wide = Math.hypot(sigma, Math.sqrt(Math.max(0, mm / w - mean * mean)))
      if (w > 0) parts.push({ mean, sigma: wide, log: Math.log((w * times * sigma) / wide) })
      w = m = mm = 0
    }
    means.forEach((mean, i) => {
      if (w > 0 && Math.abs(mean - from) > ALIKE_SIGMAS * sigma) flush()
      if (w === 0) from = mean
      const own = Math.exp((flats[i] as number) - most)
      w += own
      m += own * mean
      mm += own * mean * mean
    })
    flush()
    return parts
  })
}
