import { waterSaturationPa } from '../fluids/water'
import type { WaterLeft } from '../rig/network'
import { type Simulation, simulate } from '../rig/simulate'
import { BALLAST_FLOOR_PA, HOUR_S, OIL_PA_PER_G, PA_PER_MICRON } from '../units/constants'
import { seededRandom } from '../units/seeded'
import { kelvin } from '../units/temperature'
import {
  drawExplanation,
  type Explanation,
  lnPrior,
  neighbour,
  PARTS,
  type RunningPull,
  redrawn,
  rigOf,
} from './explanation'

/** What is asked of a running pull: Pa, s. */
export type PullAsked = RunningPull & {
  /** node of the gauge that is read, and the farthest one, where the target counts */
  gaugeNode: string
  farNode: string
  targetPa: number
  nowS: number
  /** readings up to now, in order of time; a needle's say nothing down there and are left out */
  readings: readonly { tS: number; pa: number }[]
  /** readings of a second gauge, at the pump: what hoses and cores hold back; none where there is one gauge only */
  atPump?: readonly { tS: number; pa: number }[]
  /** noise of a reading as a share of it, and the smallest step, Pa */
  noiseFraction: number
  resolutionPa: number
  seed: number
}

/** Noise of an electronic gauge that nobody told, as a share of its reading (model.md section 5). */
export const NOISE_FRACTION = 0.01

export const STAND_KINDS = ['on-course', 'boiling', 'leak', 'hoses', 'pump', 'ballast'] as const
export type StandKind = (typeof STAND_KINDS)[number]

/** Where a running pull stands; intervals hold eight of ten, times are from now on, s, null beyond six hours. */
export type PullStands = {
  farPa: { value: number; low: number; high: number }
  reaches: number
  toTargetS: { p10: number | null; p50: number | null; p90: number | null }
  stands: { kind: StandKind; probability: number }[]
  waterLeftG: { low: number; high: number }
  /** water in the pump's oil by now, g, the middle */
  oilG: number
}

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
/** Nothing is promised beyond this. */
export const HORIZON_S = 6 * HOUR_S
/** Readings a pull is weighed by, at most, and how many of them count as independent (assumed). */
const MOST_READINGS = 30
const INDEPENDENT = 3
/** Where it stands now says more of what is left than how it came there: the last fifth counts so many times. */
const LATE_SHARE = 0.2
const LATE_WEIGHT = 4
/** How far the best explanation may lie off in the logarithm of the pressure: what no drawn rig is (assumed). */
const MODEL_ERROR = 0.15
/** How far the ratio of two gauges on one rig may lie off: what is wrong for both of them falls out (assumed). */
const RATIO_ERROR = 0.08
/** One reading speaks no louder than so many deviations, squared. */
const LOUDEST = 20
/** Error allowed a step of these runs: well under what the model is believed to. */
const TOLERANCE = 1e-2
/** Samples a run is looked at by, up to now and over the whole. */
const LOOKS = 120
const LOOKS_AHEAD = 120
/** Water counts as still there from so much on, g, while the gas stands above a tenth of its saturation. */
const STILL_WET_G = 0.003
const BOILING_FROM_SHARE = 0.1

type Run = { e: Explanation; ln: number }

/**
 * Weighs what may be true of a pull by what was read of it, and follows what is left of it: explanations are drawn from
 * the story, weighed by the readings, and walk to where they fit better, as often as their chance allows; what they say
 * together is the answer. Without readings it is the forecast.
 * @see model.md sections 4 and 8
 */
export function whereItStands(asked: PullAsked): PullStands {
  const random = seededRandom(asked.seed)
  const readings = thinned(asked.readings.filter((r) => r.tS <= asked.nowS))
  const fits = (e: Explanation): number => (readings.length === 0 ? 0 : lnFit(asked, e, readings))
  const drawn = Array.from({ length: readings.length === 0 ? KEPT : DRAWS }, (): Run => {
    const e = drawExplanation(asked, random)
    return { e, ln: fits(e) }
  })
  let kept = drawn
  if (readings.length > 0)
    for (const heat of HEATS) {
      kept = resampled(kept, KEPT, heat.from, heat.to, random)
      for (let step = 0; step < STEPS; step++) walk(asked, kept, heat.to, fits, random)
    }
  const followed = new Map<Explanation, Ahead>()
  return told(
    asked,
    kept.map(({ e }) => {
      const found = followed.get(e) ?? ahead(asked, e)
      followed.set(e, found)
      return found
    }),
  )
}

