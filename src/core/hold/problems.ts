import { PA_PER_MICRON } from '../units/constants'
import { binned } from './binned'
import { isolatedLate, MOST_FOR_KINKS } from './late-isolation'
import { nominalPa, stepsOf } from './noise'
import { problemOf } from './problem'
import type { HoldContext, HoldSample, Problem } from './types'

/**
 * An electronic gauge that shows the same figure again and again this high has reached its limit, Pa: 10,000 micron
 * (assumed, per instrument).
 */
const LIMIT_FROM_PA = 10_000 * PA_PER_MICRON
/** Above this no electronic gauge for this work reads, Pa: 25,000 micron (model.md section 5). */
const NO_GAUGE_READS_PA = 26_000 * PA_PER_MICRON
const RUN_AT_LIMIT = 4
/**
 * What is left within a gauge's range bears a judgement from so many readings over so long, s, and this share of the
 * record on; a leak climbs to the limit, so the last reading below it stands close (assumed).
 */
const FEWEST_IN_RANGE = 6
const SHORTEST_IN_RANGE_S = 180
const LEAST_IN_RANGE = 0.15
const CLIMBED_FROM = 0.6
/** More than this share over the range spoils the record unless a leak took it there (assumed). */
const MOSTLY_HIDDEN = 0.2
/** The same figure as its limit, but for rounding. */
const JUST_BELOW = 0.9999
/** A gap is worth a word from this share of the record on. */
const LEAST_GAP_SHARE = 0.05
/**
 * Jumps are looked for in records of so many readings, between the means of stretches of so many seconds, in so many of
 * them at least.
 */
const FEWEST_FOR_JUMPS = 40
const JUMP_WINDOW_S = 25
const LEAST_WINDOWS = 8
/** A jump is over within two samples: so much of it at once (assumed). */
const SHARP_SHARE = 0.55
/**
 * Samples on either side whose steps are the usual ones; the middle of their sizes in deviations, and the size nine in
 * ten stay under: a gauge that rests on its step mostly does not move, and its middle is nothing.
 */
const STEP_REACH = 150
const SIGMA_OF_MEDIAN = 1.48
const NINE_IN_TEN = 0.9
const SIGMAS_OF_NINE_IN_TEN = 1.645
/**
 * Missing for longer than this share of the record, s at least, and this many usual spacings, the shape is hidden
 * (assumed).
 */
const GAP_SHARE = 0.28
const GAP_S = 200
const GAP_SPACINGS = 8
/** A jump this soon after isolation is the valve's own gas, s (practice: a ball valve lets a little trapped gas go). */
export const VALVE_UNTIL_S = 200
/** What a jump is at least: a share of the reading and micron. */
const JUMP_SHARE = 0.03
const JUMP_PA = 7 * PA_PER_MICRON
/**
 * ... and out of the slow unrest of the record by so much; by less when it comes within a sample, far outside the usual
 * step between samples.
 */
const UNRESTS = 10
const SLOW_UNRESTS = 4
const SHARP_SIGMAS = 7
/** A jump stands out of the gauge's own noise and steps by so much. */
const JUMP_NOISES = 2.8
const JUMP_STEPS = 2.2

/** A jump smaller than this share of the whole rise leaves a certain leak certain (assumed). */
const SMALL_JUMP_SHARE = 0.1

/** Jumps are looked for in so many samples at most; a day's record is averaged into these. */
const MOST_FOR_JUMPS = 4000

/** A record with what cannot be used left out, and what is wrong with it. */
export type Cleaned = { samples: HoldSample[]; problems: Problem[] }

/** Looks through a record for what no shape can explain: over range, gaps that hide the shape, jumps. */
export function clean(samples: readonly HoldSample[], context: HoldContext): Cleaned {
  const problems: Problem[] = [...(context.readingProblems ?? [])]
  const ranged = context.instrument === 'electronic' ? withoutOverRange(samples, problems) : [...samples]
  findGap(ranged, problems)
  const late = context.instrument === 'electronic' ? isolatedLate(binned(ranged, MOST_FOR_KINKS), context) : null
  if (late !== null)
    problems.push({
      fromS: 0,
      toS: late,
      ...problemOf('isolated-late'),
      spoils: true,
    })
  const jumpAt = context.instrument === 'electronic' ? findJump(ranged, context) : null
  if (jumpAt === null) return { samples: ranged, problems }
  const { fromS, toS, byPa } = jumpAt
  if (toS <= VALVE_UNTIL_S) {
    problems.push({
      fromS: 0,
      toS,
      ...problemOf('valve-gas', { byPa }),
    })
    return { samples: ranged.filter((s) => s.elapsedS >= toS), problems }
  }
  const span = (ranged[ranged.length - 1] as HoldSample).pressurePa - (ranged[0] as HoldSample).pressurePa
  const small = Math.abs(byPa) < SMALL_JUMP_SHARE * span
  problems.push({
    fromS,
    toS,
    ...problemOf('jump', { byPa }),
    spoils: !small,
    unlessLeak: small,
  })
  return { samples: ranged, problems }
}

