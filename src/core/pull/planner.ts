import type { JobOpened } from '../job/events'
import type { Rig } from '../job/written'
import { W } from '../language/pull/planner'
import { type CarVolume, composeRig, farNode, type RigOptions, throughManifold } from '../rig/compose'
import type { RigFile } from '../rig/rig-file'
import { simulate } from '../rig/simulate'
import { normalPair, seededRandom } from '../units/seeded'
import { changesOf, changeWords } from './changes'
import { drawWater, medianWater, type Water } from './water-inventory'

export type PullQuestion = {
  car: CarVolume
  rig: Rig
  story: JobOpened['story']
  ambientC: number
  barometerPa: number
  targetPa: number
  /** simulations, 20 to 1000 */
  draws: number
  seed: number
  /** longest pull looked at, s */
  horizonS: number
  /** points the band is drawn by; 90 when left out */
  points?: number
}

/** Pressures at the far gauge that 8 of 10 pulls stay between, Pa, at times in s. */
export type PullBand = { tS: number[]; lowPa: number[]; highPa: number[] }

export type PullPlan = {
  /**
   * time to the target at the farthest gauge, s: 10, 50 and 90 of 100 pulls are done by then; null when beyond the
   * horizon
   */
  p10S: number | null
  p50S: number | null
  p90S: number | null
  /** at the farthest gauge */
  band: PullBand
  /** what the pump's end shows and what the far side then has */
  lead: Lead[]
  /** the same pull with no water and no leak */
  dry: DryPull
}

/** While a gauge at the pump shows so much, the far side has this, Pa; 8 of 10 pulls lie between. */
export type Lead = { pumpPa: number; farLowPa: number; farPa: number; farHighPa: number }

/**
 * A dry, tight pull: pressures at the far side, Pa, at times in s; and by falling pressure the speed there, m3/s, while
 * gas comes in evenly: what the pump takes over its pressure.
 */
export type DryPull = { tS: number[]; farPa: number[]; speeds: { farPa: number; speedM3S: number }[] }

/**
 * One change and what it saves of the median pull, s; null when that pull does not reach the target with or without it.
 */
export type Gain = { name: string; savesS: number | null }

const BAND_POINTS = 90

/**
 * Predicts a pull from the story of the job.
 * @param progress - told the share done, 0 to 1, after each simulation
 */
export function planPull(question: PullQuestion, progress: (share: number) => void = () => undefined): PullPlan {
  const random = seededRandom(question.seed)
  const everyS = question.horizonS / (question.points ?? BAND_POINTS)
  const times: number[] = []
  const curves: Float64Array[] = []
  const pumps: Float64Array[] = []
  for (let i = 0; i < question.draws; i++) {
    const { reachedS, curve, pump } = pullOnce(question, drawWater(question.story, normalPair(random)), everyS)
    times.push(reachedS ?? Number.POSITIVE_INFINITY)
    curves.push(curve)
    pumps.push(pump)
    progress((i + 1) / question.draws)
  }
  times.sort((a, b) => a - b)
  const at = (share: number) => {
    const t = times[Math.min(times.length - 1, Math.floor(share * times.length))] as number
    return Number.isFinite(t) ? t : null
  }
  return {
    p10S: at(0.1),
    p50S: at(0.5),
    p90S: at(0.9),
    band: bandOf(curves, everyS),
    lead: leadOf(pumps, curves),
    dry: dryPull(question, everyS),
  }
}

function networkOf(q: PullQuestion, water: Water, options?: RigOptions) {
  return composeRig({
    car: q.car,
    rig: q.rig,
    ambientC: q.ambientC,
    barometerPa: q.barometerPa,
    water,
    ...(options && { options }),
  })
}

function pullOnce(
  q: PullQuestion,
  water: Water,
  everyS: number,
): { reachedS: number | null; curve: Float64Array; pump: Float64Array } {
  const run = simulate(networkOf(q, water), { seconds: q.horizonS, everyS })
  const of = (node: string) => {
    const k = run.nodes.indexOf(node)
    return Float64Array.from(run.samples, (s) => s.totalPa[k] as number)
  }
  const [curve, pump] = [of(farNode(q.car)), of('pump')]
  const { targetPa } = q
  const first = curve.findIndex((pa) => pa <= targetPa)
  if (first < 0) return { reachedS: null, curve, pump }
  if (first === 0) return { reachedS: 0, curve, pump }
  // between two samples the logarithm is nearly straight
  const [a, b] = [Math.log(curve[first - 1] as number), Math.log(curve[first] as number)]
  return { reachedS: (first - 1 + (a - Math.log(targetPa)) / (a - b || 1)) * everyS, curve, pump }
}

const LEAD_LEVELS = 24
const LEAD_FROM_PA = 3000

/**
 * Far side over pump's end at the same moment, for pump readings from where a gauge begins to show down to the deepest.
 */
