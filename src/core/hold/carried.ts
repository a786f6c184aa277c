import type { Prior } from './candidates'
import type { LogUniform, Piece } from './normal'
import type { Hypothesis, LinePart } from './posterior'
import type { Carried, PreviousHold, Shape } from './types'

/** Shares of belief below the quantiles of the rise a hold hands on. */
export const CARRIED_AT = [
  0.005, 0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.95, 0.98, 0.995,
] as const

/** The rise is looked at in so many equal factors of its range. */
const CELLS = 120
/** What is lighter than this share of the leak, or of its likeliest explanation, hands nothing on. */
const LEAST_WEIGHT = 1e-3
/** A part of an explanation this far behind its likeliest one, in ln, is left out. */
const FAR_BEHIND = 7
/** ... and beyond so many of its deviations it is taken for nothing. */
const REACH = 6

/**
 * What is believed of a leak's rise, as quantiles, in a dry car and beside water.
 * @param hypotheses - with their weights, the heaviest first; of leaks only those count
 * @param slopes - what was presumed of the rise, Pa/s
 */
export function carriedOf(
  hypotheses: readonly { h: Hypothesis; weight: number }[],
  slopes: Prior['slopes'],
): Carried | null {
  const of = (shape: Shape) => hypotheses.filter(({ h }) => h.shape === shape)
  const [dry, wet] = [of('leak'), of('leak-and-damp')]
  const sum = (some: typeof dry) => some.reduce((total, { weight }) => total + weight, 0)
  const whole = sum(dry) + sum(wet)
  if (!(whole > 0)) return null
  const rises = (some: typeof dry, presumed: readonly Piece[]) =>
    sum(some) > LEAST_WEIGHT * whole ? quantiles(beliefIn(linesOf(some), presumed), rangeOf(presumed)) : []
  return {
    leakAndDamp: Math.min(1, sum(wet)),
    riseIfDryPaS: rises(dry, slopes.dry),
    riseIfWetPaS: rises(wet, slopes.wet),
  }
}

type Line = { parts: readonly LinePart[]; weight: number }
function linesOf(some: readonly { h: Hypothesis; weight: number }[]): Line[] {
  const heaviest = some[0]?.weight ?? 0
  return some.filter((l) => l.weight > LEAST_WEIGHT * heaviest).map(({ h, weight }) => ({ parts: h.line(), weight }))
}

const rangeOf = (slopes: readonly Piece[]): LogUniform => ({
  low: Math.min(...slopes.map((p) => p.low)),
  high: Math.max(...slopes.map((p) => p.high)),
})

/** Belief in each cell of the range, adding up to one. */
function beliefIn(lines: readonly Line[], slopes: readonly Piece[]): Float64Array {
  const { low, high } = rangeOf(slopes)
  const step = Math.log(high / low) / CELLS
  const at = Float64Array.from({ length: CELLS }, (_, i) => low * Math.exp((i + 0.5) * step))
  const presumed = at.map((x) =>
    slopes.reduce((sum, p) => (p.low <= x && x < p.high ? sum + p.share / Math.log(p.high / p.low) : sum), 0),
  )
  const belief = new Float64Array(CELLS)
  const own = new Float64Array(CELLS)
  for (const { parts, weight } of lines) {
    own.fill(0)
    addAll(own, parts, at, step)
    let sum = 0
    for (let i = 0; i < CELLS; i++) sum += (own[i] as number) * (presumed[i] as number)
    for (let i = 0; sum > 0 && i < CELLS; i++)
      belief[i] = (belief[i] as number) + (weight * (own[i] as number) * (presumed[i] as number)) / sum
  }
  const total = belief.reduce((sum, b) => sum + b, 0)
  return belief.map((b) => b / total)
}

/**
 * Adds the parts that count, lifted by the same factor so that a rise that lies beyond the range still leaves its end;
 * each at least half a cell wide, for one read more sharply still falls into one.
 */
function addAll(own: Float64Array, parts: readonly LinePart[], at: Float64Array, step: number): void {
  const [first, last] = [at[0] as number, at[CELLS - 1] as number]
  const widthOf = ({ mean, sigma }: LinePart) => Math.max(sigma, (Math.max(0, mean) * step) / 2)
  const outsideOf = ({ mean }: LinePart) => Math.max(0, first - mean, mean - last)
  const peakOf = (p: LinePart) => p.log - (outsideOf(p) / widthOf(p)) ** 2 / 2
  const most = parts.reduce((top, p) => Math.max(top, peakOf(p)), Number.NEGATIVE_INFINITY)
  for (const part of parts) {
    if (!(peakOf(part) > most - FAR_BEHIND)) continue
    const sigma = widthOf(part)
    // beyond its reach a part adds nothing that counts; one that lies outside is reckoned from the end it points to
    const reach = Math.hypot(REACH * sigma, outsideOf(part))
    const [from, to] = [part.mean - reach, part.mean + reach]
    const begins = from > first ? Math.floor(Math.log(from / first) / step) : 0
    for (let i = begins; i < CELLS && (at[i] as number) <= to; i++) {
      const off = ((at[i] as number) - part.mean) / sigma
      own[i] = (own[i] as number) + Math.exp(part.log - most - (off * off) / 2)
    }
  }
}