function withoutOverRange(samples: readonly HoldSample[], problems: Problem[]): HoldSample[] {
  const limit = limitShown(samples)
  const over = (s: HoldSample) => s.pressurePa >= limit
  const hidden = samples.filter(over)
  if (hidden.length === 0) return [...samples]
  const kept = samples.filter((s) => !over(s))
  const [first, last] = [hidden[0] as HoldSample, hidden[hidden.length - 1] as HoldSample]
  const total = (samples[samples.length - 1] as HoldSample).elapsedS - (samples[0] as HoldSample).elapsedS
  const heldTo = kept[kept.length - 1]?.elapsedS ?? 0
  const heldFrom = kept[0]?.elapsedS ?? 0
  problems.push({
    fromS: first.elapsedS,
    toS: last.elapsedS,
    ...problemOf('over-range', { limitPa: Math.min(limit, first.pressurePa) }),
    // a leak climbs to the limit; a gauge that is there at once was never shut in with the car
    spoils:
      kept.length < FEWEST_IN_RANGE ||
      (first.elapsedS > heldFrom && lastBefore(kept, first.elapsedS) < CLIMBED_FROM * first.pressurePa) ||
      heldTo - heldFrom < SHORTEST_IN_RANGE_S ||
      heldTo - heldFrom < LEAST_IN_RANGE * total,
    unlessLeak: hidden.length > MOSTLY_HIDDEN * samples.length,
  })
  return kept
}

const lastBefore = (kept: readonly HoldSample[], elapsedS: number): number =>
  kept.filter((s) => s.elapsedS < elapsedS).at(-1)?.pressurePa ?? Number.POSITIVE_INFINITY

/** The figure a gauge repeats when it can show no more, Pa; what no gauge reads when it does not. */
function limitShown(samples: readonly HoldSample[]): number {
  let highest = 0
  for (const s of samples) if (s.pressurePa > highest) highest = s.pressurePa
  if (highest < LIMIT_FROM_PA) return NO_GAUGE_READS_PA
  let run = 1
  for (let i = 1; i < samples.length; i++) {
    const pa = (samples[i] as HoldSample).pressurePa
    run = pa === (samples[i - 1] as HoldSample).pressurePa ? run + 1 : 1
    if (run >= RUN_AT_LIMIT && pa >= highest * JUST_BELOW)
      return staysAt(samples.slice(i), pa * JUST_BELOW)
        ? Math.min(NO_GAUGE_READS_PA, pa * JUST_BELOW)
        : NO_GAUGE_READS_PA
  }
  return NO_GAUGE_READS_PA
}

/** A gauge at its limit stays there; one that rests on a coarse step goes to and fro about it. */
const AT_LIMIT_SHARE = 0.8
const staysAt = (rest: readonly HoldSample[], pa: number): boolean =>
  rest.filter((s) => s.pressurePa >= pa).length >= AT_LIMIT_SHARE * rest.length

function findGap(samples: readonly HoldSample[], problems: Problem[]): void {
  const first = samples[0]
  const last = samples[samples.length - 1]
  if (!first || !last || samples.length < 4) return
  const total = last.elapsedS - first.elapsedS
  const least = Math.max(GAP_S, LEAST_GAP_SHARE * total)
  let usual = 0
  for (let i = 1; i < samples.length; i++) {
    const fromS = (samples[i - 1] as HoldSample).elapsedS
    const gap = (samples[i] as HoldSample).elapsedS - fromS
    if (gap < least) continue
    usual ||= usualSpacing(samples)
    if (gap < GAP_SPACINGS * usual) continue
    problems.push({
      fromS,
      toS: fromS + gap,
      ...problemOf('gap', { gapS: gap }),
      spoils: gap > GAP_SHARE * total,
    })
  }
}

/** The middle one of all spacings, s. */
function usualSpacing(samples: readonly HoldSample[]): number {
  const spacings = new Float64Array(samples.length - 1)
  for (let i = 1; i < samples.length; i++)
    spacings[i - 1] = (samples[i] as HoldSample).elapsedS - (samples[i - 1] as HoldSample).elapsedS
  return spacings.sort()[spacings.length >> 1] as number
}

/**
 * Where the readings jump at once and stay: found against the slope on both sides, larger than the record's own unrest.
 */
