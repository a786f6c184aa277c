import { waterSaturationPa } from '../fluids/water'
import { kelvin } from '../units/temperature'

/**
 * A way water makes the pressure go: 0 at isolation, rising, dimensionless, of s since isolation. `bound`: out of oil,
 * drier and walls, with one time constant. `pair`: out of two places at once, a fast one and a slow one. `warming`:
 * liquid that boiled itself cold warms up and its saturation with it.
 */
export type Bend = {
  kind: 'bound' | 'pair' | 'warming'
  tauS: number
  coldK: number
  /** of a pair: the slow time constant, s, and the share of the fast one */
  slowS: number
  share: number
  prior: number
  of: (elapsedS: number) => number
}

/**
 * Time constants of bound water in a closed volume, s: model.md's 300 to 3000, shortened by the pressure that builds
 * up.
 */
const BOUND_TAUS_S = [30, 45, 70, 105, 160, 240, 360, 540, 800, 1200, 1900, 3000]
/**
 * Water that boiled itself cold by so much warms up again with these time constants, K and s (model.md section 4: 20 g
 * and up at 0.4 W/K).
 */
const COLD_BY_K = [2, 4, 7, 11, 17, 25, 36, 50]
const WARMING_TAUS_S = [215, 370]
/** Two places that give water at once: fast and slow time constants, s, and the share of the fast one. */
const PAIR_FAST_S = [50, 120, 280, 600]
const PAIR_SLOW_S = [500, 1000, 1900, 3600]
const PAIR_SHARES = [0.05, 0.15, 0.35, 0.65]
/**
 * Share of a damp car's chance that goes to water warming up, and to two places at once, rather than one out of oil
 * (assumed).
 */
const WARMING_SHARE = 0.25
const PAIR_SHARE = 0.4
/** A focus puts so many bends on each side of the best one. */
const FINE = 4

/**
 * Bends of water with their share of a damp car's chance.
 * @param focuses - bends of the coarse grid that matter: it is made finer around them, the chance of their cells shared
 *   out
 */
export function waterBends(ambientC: number, focuses: readonly Bend[] = []): Bend[] {
  const boundEach = (1 - WARMING_SHARE - PAIR_SHARE) / BOUND_TAUS_S.length
  const pairEach = PAIR_SHARE / (PAIR_FAST_S.length * PAIR_SLOW_S.length * PAIR_SHARES.length)
  const warmEach = WARMING_SHARE / (COLD_BY_K.length * WARMING_TAUS_S.length)
  const pairs = PAIR_FAST_S.flatMap((fast) =>
    PAIR_SLOW_S.flatMap((slow) => PAIR_SHARES.map((share) => pair(fast, slow, share, pairEach))),
  )
  const bends = [
    ...BOUND_TAUS_S.map((tauS) => bound(tauS, boundEach)),
    ...pairs,
    ...COLD_BY_K.flatMap((coldK) => WARMING_TAUS_S.map((tauS) => warming(ambientC, coldK, tauS, warmEach))),
  ]
  if (focuses.length === 0) return bends
  const others = bends.filter((b) => !focuses.some((f) => sameBend(f, b)))
  return [...others, ...focuses.flatMap((f) => fineAround(ambientC, f))]
}

const sameBend = (a: Bend, b: Bend): boolean =>
  a.kind === b.kind && a.tauS === b.tauS && a.coldK === b.coldK && a.slowS === b.slowS && a.share === b.share

function fineAround(ambientC: number, focus: Bend): Bend[] {
  if (focus.kind === 'bound') {
    const count = 2 * FINE + 1
    // from half way to the bend before to half way to the one after, and a little over
    return Array.from({ length: count }, (_, i) => bound(focus.tauS * 1.28 ** ((i - FINE) / FINE), focus.prior / count))
  }
  if (focus.kind === 'pair') {
    const steps = [0.72, 1, 1.38]
    const shares = [0.6, 1, 1.6].map((f) => Math.min(0.95, focus.share * f))
    const each = focus.prior / (steps.length ** 2 * shares.length)
    return steps.flatMap((f) =>
      steps.flatMap((g) => shares.map((share) => pair(focus.tauS * f, focus.slowS * g, share, each))),
    )
  }
  const colds = [-0.3, -0.15, 0, 0.15, 0.3].map((f) => focus.coldK * (1 + f))
  const taus = [0.8, 0.9, 1, 1.15, 1.35].map((f) => focus.tauS * f)
  return colds.flatMap((coldK) =>
    taus.map((tauS) => warming(ambientC, coldK, tauS, focus.prior / (colds.length * taus.length))),
  )
}

const bound = (tauS: number, prior: number): Bend => ({
  kind: 'bound',
  tauS,
  coldK: 0,
  slowS: 0,
  share: 0,
  prior,
  of: (s) => 1 - Math.exp(-s / tauS),
})

const pair = (tauS: number, slowS: number, share: number, prior: number): Bend => ({
  kind: 'pair',
  tauS,
  coldK: 0,
  slowS,
  share,
  prior,
  of: (s) => share * (1 - Math.exp(-s / tauS)) + (1 - share) * (1 - Math.exp(-s / slowS)),
})

function warming(ambientC: number, coldK: number, tauS: number, prior: number): Bend {
  const saturation = saturationBelow(ambientC)
  const startPa = saturation(coldK)
  const endPa = saturation(0)
  return {
    kind: 'warming',
    tauS,
    coldK,
    slowS: 0,
    share: 0,
    prior,
    of: (s) => (saturation(coldK * Math.exp(-s / tauS)) - startPa) / (endPa - startPa),
  }
}

const TABLE_STEP_K = 0.25
const TABLE_K = 80
let table: { ambientC: number; logs: Float64Array } | undefined

/**
 * Saturation so many kelvin below an ambient, Pa: its logarithm tabled every quarter kelvin, straight between (within
 * 1e-5).
 */
function saturationBelow(ambientC: number): (coldK: number) => number {
  if (table?.ambientC !== ambientC) {
    table = {
      ambientC,
      logs: Float64Array.from({ length: TABLE_K / TABLE_STEP_K + 2 }, (_, i) =>
        Math.log(waterSaturationPa(kelvin(ambientC - i * TABLE_STEP_K))),
      ),
    }
  }
  const { logs } = table
  return (coldK) => {
    const at = Math.min(TABLE_K, coldK) / TABLE_STEP_K
    const i = Math.floor(at)
    return Math.exp((logs[i] as number) + (at - i) * ((logs[i + 1] as number) - (logs[i] as number)))
  }
}

/**
 * Time constants with which the two sides of the expansion device meet after isolation, s, and the chance of each; the
 * rest has nothing to equalise (assumed).
 */
export const EQUALISING: readonly { tauS: number; prior: number }[] = [
  { tauS: 20, prior: 0.15 },
  { tauS: 60, prior: 0.15 },
  { tauS: 150, prior: 0.12 },
  { tauS: 320, prior: 0.08 },
]
export const NOTHING_TO_EQUALISE = 1 - EQUALISING.reduce((sum, e) => sum + e.prior, 0)
