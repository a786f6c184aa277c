import { rigRead } from '../job/written'
import { HORIZON_S, type PullAsked, type PullStands } from '../pull/asked'
import { farthestGauge } from '../pull/pull-file'
import { whereItStands } from '../pull/running-pull'
import { type CarVolume, composeRig } from '../rig/compose'
import type { RigFile } from '../rig/rig-file'
import { type Simulation, simulate } from '../rig/simulate'
import { MINUTE_S, PA_PER_MICRON } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { type Figure, figure, percent, share } from './figures'

/** A pull whose truth is known: what is told of it, and what is true. */
export type KnownPull = {
  told: Omit<PullAsked, 'nowS' | 'readings' | 'seed'>
  truth: { leak: boolean; wetG: number; reachedS: number | null }
  /** what the gauge showed, every ten seconds once it is in its range */
  readings: { tS: number; pa: number }[]
}

const EVERY_S = 10
/** An electronic gauge begins to show here, Pa. */
const RANGE_PA = 20_000 * PA_PER_MICRON
const NOISE = 0.01
const OPENED = ['nothing', 'cap-or-core', 'component', 'overnight', 'days'] as const
/** Ranges of water by the story, g: the truth's own, drawn evenly in the logarithm and wider than what is presumed. */
const WATER_G = {
  nothing: [0.003, 0.08],
  'cap-or-core': [0.01, 0.3],
  component: [0.06, 1.5],
  overnight: [0.3, 4],
  days: [1, 12],
} as const

/** A pull drawn from a seed; its rig, water and faults are the truth's own, not the advisor's guesses. */
export function knownPull(seed: number): KnownPull {
  const random = seededRandom(seed)
  const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T
  const pick = <T>(...of: readonly T[]): T => one(of)
  const logBetween = (low: number, high: number) => low * (high / low) ** random()
  const car: CarVolume =
    random() < 0.7 ? { volumeL: 1.5 + 1.5 * random(), evaporators: 1 } : { volumeL: 4 + 2 * random(), evaporators: 2 }
  const opened = one(OPENED)
  const drierReplaced = random() < 0.7
  const plate = 20 + 40 * random()
  const kind = pick('barrier-new', 'barrier-new', 'rubber-old')
  const rig = {
    name: 'x',
    boreMm: pick(4.8, 4.8, 9.5),
    lengthM: 0.9 + 0.9 * random(),
    hoses: pick(1, 2),
    pumpCfm: 2 + 4 * random(),
    ultimateMicron: plate,
    gauge: 'electronic' as const,
    scaleStepG: 1,
    hoseKind: kind,
  } as const
  const place = { ambientC: 6 + 28 * random(), barometerPa: 75_000 + 26_000 * random() }
  const composed = composeRig({ car, rig: rigRead(rig), ...place, water: { liquidG: 0, boundG: 0 } })
  const [leastG, mostG] = WATER_G[opened]
  const wetG = logBetween(leastG, mostG)
  const boundG =
    (drierReplaced || opened === 'nothing' ? 0 : logBetween(0.8, 6)) + (random() < 0.5 ? logBetween(0.01, 0.3) : 0)
  const nodes = composed.nodes.filter((n) => n.volume_L > 0.1).map((n) => n.id)
  const leak = random() < 0.12
  const split = random() < 0.3 ? random() : 1
  const true_: RigFile = {
    ...composed,
    links: composed.links.map((l) => ({
      ...l,
      bore_mm: l.bore_mm * Math.exp(0.03 * normalPair(random)[0]),
    })),
    pump: {
      ...composed.pump,
      ultimate_micron: plate * (random() < 0.18 ? logBetween(1.5, 30) : Math.exp(0.1 * normalPair(random)[0])),
      speed_cfm: composed.pump.speed_cfm * Math.exp(0.05 * normalPair(random)[0]),
    },
    sources: {
      leaks: leak ? [{ at: one(nodes), air_Pa_m3_s: logBetween(2e-6, 2e-3) }] : [],
      water: [
        { at: one(nodes), grams: wetG * split },
        ...(split < 1 ? [{ at: one(nodes), grams: wetG * (1 - split) }] : []),
      ],
      bound: boundG > 0 ? [{ at: one(nodes), grams: boundG, tau_s: logBetween(300, 3000) }] : [],
    },
  }
  const farNode = farthestGauge(composed)
  const targetPa = pick(300, 500, 500, 1000) * PA_PER_MICRON
  const run = simulate(true_, { seconds: HORIZON_S, everyS: EVERY_S, until: { node: farNode, pressurePa: targetPa } })
  const far = run.nodes.indexOf(farNode)
  return {
    told: {
      rig: composed,
      story: { opened, openHours: 3, drierReplaced },
      ballastOpen: false,
      gaugeNode: farNode,
      farNode,
      targetPa,
      noiseFraction: NOISE,
      resolutionPa: PA_PER_MICRON,
    },
    truth: { leak, wetG, reachedS: run.reachedS },
    readings: shownBy(run, far, random),
  }
}

