import type { JobOpened } from '../job/events'
import type { RigFile } from '../rig/rig-file'
import { normalPair } from '../units/seeded'
import { drawWater, liquidRangeG, medianWater, mostBoundG, mostLiquidG, Z95 } from './water-inventory'

/** A pull as it runs: what is known of it besides its readings. */
export type RunningPull = {
  /**
   * as told: plates, hoses as they are written down, the car's nodes; no sources, and everything at the air's
   * pressure
   */
  rig: RigFile
  story: JobOpened['story']
  /** null where nobody said */
  ballastOpen: boolean | null
}

/** What may be true of a pull: water, a leak, a pump worse than its plate, hoses worse than told, ballast left open. */
export type Explanation = {
  water: { node: string; liquidG: number; boundG: number; tauS: number }
  leak: { node: string; paM3S: number } | null
  /** what the pump reaches over what its plate says; 1 as told */
  pumpTimes: number
  /** hoses are of the other kind than told: old rubber for new, and the other way round */
  otherHoses: boolean
  /** bores over what was told */
  boreTimes: number
  ballast: boolean
}

/** Chances before any reading (assumed): most pulls go as predicted. */
const LEAK_CHANCE = 0.12
const BAD_PUMP_CHANCE = 0.2
const OTHER_HOSES_CHANCE = 0.15
const BALLAST_CHANCE = 0.04
/** Water bound in oil and seals although the drier is new: how often, and its grams, 5 to 95 % (assumed). */
const BOUND_CHANCE = 0.5
const BOUND_G = [0.02, 0.3] as const
/**
 * A car may hold other water than its story says, a dry hall, a cap soon back on, a hose that lay in the rain: how often,
 * and by which factors below the story's least and above its most it goes (assumed). While the story's own tails were all
 * there was, a pull of 0.3 to 0.7 g after a night open was promised an hour too late.
 */
const OTHER_CHANCE = 0.15
const OTHER_BELOW = 3
const OTHER_ABOVE = 2
/** Ranges, drawn evenly in their logarithm: leaks Pa m3/s, pumps over their plate, time constants s. */
const LEAKS_PA_M3_S = [1e-6, 3e-2] as const
const BAD_PUMPS = [1.5, 40] as const
const TAUS_S = [300, 3000] as const
/** How far a sound pump is off its plate, and bores off what was told, as deviations of the logarithm (assumed). */
const SOUND_PUMP = 0.12
const BORES = 0.03
/** Nodes of less than this are hoses and fittings, in which no water lies, L. */
const CAR_NODE_L = 0.1

const logBetween = (random: () => number, [low, high]: readonly [number, number]): number =>
  low * (high / low) ** random()

/** Nodes of the car, where water may lie and air come in. */
const carNodes = (rig: RigFile) => rig.nodes.filter((n) => n.volume_L >= CAR_NODE_L)

/** Liquid water where it is other than the story says, g. */
function otherThan({ opened }: RunningPull['story']): readonly [low: number, high: number] {
  const [least, most] = liquidRangeG(opened)
  return [least / OTHER_BELOW, most * OTHER_ABOVE]
}

function nodeByVolume(rig: RigFile, random: () => number): string {
  const nodes = carNodes(rig)
  const total = nodes.reduce((sum, n) => sum + n.volume_L, 0)
  let at = random() * total
  for (const node of nodes) {
    at -= node.volume_L
    if (at <= 0) return node.id
  }
  return nodes[nodes.length - 1]?.id ?? (rig.nodes[0] as RigFile['nodes'][number]).id
}

/** The parts of an explanation, each drawn by itself: one may be drawn anew while the others stay. */
export const DRAWN = {
  water: ({ rig, story }: RunningPull, random: () => number): Explanation['water'] => {
    const drawn = drawWater(story, normalPair(random))
    const other = random() < OTHER_CHANCE
    const oil = random() < BOUND_CHANCE ? logBetween(random, BOUND_G) : 0
    return {
      node: nodeByVolume(rig, random),
      liquidG: other ? logBetween(random, otherThan(story)) : drawn.liquidG,
      boundG: drawn.boundG + oil,
      tauS: logBetween(random, TAUS_S),
    }
  },
  leak: ({ rig }: RunningPull, random: () => number): Explanation['leak'] =>
    random() < LEAK_CHANCE ? { node: nodeByVolume(rig, random), paM3S: logBetween(random, LEAKS_PA_M3_S) } : null,
  pumpTimes: (_pull: RunningPull, random: () => number): number =>
    random() < BAD_PUMP_CHANCE ? logBetween(random, BAD_PUMPS) : Math.exp(SOUND_PUMP * normalPair(random)[0]),
  otherHoses: (_pull: RunningPull, random: () => number): boolean => random() < OTHER_HOSES_CHANCE,
  boreTimes: (_pull: RunningPull, random: () => number): number => Math.exp(BORES * normalPair(random)[0]),
  ballast: ({ ballastOpen }: RunningPull, random: () => number): boolean => ballastOpen ?? random() < BALLAST_CHANCE,
} satisfies { [K in keyof Explanation]: (pull: RunningPull, random: () => number) => Explanation[K] }