/** As many as are asked for, each as often as it is likely; the readings count to a share `from` already, and to `to` now. */
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
function walk(
  asked: PullAsked,
  kept: Run[],
  heat: number,
  fits: (e: Explanation) => number,
  random: () => number,
): void {
  for (const [i, run] of kept.entries()) {
    const anew = random() < REDRAWN_SHARE
    const part = PARTS[Math.floor(random() * PARTS.length)] as keyof Explanation
    const e = anew ? redrawn(run.e, part, asked, random) : neighbour(run.e, random)
    // what is drawn anew is drawn as likely as it is: only the fit decides
    const prior = anew ? 0 : lnPrior(asked, e) - lnPrior(asked, run.e)
    if (prior === -Infinity) continue
    const ln = fits(e)
    if (Math.log(random()) < heat * (ln - run.ln) + prior) kept[i] = { e, ln }
  }
}

/** Evenly spread over the logarithm of the pressure and over time, the last reading always among them. */
function thinned(readings: PullAsked['readings']): PullAsked['readings'] {
  if (readings.length <= MOST_READINGS) return readings
  const every = (readings.length - 1) / (MOST_READINGS - 1)
  return Array.from(
    { length: MOST_READINGS },
    (_, i) => readings[Math.round(i * every)] as PullAsked['readings'][number],
  )
}

/** How well an explanation fits what was read, in the logarithm. */
function lnFit(asked: PullAsked, e: Explanation, readings: PullAsked['readings']): number {
  const everyS = Math.max(1, asked.nowS / LOOKS)
  const run = simulate(rigOf(asked, e), { seconds: asked.nowS, everyS, relativeTolerance: TOLERANCE })
  const node = run.nodes.indexOf(asked.gaugeNode)
  const lateS = (1 - LATE_SHARE) * asked.nowS
  const weightOf = (tS: number) => (tS >= lateS ? LATE_WEIGHT : 1)
  const weights = readings.reduce((so, { tS }) => so + weightOf(tS), 0)
  const sum = readings.reduce((so, { tS, pa }) => {
    const off = Math.log(pa) - lnPressureAt(run, node, tS, everyS)
    const sigma = Math.hypot(MODEL_ERROR, asked.noiseFraction, asked.resolutionPa / pa)
    return so + weightOf(tS) * Math.min(LOUDEST, (off / sigma) ** 2)
  }, 0)
  const own = (-0.5 * sum * Math.min(INDEPENDENT, readings.length)) / weights
  return own + lnRatioFit(asked, run, readings, everyS)
}

/** How well the fall between two gauges fits, in the logarithm: it is the hoses', whatever boils behind them. */
function lnRatioFit(asked: PullAsked, run: Simulation, far: PullAsked['readings'], everyS: number): number {
  const pump = thinned((asked.atPump ?? []).filter((r) => r.tS <= asked.nowS && r.tS >= (far[0]?.tS ?? Infinity)))
  const [pumpNode, farNode] = [run.nodes.indexOf('pump'), run.nodes.indexOf(asked.gaugeNode)]
  if (pump.length === 0 || pumpNode < 0 || pumpNode === farNode) return 0
  const sum = pump.reduce((so, { tS, pa }) => {
    const read = Math.log(pa) - lnReadAt(far, tS)
    const foretold = lnPressureAt(run, pumpNode, tS, everyS) - lnPressureAt(run, farNode, tS, everyS)
    const sigma = Math.hypot(RATIO_ERROR, Math.SQRT2 * asked.noiseFraction, asked.resolutionPa / pa)
    return so + Math.min(LOUDEST, ((read - foretold) / sigma) ** 2)
  }, 0)
  return (-0.5 * sum * Math.min(INDEPENDENT, pump.length)) / pump.length
}

/** What a gauge read at a moment between its readings, in the logarithm; beyond them its nearest. */
function lnReadAt(readings: PullAsked['readings'], tS: number): number {
  const next = readings.findIndex((r) => r.tS >= tS)
  const after = readings[next] ?? (readings.at(-1) as PullAsked['readings'][number])
  const before = readings[Math.max(0, next - 1)] ?? after
  if (next <= 0 || after.tS === before.tS) return Math.log(after.pa)
  const share = (tS - before.tS) / (after.tS - before.tS)
  return Math.log(before.pa) + share * (Math.log(after.pa) - Math.log(before.pa))
}