const shownBy = ({ samples }: Simulation, node: number, random: () => number): KnownPull['readings'] =>
  samples.flatMap(({ tS, totalPa }) => {
    const pa = (totalPa[node] as number) * Math.exp(NOISE * normalPair(random)[0])
    return pa < RANGE_PA ? [{ tS, pa }] : []
  })

/** Looks at a pull: a quarter, half and three quarters of the way; at these minutes where it never gets there. */
const FRACTIONS = [0.25, 0.5, 0.75] as const
const NEVER_LOOKS_S = [30, 60, 90].map((m) => m * MINUTE_S)
/** A pull that is over sooner than this is not looked at on the way, s. */
const SHORTEST_S = 120
/** Minutes by the clock some pull for. */
const SCHOOLS_MIN = [15, 30, 45, 60] as const

const lookAt = ({ told, readings }: KnownPull, nowS: number, seed: number): PullStands =>
  whereItStands({ ...told, nowS, readings, seed })

/**
 * How far the predictions of running pulls bear, on pulls of known truth.
 * @param count - pulls; @param from - first seed
 */
export function provePulls(count: number, from = 1): Figure[] {
  const pulls = Array.from({ length: count }, (_, i) => knownPull(from + i))
  const there = pulls.filter((p) => p.truth.reachedS !== null && p.truth.reachedS >= SHORTEST_S)
  const never = pulls.filter((p) => p.truth.reachedS === null)
  const looks = there.map((p, i) =>
    FRACTIONS.map((f) => {
      const reachedS = p.truth.reachedS as number
      return { left: reachedS * (1 - f), says: lookAt(p, reachedS * f, i + 1) }
    }),
  )
  const neverLooks = never.map((p, i) => NEVER_LOOKS_S.map((s) => lookAt(p, s, i + 1)))
  const inside = (at: number) =>
    share(looks, (l) => {
      const { left, says } = l[at] as (typeof looks)[number][number]
      const { p10, p90 } = says.toTargetS
      return p10 !== null && p10 <= left && (p90 === null || left <= p90)
    })
  const factors = looks
    .map((l) => {
      const { left, says } = l[1] as (typeof looks)[number][number]
      return says.toTargetS.p50 === null
        ? Number.POSITIVE_INFINITY
        : Math.abs(Math.log((says.toTargetS.p50 + 1) / (left + 1)))
    })
    .sort((a, b) => a - b)
  const wet = there.flatMap((p, i) => (p.truth.leak ? [] : (looks[i] as (typeof looks)[number])))
  return [
    ...FRACTIONS.map((f, at) =>
      figure(`10 to 90 of 100 hold what is left, ${f} of the way`, percent(inside(at)), '%', looks.length, {
        least: 75,
        most: 90,
      }),
    ),
    figure(
      'the middle is off by a factor, half way, in the median',
      Math.exp(factors[factors.length >> 1] ?? Number.NaN),
      '',
      factors.length,
      { most: 1.5 },
    ),
    figure(
      'said to get there of those that never do',
      percent(share(neverLooks.flat(), (s) => s.reaches > 0.5)),
      '%',
      neverLooks.flat().length,
      { most: 20 },
    ),
    figure(
      'tight pulls called leaking',
      percent(share(wet, ({ says }) => says.stands[0]?.kind === 'leak')),
      '%',
      wet.length,
      { most: 3 },
    ),
    ...SCHOOLS_MIN.flatMap((m) => {
      const done = pulls.filter((p) => p.truth.reachedS !== null && p.truth.reachedS <= m * MINUTE_S)
      const over = done.map((p) => m - (p.truth.reachedS as number) / MINUTE_S).sort((a, b) => a - b)
      return [
        figure(`${m} minutes by the clock are short`, percent(1 - done.length / count), '%', count, {}),
        figure(
          `and too long, in the median of the others`,
          over[over.length >> 1] ?? Number.NaN,
          'min',
          done.length,
          {},
        ),
      ]
    }),
  ]
}