function leadOf(pumps: readonly Float64Array[], curves: readonly Float64Array[]): Lead[] {
  const deepest = Math.max(1, Math.min(...pumps.map((p) => p[p.length - 1] as number)))
  const leads: Lead[] = []
  for (let i = 0; i < LEAD_LEVELS; i++) {
    const pumpPa = LEAD_FROM_PA * (deepest / LEAD_FROM_PA) ** (i / (LEAD_LEVELS - 1))
    const fars = pumps.flatMap((pump, k) => {
      const at = pump.findIndex((pa) => pa <= pumpPa)
      return at < 0 ? [] : [(curves[k] as Float64Array)[at] as number]
    })
    if (fars.length === 0) continue
    fars.sort((a, b) => a - b)
    const share = (s: number) => fars[Math.min(fars.length - 1, Math.floor(s * fars.length))] as number
    leads.push({ pumpPa, farLowPa: share(0.1), farPa: share(0.5), farHighPa: share(0.9) })
  }
  return leads
}

/** Gas let in at the far side to find the speed there, Pa m3/s, and how long until it flows evenly, s. */
const TRIAL_FLOWS_PA_M3_S = [3, 1, 0.5, 0.2, 0.1, 0.05, 0.02, 0.01, 0.005, 0.002]
const EVEN_AFTER_S = 1800

function dryPull(q: PullQuestion, everyS: number): DryPull {
  const network = networkOf(q, { liquidG: 0, boundG: 0 })
  const dry = simulate(network, { seconds: q.horizonS, everyS })
  const far = dry.nodes.indexOf(farNode(q.car))
  return {
    tS: dry.samples.map((s) => s.tS),
    farPa: dry.samples.map((s) => s.totalPa[far] as number),
    speeds: TRIAL_FLOWS_PA_M3_S.map((flow) => steadySpeed(q, network, flow)),
  }
}

/**
 * Speed at the far side while gas comes in there evenly: what the pump takes over that side's pressure.
 * Taken from a falling pull instead it came out twice too fast, because the other nodes empty themselves too.
 */
function steadySpeed(q: PullQuestion, network: RigFile, flowPaM3S: number): { farPa: number; speedM3S: number } {
  const rig = { ...network, sources: { ...network.sources, leaks: [{ at: farNode(q.car), air_Pa_m3_s: flowPaM3S }] } }
  const run = simulate(rig, { seconds: EVEN_AFTER_S, everyS: EVEN_AFTER_S })
  const last = run.samples[run.samples.length - 1] as { totalPa: Float64Array }
  const at = (node: string) => last.totalPa[run.nodes.indexOf(node)] as number
  const farPa = at(farNode(q.car))
  const takenPaM3S = q.rig.pumpM3S * Math.max(0, at('pump') - q.rig.ultimatePa)
  return { farPa, speedM3S: takenPaM3S / farPa }
}

function bandOf(curves: readonly Float64Array[], everyS: number): PullBand {
  const band: PullBand = { tS: [], lowPa: [], highPa: [] }
  const longest = Math.max(...curves.map((c) => c.length))
  for (let i = 0; i < longest; i++) {
    const values = curves.map((c) => c[Math.min(i, c.length - 1)] as number).sort((a, b) => a - b)
    band.tS.push(i * everyS)
    band.lowPa.push(values[Math.floor(0.1 * values.length)] as number)
    band.highPa.push(values[Math.min(values.length - 1, Math.floor(0.9 * values.length))] as number)
  }
  return band
}

/** Time of the pull with the story's median water, s; null when beyond the horizon. */
function medianPullS(q: PullQuestion, options?: RigOptions): number | null {
  const until = { node: farNode(q.car), pressurePa: q.targetPa }
  return simulate(networkOf(q, medianWater(q.story), options), { seconds: q.horizonS, everyS: q.horizonS, until })
    .reachedS
}

/**
 * What each link of the rig costs of the median pull: how much sooner it would be there without that link's resistance.
 */
export function linkCosts(q: PullQuestion): Gain[] {
  const links = [
    { name: throughManifold(q.rig) ? W.valveCores : W.coreTools, id: 'core-' },
    { name: W.hosesToTheCar, id: 'hose-low' },
    ...(q.rig.hoses === 2 ? [{ name: W.highSideHose, id: 'hose-high' }] : []),
    { name: W.hoseToThePump, id: 'hose-pump' },
  ]
  return gains(
    q,
    links.map(({ name, id }) => ({ name, options: { idealLink: id } })),
  )
}

/** What could be done about it, each by itself, with what it saves of the median pull. */
export const whatIfs = (q: PullQuestion): Gain[] =>
  gains(
    q,
    changesOf(q.rig).map(({ kind, options }) => ({ name: changeWords(kind), options })),
  )

function gains(q: PullQuestion, changes: readonly { name: string; options: RigOptions }[]): Gain[] {
  const now = medianPullS(q)
  return changes
    .map(({ name, options }): Gain => {
      const then = medianPullS(q, options)
      return { name, savesS: now !== null && then !== null ? now - then : null }
    })
    .sort((a, b) => (b.savesS ?? Number.NEGATIVE_INFINITY) - (a.savesS ?? Number.NEGATIVE_INFINITY))
}