function lnPressureAt({ samples }: Simulation, node: number, tS: number, everyS: number): number {
  const at = Math.min(samples.length - 1, tS / everyS)
  const i = Math.min(Math.floor(at), Math.max(0, samples.length - 2))
  const of = (k: number) => Math.log(Math.max(1e-3, samples[Math.min(k, samples.length - 1)]?.totalPa[node] ?? 1))
  return of(i) + (at - i) * (of(i + 1) - of(i))
}

/** What an explanation says of now and of the rest. */
type Ahead = { farPa: number; toTargetS: number | null; kind: StandKind; waterG: number; oilG: number }

function ahead(asked: PullAsked, e: Explanation): Ahead {
  const { nowS, farNode, targetPa } = asked
  const rig = rigOf(asked, e)
  const seconds = nowS + HORIZON_S
  // one of the samples at now, the others evenly on both sides of it
  const everyS = nowS > 0 ? nowS / Math.max(1, Math.round((LOOKS_AHEAD * nowS) / seconds)) : HORIZON_S / LOOKS_AHEAD
  const run = simulate(rig, {
    seconds,
    everyS,
    relativeTolerance: TOLERANCE,
    until: { node: farNode, pressurePa: targetPa, fromS: nowS },
  })
  const far = run.nodes.indexOf(farNode)
  const end = run.samples[run.samples.length - 1] as Simulation['samples'][number]
  const now = run.samples[Math.round(nowS / everyS)] ?? end
  const farPa = now.totalPa[far] as number
  const toTargetS = run.reachedS === null ? null : Math.max(0, run.reachedS - nowS)
  const wet = isWet(now.water, farPa, rig.nodes.find((n) => n.id === e.water.node)?.temperature_C ?? rig.ambient_C)
  return {
    farPa,
    toTargetS,
    waterG: now.water.liquidG + now.water.boundG,
    oilG: now.water.inOilG,
    kind: toTargetS !== null ? (wet ? 'boiling' : 'on-course') : blamed(rig, end, run.effectiveSpeedM3S[far] as number),
  }
}

const isWet = ({ liquidG }: WaterLeft, farPa: number, coldC: number): boolean =>
  liquidG > STILL_WET_G && farPa > BOILING_FROM_SHARE * waterSaturationPa(kelvin(coldC))

/** What holds a pull up that does not get there: the largest of what stands against it at its end. */
function blamed(rig: ReturnType<typeof rigOf>, end: Simulation['samples'][number], speedM3S: number): StandKind {
  if (end.water.liquidG > STILL_WET_G) return 'boiling'
  const leakPa = rig.sources.leaks.reduce((sum, l) => sum + l.air_Pa_m3_s, 0) / Math.max(1e-9, speedM3S)
  const pumpPa = rig.pump.ultimate_micron * PA_PER_MICRON + OIL_PA_PER_G * end.water.inOilG
  const floorPa = rig.pump.ballast ? BALLAST_FLOOR_PA : 0
  const most = Math.max(leakPa, pumpPa, floorPa)
  const deepest = Math.min(...end.totalPa)
  // what neither leak nor pump nor ballast explains is what the hoses give
  const hosesPa = Math.max(0, Math.max(...end.totalPa) - deepest - leakPa)
  if (hosesPa > most) return 'hoses'
  return most === leakPa ? 'leak' : most === floorPa ? 'ballast' : 'pump'
}

/** All explanations together. */
function told({ readings, farNode, gaugeNode, targetPa, nowS }: PullAsked, runs: readonly Ahead[]): PullStands {
  const there = runs.filter((r) => r.toTargetS !== null).length
  const times = runs.map((r) => r.toTargetS ?? Number.POSITIVE_INFINITY).sort((a, b) => a - b)
  const far = runs.map((r) => r.farPa).sort((a, b) => a - b)
  const water = runs.map((r) => r.waterG).sort((a, b) => a - b)
  const oil = runs.map((r) => r.oilG).sort((a, b) => a - b)
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
    oilG: quantile(oil, 0.5),
  }
}

/** A quantile of sorted figures; between a figure and one that never comes it never comes. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1)
  const [low, high] = [sorted[Math.floor(at)] as number, sorted[Math.ceil(at)] as number]
  return Number.isFinite(high) ? low + (at - Math.floor(at)) * (high - low) : at === Math.floor(at) ? low : high
}