export const PARTS = Object.keys(DRAWN) as (keyof Explanation)[]

/** One explanation out of what the story and experience suggest. */
export const drawExplanation = (pull: RunningPull, random: () => number): Explanation => ({
  water: DRAWN.water(pull, random),
  leak: DRAWN.leak(pull, random),
  pumpTimes: DRAWN.pumpTimes(pull, random),
  otherHoses: DRAWN.otherHoses(pull, random),
  boreTimes: DRAWN.boreTimes(pull, random),
  ballast: DRAWN.ballast(pull, random),
})

/** The same explanation with one part of it drawn anew. */
export const redrawn = (e: Explanation, part: keyof Explanation, pull: RunningPull, random: () => number) => ({
  ...e,
  [part]: DRAWN[part](pull, random),
})

/** How far a step of a walk goes at most, in the logarithm, and how many powers of ten shorter it may be. */
const SHORTEST_STRIDE = 1.5
const STRIDE = { liquid: 0.35, bound: 0.4, leak: 0.4, pump: 0.25, bores: 0.015 }

/** A neighbour of an explanation: its grams, flows and figures a little off, its kinds the same. */
export function neighbour(e: Explanation, random: () => number): Explanation {
  // long steps find another place, short ones the middle of a narrow one: a boiling that just ended tells its grams
  // well
  const scale = 10 ** (-SHORTEST_STRIDE * random())
  const near = (value: number, stride: number) => value * Math.exp(scale * stride * normalPair(random)[0])
  return {
    ...e,
    water: {
      ...e.water,
      liquidG: near(e.water.liquidG, STRIDE.liquid),
      boundG: near(e.water.boundG, STRIDE.bound),
    },
    leak: e.leak && { ...e.leak, paM3S: near(e.leak.paM3S, STRIDE.leak) },
    pumpTimes: near(e.pumpTimes, STRIDE.pump),
    boreTimes: near(e.boreTimes, STRIDE.bores),
  }
}

const normalLog = (x: number, sigma: number): number => -0.5 * (x / sigma) ** 2 - Math.log(sigma)

/** A lognormal by its middle and its 95 % point, in the logarithm of the value. */
const lnNormal = (x: number, middle: number, most: number): number =>
  normalLog(Math.log(x / middle), Math.log(most / middle) / Z95)

function lnLiquid(story: RunningPull['story'], liquidG: number): number {
  const [low, high] = otherThan(story)
  const told = (1 - OTHER_CHANCE) * Math.exp(lnNormal(liquidG, medianWater(story).liquidG, mostLiquidG(story)))
  const other = liquidG >= low && liquidG <= high ? OTHER_CHANCE / Math.log(high / low) : 0
  return Math.log(told / Math.sqrt(2 * Math.PI) + other)
}

/** Bound water: an old drier's, or what oil and seals hold. */
function lnBound(story: RunningPull['story'], boundG: number): number {
  const most = mostBoundG(story)
  if (most > 0) return lnNormal(boundG, medianWater(story).boundG, most)
  return boundG === 0 || (boundG >= BOUND_G[0] && boundG <= BOUND_G[1]) ? 0 : -Infinity
}

/** How likely the figures of an explanation are before any reading, in the logarithm, up to a constant. */
export function lnPrior({ story }: RunningPull, e: Explanation): number {
  const inside = (x: number, [low, high]: readonly [number, number]) => (x >= low && x <= high ? 0 : -Infinity)
  const lnPump = Math.log(e.pumpTimes)
  const sound = ((1 - BAD_PUMP_CHANCE) * Math.exp(normalLog(lnPump, SOUND_PUMP))) / Math.sqrt(2 * Math.PI)
  const bad = inside(e.pumpTimes, BAD_PUMPS) === 0 ? BAD_PUMP_CHANCE / Math.log(BAD_PUMPS[1] / BAD_PUMPS[0]) : 0
  return (
    lnLiquid(story, e.water.liquidG) +
    lnBound(story, e.water.boundG) +
    (e.leak ? inside(e.leak.paM3S, LEAKS_PA_M3_S) : 0) +
    Math.log(sound + bad) +
    normalLog(Math.log(e.boreTimes), BORES)
  )
}

/** The rig as it would be if the explanation were true. */
export function rigOf({ rig }: RunningPull, e: Explanation): RigFile {
  const other = { 'rubber-old': 'barrier-new', 'barrier-new': 'rubber-old', metal: 'metal' } as const
  return {
    ...rig,
    links: rig.links.map((l) => ({
      ...l,
      bore_mm: l.bore_mm * e.boreTimes,
      kind: e.otherHoses ? other[l.kind] : l.kind,
    })),
    pump: { ...rig.pump, ultimate_micron: rig.pump.ultimate_micron * e.pumpTimes, ballast: e.ballast },
    sources: {
      leaks: e.leak ? [{ at: e.leak.node, air_Pa_m3_s: e.leak.paM3S }] : [],
      water: e.water.liquidG > 0 ? [{ at: e.water.node, grams: e.water.liquidG }] : [],
      bound: e.water.boundG > 0 ? [{ at: e.water.node, grams: e.water.boundG, tau_s: e.water.tauS }] : [],
    },
  }
}
