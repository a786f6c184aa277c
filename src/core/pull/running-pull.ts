import { seededRandom } from '../units/seeded'
import { type Ahead, aheadAt, type Followed, follow } from './ahead'
import { HORIZON_S, type PullAsked, type PullStands, type PumpNow, STAND_KINDS } from './asked'
import { drawExplanation, type Explanation, lnPrior, neighbour, PARTS, redrawn } from './explanation'
import { lnFitOf, type Weighed, weighedBy } from './fit'

/** Explanations drawn at first, kept after weighing, and steps each kept one walks (assumed, by what they bring). */
const DRAWS = 300
const KEPT = 90
const STEPS = 3
/** The readings count a little at first and fully at last, so that no explanation is lost before it could walk. */
const HEATS = [
  { from: 0, to: 0.08 },
  { from: 0.08, to: 0.4 },
  { from: 0.4, to: 1 },
] as const
/** A part of an explanation is drawn anew in so many of the steps; the others go a little way from where they are. */
const REDRAWN_SHARE = 0.4

type Run = { e: Explanation; ln: number }
/** How well an explanation fits; -Infinity where that is less than `least` for certain. */
type Fits = (e: Explanation, least?: number) => number

/**
 * Weighs what may be true of a pull by what was read of it, and follows what is left of it: explanations are drawn from
 * the story, weighed by the readings, and walk to where they fit better, as often as their chance allows; what they say
 * together is the answer. Without readings it is the forecast.
 * @see model.md sections 4 and 8
 */
export const whereItStands = (asked: PullAsked): PullStands =>
  told(
    asked,
    explained(asked).map((f) => aheadAt(f, asked.nowS)),
  )

/** Every explanation that is kept, each as likely as the others, followed to its end. */
export function explained(asked: PullAsked): Followed[] {
  const random = seededRandom(asked.seed)
  const weighed = weighedBy(asked)
  const read = weighed.far.length > 0
  const fits: Fits = (e, least) => (read ? lnFitOf(asked, e, weighed, least) : 0)
  const drawn = Array.from({ length: read ? DRAWS : KEPT }, (): Run => {
    const e = drawExplanation(asked, random)
    return { e, ln: fits(e) }
  })
  let kept = drawn
  if (read)
    for (const heat of HEATS) {
      kept = resampled(kept, KEPT, heat.from, heat.to, random)
      for (let step = 0; step < STEPS; step++) walk(asked, kept, heat.to, fits, random)
    }
  return followAll(asked, kept, weighed)
}

/** Those that are the same are followed once. */
function followAll(asked: PullAsked, kept: readonly Run[], weighed: Weighed): Followed[] {
  const followed = new Map<Explanation, Followed>()
  return kept.map(({ e }) => {
    const found = followed.get(e) ?? follow(asked, e, weighed)
    followed.set(e, found)
    return found
  })
}

/**
 * As many as are asked for, each as often as it is likely; the readings count to a share `from` already, and to `to`
 * now.
 */
function resampled(runs: readonly Run[], count: number, from: number, to: number, random: () => number): Run[] {
  const top = Math.max(...runs.map((r) => r.ln))
  const weights = runs.map((r) => Math.exp((to - from) * (r.ln - top)))
  const total = weights.reduce((a, b) => a + b, 0)
  const step = total / count
  let at = random() * step
  let sum = 0
  const kept: Run[] = []
  for (const [i, run] of runs.entries()) {
    sum += weights[i] as number
    for (; at < sum && kept.length < count; at += step) kept.push({ ...run })
  }
  return kept
}

/** One step of every kept explanation, taken as often as its chance over the one before allows. */
function walk(asked: PullAsked, kept: Run[], heat: number, fits: Fits, random: () => number): void {
  for (const [i, run] of kept.entries()) {
    const anew = random() < REDRAWN_SHARE
    const part = PARTS[Math.floor(random() * PARTS.length)] as keyof Explanation
    const e = anew ? redrawn(run.e, part, asked, random) : neighbour(run.e, random)
    // no leak again, the ballast as it was told: the same explanation fits the same
    if (anew && e[part] === run.e[part]) continue
    // what is drawn anew is drawn as likely as it is: only the fit decides
    const prior = anew ? 0 : lnPrior(asked, e) - lnPrior(asked, run.e)
    if (prior === -Infinity) continue
    const least = run.ln + (Math.log(random()) - prior) / heat
    const ln = fits(e, least)
    if (ln > least) kept[i] = { e, ln }
  }
}

/** All explanations together. */
export function told({ readings, farNode, gaugeNode, targetPa, nowS }: PullAsked, runs: readonly Ahead[]): PullStands {
  const there = runs.filter((r) => r.toTargetS !== null).length
  const times = runs.map((r) => r.toTargetS ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b)
  const far = runs.map((r) => r.farPa).sort((a, b) => a - b)
  const water = runs.map((r) => r.waterG).sort((a, b) => a - b)
  const last = readings.filter((r) => r.tS <= nowS).at(-1)
  const shown = farNode === gaugeNode && last !== undefined
  const isThere = shown && last.pa <= targetPa
  const time = (share: number): number | null => {
    const t = isThere ? 0 : quantile(times, share)
    return Number.isFinite(t) && t <= HORIZON_S ? t : null
  }
  return {
    farPa: { value: shown ? last.pa : quantile(far, 0.5), low: quantile(far, 0.1), high: quantile(far, 0.9) },
    reaches: isThere ? 1 : there / runs.length,
    toTargetS: { p10: time(0.1), p50: time(0.5), p90: time(0.9) },
    stands: STAND_KINDS.map((kind) => ({ kind, probability: runs.filter((r) => r.kind === kind).length / runs.length }))
      .filter((s) => s.probability > 0)
      .sort((a, b) => b.probability - a.probability),
    waterLeftG: { low: quantile(water, 0.1), high: quantile(water, 0.9) },
    oil: pumpNow(runs),
  }
}

function pumpNow(runs: readonly Ahead[]): PumpNow {
  const held = runs.filter((r) => r.kind === 'pump')
  const among = held.length > 0 ? held : runs
  const grams = among.map((r) => r.oilG).sort((a, b) => a - b)
  const reaches = among.map((r) => r.pumpPa).sort((a, b) => a - b)
  return {
    lowG: quantile(grams, 0.1),
    middleG: quantile(grams, 0.5),
    highG: quantile(grams, 0.9),
    reachesPa: quantile(reaches, 0.5),
  }
}

/** A quantile of sorted figures; between a figure and one that never comes it never comes. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1)
  const [low, high] = [sorted[Math.floor(at)] as number, sorted[Math.ceil(at)] as number]
  return Number.isFinite(high) ? low + (at - Math.floor(at)) * (high - low) : at === Math.floor(at) ? low : high
}
