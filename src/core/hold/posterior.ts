import type { Bend } from './bends'
import { type BendSums, type Candidate, candidates, type HoseGas, type Prior, type Sums } from './candidates'
import type { CrossProducts } from './cross-products'
import { logSum, type Normal, overlap, overlapsInPieces, type Piece, underPieces } from './normal'
import type { Shape } from './types'

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

const MOST_WEIGHED = 300
const CELLS = 16

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

function weighOne(found: Hypothesis[], c: Candidate, prior: Prior, overlaps: BothOverlaps): void {
  if (c.bendSums === null) weighStraight(found, c, c.sums, prior, overlaps.dry)
  else weighBend(found, c, c.sums, c.bendSums, prior, overlaps.wet)
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
