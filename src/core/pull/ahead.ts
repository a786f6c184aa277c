import { waterSaturationPa } from '../fluids/water'
import { type Simulation, simulate } from '../rig/simulate'
import { BALLAST_FLOOR_PA, OIL_PA_PER_G, PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { HORIZON_S, type PullAsked, type StandKind } from './asked'
import { type Explanation, rigOf } from './explanation'
import { between, lnPa, TOLERANCE, type Traced, tracedOf, type Weighed } from './fit'

/** Moments what is left is looked at by, closer together at first. */
const LOOKS_AHEAD = 48
/** Water counts as still there from so much on, g, while the gas stands above a tenth of its saturation. */
const STILL_WET_G = 0.003
const BOILING_FROM_SHARE = 0.1

/** A run from the start of the pull until it is there or gives up, at moments in order. */
export type Followed = Traced & {
  e: Explanation
  lnFar: Float64Array
  liquidG: Float64Array
  boundG: Float64Array
  oilG: Float64Array
  /** what the pump reached when its oil was fresh, Pa */
  ultimatePa: number
  /** when it is at the target, s since the pull began; null when not within six hours */
  reachedS: number | null
  /** what holds it up where it never gets there */
  blamed: StandKind
  /** what lies about it while it is wet: temperature there, °C */
  coldC: number
}

/** What an explanation says of a moment and of the rest. */
export type Ahead = {
  farPa: number
  toTargetS: number | null
  kind: StandKind
  waterG: number
  oilG: number
  /** what the pump reaches by now, Pa */
  pumpPa: number
}

/** Follows an explanation from the start to the target, or to six hours from now. */
export function follow(asked: PullAsked, e: Explanation, { atS }: Weighed): Followed {
  const { nowS, farNode, targetPa } = asked
  const rig = rigOf(asked, e)
  const later = Array.from({ length: LOOKS_AHEAD + 1 }, (_, i) => nowS + HORIZON_S * (i / LOOKS_AHEAD) ** 2)
  const run = simulate(rig, {
    seconds: nowS + HORIZON_S,
    everyS: [0, ...atS.filter((t) => t > 0 && t < nowS), ...later.filter((t) => t > 0)],
    relativeTolerance: TOLERANCE,
    until: { node: farNode, pressurePa: targetPa, fromS: nowS },
  })
  const far = run.nodes.indexOf(farNode)
  const end = run.samples[run.samples.length - 1] as Simulation['samples'][number]
  const of = (pick: (s: Simulation['samples'][number]) => number) => Float64Array.from(run.samples, pick)
  return {
    e,
    ...tracedOf(run, asked.gaugeNode),
    lnFar: of((s) => lnPa(s.totalPa[far] as number)),
    liquidG: of((s) => s.water.liquidG),
    boundG: of((s) => s.water.boundG),
    oilG: of((s) => s.water.inOilG),
    ultimatePa: ultimatePaOf(rig),
    reachedS: run.reachedS,
    blamed: blamed(rig, end, run.effectiveSpeedM3S[far] as number),
    coldC: rig.nodes.find((n) => n.id === e.water.node)?.temperature_C ?? rig.ambient_C,
  }
}

/** Where a run that was followed stands at a moment, s since the pull began. */
export function aheadAt(f: Followed, nowS: number): Ahead {
  const at = (values: Float64Array) => between(f.tS, values, nowS)
  const farPa = Math.exp(at(f.lnFar))
  const liquidG = at(f.liquidG)
  const wet = liquidG > STILL_WET_G && farPa > BOILING_FROM_SHARE * waterSaturationPa(kelvin(f.coldC))
  return {
    farPa,
    toTargetS: f.reachedS === null ? null : Math.max(0, f.reachedS - nowS),
    waterG: liquidG + at(f.boundG),
    oilG: at(f.oilG),
    pumpPa: f.ultimatePa + OIL_PA_PER_G * at(f.oilG),
    kind: f.reachedS === null ? f.blamed : wet ? 'boiling' : 'on-course',
  }
}

const ultimatePaOf = ({ pump }: ReturnType<typeof rigOf>): number => pump.ultimate_micron * PA_PER_MICRON

/** What holds a pull up that does not get there: the largest of what stands against it at its end. */
function blamed(rig: ReturnType<typeof rigOf>, end: Simulation['samples'][number], speedM3S: number): StandKind {
  if (end.water.liquidG > STILL_WET_G) return 'boiling'
  const leakPa = rig.sources.leaks.reduce((sum, l) => sum + l.air_Pa_m3_s, 0) / Math.max(1e-9, speedM3S)
  const pumpPa = ultimatePaOf(rig) + OIL_PA_PER_G * end.water.inOilG
  const floorPa = rig.pump.ballast ? BALLAST_FLOOR_PA : 0
  const most = Math.max(leakPa, pumpPa, floorPa)
  const deepest = Math.min(...end.totalPa)
  // what neither leak nor pump nor ballast explains is what the hoses give
  const hosesPa = Math.max(0, Math.max(...end.totalPa) - deepest - leakPa)
  if (hosesPa > most) return 'hoses'
  return most === leakPa ? 'leak' : most === floorPa ? 'ballast' : 'pump'
}