function findJump(
  readings: readonly HoldSample[],
  context: HoldContext,
): { fromS: number; toS: number; byPa: number } | null {
  const samples = binned(readings, MOST_FOR_JUMPS)
  const n = samples.length
  if (n < FEWEST_FOR_JUMPS) return null
  const span = (samples[n - 1] as HoldSample).elapsedS - (samples[0] as HoldSample).elapsedS
  const spacing = span / (n - 1)
  const k = Math.max(4, Math.min(Math.floor(n / LEAST_WINDOWS), Math.round(JUMP_WINDOW_S / Math.max(0.5, spacing))))
  const meanOf = windowMeans(samples, k)
  const jumps: { i: number; by: number }[] = []
  const stride = Math.max(1, k >> 2)
  for (let i = 2 * k; i + 2 * k <= n; i += stride) {
    const [b2, b1, a1, a2] = [meanOf(i - 2 * k), meanOf(i - k), meanOf(i), meanOf(i + k)]
    jumps.push({ i, by: a1 - b1 - (b1 - b2 + (a2 - a1)) / 2 })
  }
  if (jumps.length < LEAST_WINDOWS) return null
  const unrest = Float64Array.from(jumps, (j) => Math.abs(j.by)).sort()[jumps.length >> 1] as number
  const largest = jumps.reduce((a, b) => (Math.abs(b.by) > Math.abs(a.by) ? b : a))
  const at = samples[largest.i] as HoldSample
  // windows of a gauge that rests show less unrest than its step
  const step = stepAround(readings, at.elapsedS, context)
  const least = Math.max(
    JUMP_SHARE * at.pressurePa,
    JUMP_PA,
    JUMP_STEPS * step,
    JUMP_NOISES * nominalPa(at.pressurePa, context),
  )
  if (Math.abs(largest.by) < least) return null
  // a jump is over within two samples; a bend takes its time
  const range = samples.slice(largest.i - k, Math.min(n, largest.i + k))
  // ... and goes its own way: a bend that flattens between readings minutes apart falls short of both its sides'
  // slopes, and was called a jump down while every reading stood above the one before
  const way = Math.sign(largest.by)
  let edge = 1
  for (let j = 2; j < range.length - 1; j++) {
    if (way * stepAt(range, j) > way * stepAt(range, edge)) edge = j
  }
  const sharp = way * stepAt(range, edge)
  if (sharp < SHARP_SHARE * Math.abs(largest.by)) return null
  // noise that lasts moves slowly: what moves at once need stand out of the slow unrest less
  const atOnce = sharp > SHARP_SIGMAS * usualStep(samples, largest.i)
  if (Math.abs(largest.by) < (atOnce ? SLOW_UNRESTS : UNRESTS) * unrest) return null
  const found = range[edge] as HoldSample
  return { fromS: (range[edge - 1] as HoldSample).elapsedS, toS: found.elapsedS, byPa: largest.by }
}

/** The gauge's step at a moment, Pa: told by the readings themselves, for averages of them have none. */
function stepAround(readings: readonly HoldSample[], elapsedS: number, context: HoldContext): number {
  const found = readings.findIndex((s) => s.elapsedS >= elapsedS)
  const at = found < 0 ? readings.length : found
  return Math.max(...stepsOf(readings.slice(Math.max(0, at - STEP_REACH), at + STEP_REACH), context))
}

/** Usual change between two samples and the two before around a place, as a deviation, Pa. */
function usualStep(samples: readonly HoldSample[], around: number): number {
  const part = samples.slice(Math.max(0, around - STEP_REACH), around + STEP_REACH)
  const steps = Float64Array.from({ length: Math.max(0, part.length - 4) }, (_, i) =>
    Math.abs(stepAt(part, i + 2)),
  ).sort()
  const middle = SIGMA_OF_MEDIAN * Math.max(steps[steps.length >> 1] ?? 0, 1e-3)
  return Math.max(middle, (steps[Math.floor(NINE_IN_TEN * steps.length)] ?? 0) / SIGMAS_OF_NINE_IN_TEN)
}

/**
 * Means of windows of `k` samples, each sample first replaced by the middle of three so that one wild reading is no
 * jump.
 */
function windowMeans(samples: readonly HoldSample[], k: number): (from: number) => number {
  const n = samples.length
  const sums = new Float64Array(n + 1)
  for (let i = 0; i < n; i++) {
    const at = (samples[i] as HoldSample).pressurePa
    const before = (samples[Math.max(0, i - 1)] as HoldSample).pressurePa
    const after = (samples[Math.min(n - 1, i + 1)] as HoldSample).pressurePa
    const middle = Math.max(Math.min(at, before), Math.min(Math.max(at, before), after))
    sums[i + 1] = (sums[i] as number) + middle
  }
  return (from) => ((sums[from + k] as number) - (sums[from] as number)) / k
}

/** Change between the means of two samples before and two from `j` on. */
function stepAt(part: readonly HoldSample[], j: number): number {
  const p = (i: number) => (part[Math.max(0, Math.min(part.length - 1, i))] as HoldSample).pressurePa
  return (p(j) + p(j + 1)) / 2 - (p(j - 1) + p(j - 2)) / 2
}