/** The rises below which the shares of `CARRIED_AT` lie, straight in the logarithm within a cell. */
function quantiles(belief: Float64Array, { low, high }: LogUniform): number[] {
  const step = Math.log(high / low) / CELLS
  let below = 0
  let cell = 0
  return CARRIED_AT.map((share) => {
    while (cell < CELLS - 1 && below + (belief[cell] as number) < share) below += belief[cell++] as number
    const within = Math.min(1, Math.max(0, (share - below) / Math.max(1e-12, belief[cell] as number)))
    return low * Math.exp((cell + within) * step)
  })
}

/** What a hold that was handed on as three figures is taken to have said besides. */
export const carriedBy = ({ carried, ...told }: PreviousHold): Carried => carried ?? assumed(told)

/**
 * The rise of a leak, if there is one, is about the rise of all explanations over the chance of a leak: the others
 * hardly rise. Its quantiles as multiples of that, where a leak is unlikely and where it is likely (found on 50 pairs
 * of the proving ground, seeds 20 to 120); between the two, straight.
 */
const UNLIKELY = {
  leak: 0.3,
  times: [0.03, 0.06, 0.1, 0.15, 0.2, 0.25, 0.42, 0.58, 0.75, 1, 1.25, 1.6, 1.9, 2.3, 3, 4, 5],
}
const LIKELY = {
  leak: 0.9,
  times: [0.25, 0.4, 0.6, 0.78, 0.85, 0.9, 0.96, 1, 1.05, 1.07, 1.1, 1.14, 1.17, 1.2, 1.28, 1.4, 1.6],
}

function assumed({ risePaS, leak, damp }: Omit<PreviousHold, 'carried'>): Carried {
  const leakAndDamp = leak * damp
  if (!(risePaS > 0) || !(leak > 0)) return { leakAndDamp, riseIfDryPaS: [], riseIfWetPaS: [] }
  const likely = Math.min(1, Math.max(0, (leak - UNLIKELY.leak) / (LIKELY.leak - UNLIKELY.leak)))
  const rises = UNLIKELY.times.map(
    (times, i) => (risePaS / leak) * (times + likely * ((LIKELY.times[i] as number) - times)),
  )
  return { leakAndDamp, riseIfDryPaS: rises, riseIfWetPaS: rises }
}

/**
 * What an earlier hold leaves of a leak's rise, in a car that is dry now and in one that is wet: each may have been dry
 * or wet before.
 * @param stays - chance of water now where it was dry, and where it was wet
 */
export function slopesAfter(
  previous: PreviousHold | undefined,
  { afterDry, afterWet }: { afterDry: number; afterWet: number },
  range: LogUniform,
): { dry: readonly Piece[]; wet: readonly Piece[] } {
  const all = [{ ...range, share: 1 }]
  if (!previous) return { dry: all, wet: all }
  const { leakAndDamp, riseIfDryPaS, riseIfWetPaS } = carriedBy(previous)
  const wasWet = Math.min(1, leakAndDamp / Math.max(Number.EPSILON, previous.leak))
  const [dry, wet] = [riseIfDryPaS, riseIfWetPaS].map((q) => piecesOf(q, range)) as [Piece[], Piece[]]
  return {
    dry: mixed([dry, (1 - wasWet) * (1 - afterDry)], [wet, wasWet * (1 - afterWet)]) ?? all,
    wet: mixed([dry, (1 - wasWet) * afterDry], [wet, wasWet * afterWet]) ?? all,
  }
}

/** Pieces of two beliefs together, each as much as it weighs; none where neither weighs anything. */
function mixed(...beliefs: [pieces: readonly Piece[], weight: number][]): Piece[] | null {
  const total = beliefs.reduce((sum, [, weight]) => sum + weight, 0)
  if (!(total > 0)) return null
  return beliefs.flatMap(([pieces, weight]) =>
    weight > LEAST_WEIGHT * total ? pieces.map((p) => ({ ...p, share: (p.share * weight) / total })) : [],
  )
}

/** A rise in pieces over its whole range, log-uniform between its quantiles. */
function piecesOf(quantiles: readonly number[], range: LogUniform): Piece[] {
  const all = [{ ...range, share: 1 }]
  if (quantiles.length !== CARRIED_AT.length) return all
  const inside = quantiles.map((q) => Math.min(range.high, Math.max(range.low, q)))
  const ends = [range.low, ...inside, range.high]
  const shares = [0, ...CARRIED_AT, 1]
  const pieces = ends.slice(1).map((end, i) => ({
    low: ends[i] as number,
    high: end,
    share: (shares[i + 1] as number) - (shares[i] as number),
  }))
  const wide = pieces.filter((p) => p.high > p.low * NARROWEST)
  const sum = wide.reduce((total, p) => total + p.share, 0)
  return sum > 0 ? wide.map((p) => ({ ...p, share: p.share / sum })) : all
}

/** A piece narrower than this factor holds nothing that its neighbours do not. */
const NARROWEST = 1.0001
