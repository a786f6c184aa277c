import { type Simulation, simulate } from '../rig/simulate'
import type { PullAsked } from './asked'
import { type Explanation, rigOf } from './explanation'

/** Readings a pull is weighed by, at most, and how many of them count as independent (assumed). */
const MOST_READINGS = 30
const INDEPENDENT = 4
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
export const TOLERANCE = 1e-2
/** The logarithm of a pressure is not taken below this, Pa. */
const LEAST_PA = 1e-3

type Readings = PullAsked['readings']

/** Pressures of a run at the gauge that is read, and at the pump, in the logarithm, at moments in order, s. */
export type Traced = { tS: Float64Array; lnGauge: Float64Array; lnPump: Float64Array }

/** What a pull is weighed by: readings up to now, evenly spread, and the moments a run is looked at for them, s. */
export type Weighed = { far: Readings; pump: Readings; atS: number[] }

/** The readings a pull is weighed by. */
export function weighedBy(asked: PullAsked): Weighed {
  const far = thinned(asked.readings.filter((r) => r.tS <= asked.nowS))
  const sinceS = far[0]?.tS ?? Number.POSITIVE_INFINITY
  const pump = thinned((asked.atPump ?? []).filter((r) => r.tS <= asked.nowS && r.tS >= sinceS))
  const atS = [...new Set([...far, ...pump].map((r) => r.tS))].sort((a, b) => a - b)
  return { far, pump, atS }
}

/** Evenly spread over the readings, the last always among them. */
function thinned(readings: Readings): Readings {
  if (readings.length <= MOST_READINGS) return readings
  const every = (readings.length - 1) / (MOST_READINGS - 1)
  return Array.from({ length: MOST_READINGS }, (_, i) => readings[Math.round(i * every)] as Readings[number])
}

/**
 * How well an explanation fits what was read, in the logarithm: it is run up to the last reading, looked at where it
 * was read; a run that is off by too much already goes no further.
 * @param least - what it has to fit by to be of use
 * @returns -Infinity where it fits less well than that for certain
 */
export function lnFitOf(asked: PullAsked, e: Explanation, weighed: Weighed, least = -Infinity): number {
  const { atS, far } = weighed
  const of = looseness(asked, far)
  const rig = rigOf(asked, e)
  const gauge = rig.nodes.findIndex((n) => n.id === asked.gaugeNode)
  let [next, ln] = [0, 0]
  const run = simulate(rig, {
    seconds: atS[atS.length - 1] ?? 0,
    everyS: atS,
    relativeTolerance: TOLERANCE,
    enough: ({ tS, totalPa }) => {
      for (let r = far[next]; r && r.tS <= tS; r = far[++next]) ln -= of(r, lnPa(totalPa[gauge] as number))
      return ln < least
    },
  })
  return ln < least ? -Infinity : lnFit(asked, tracedOf(run, asked.gaugeNode), weighed)
}

/**
 * The logarithms of a run's pressures at the gauge's node and at the pump; without a node of that name, the gauge's.
 */
export function tracedOf({ nodes, samples }: Simulation, gaugeNode: string): Traced {
  const gauge = nodes.indexOf(gaugeNode)
  const pump = nodes.includes('pump') ? nodes.indexOf('pump') : gauge
  const of = (node: number) => Float64Array.from(samples, (s) => lnPa(s.totalPa[node] as number))
  return { tS: Float64Array.from(samples, (s) => s.tS), lnGauge: of(gauge), lnPump: of(pump) }
}

export const lnPa = (pa: number): number => Math.log(Math.max(LEAST_PA, pa))

/** A figure at a moment between those it is known at, straight between; beyond them the nearest. */
export function between(tS: Float64Array, values: Float64Array, atS: number): number {
  let low = 0
  let high = tS.length - 1
  while (low < high) {
    const middle = (low + high) >> 1
    if ((tS[middle] as number) < atS) low = middle + 1
    else high = middle
  }
  const [t1, v1] = [tS[low] as number, values[low] as number]
  if (low === 0 || t1 <= atS) return v1
  const [t0, v0] = [tS[low - 1] as number, values[low - 1] as number]
  return v0 + ((atS - t0) / (t1 - t0)) * (v1 - v0)
}

/** How well a run fits what was read, in the logarithm. */
export function lnFit(asked: PullAsked, traced: Traced, { far, pump }: Weighed): number {
  const of = looseness(asked, far)
  const sum = far.reduce((so, r) => so + of(r, between(traced.tS, traced.lnGauge, r.tS)), 0)
  return lnRatioFit(asked, traced, { far, pump }) - sum
}

/** What a reading takes from the fit of a run that stands at some pressure then, in the logarithm. */
function looseness(asked: PullAsked, far: Readings): (reading: Readings[number], ln: number) => number {
  const lateS = (1 - LATE_SHARE) * asked.nowS
  const weightAt = (tS: number) => (tS >= lateS ? LATE_WEIGHT : 1)
  const weights = far.reduce((sum, { tS }) => sum + weightAt(tS), 0)
  const each = (0.5 * Math.min(INDEPENDENT, far.length)) / weights
  return ({ tS, pa }, ln) => {
    const sigma = Math.hypot(MODEL_ERROR, asked.noiseFraction, asked.resolutionPa / pa)
    return each * weightAt(tS) * Math.min(LOUDEST, ((Math.log(pa) - ln) / sigma) ** 2)
  }
}

/** How well the fall between two gauges fits, in the logarithm: it is the hoses', whatever boils behind them. */
function lnRatioFit(asked: PullAsked, traced: Traced, { far, pump }: Pick<Weighed, 'far' | 'pump'>): number {
  if (pump.length === 0 || asked.gaugeNode === 'pump' || !asked.rig.nodes.some((n) => n.id === 'pump')) return 0
  const read = { tS: Float64Array.from(far, (r) => r.tS), ln: Float64Array.from(far, (r) => Math.log(r.pa)) }
  const sum = pump.reduce((so, { tS, pa }) => {
    const fall = Math.log(pa) - between(read.tS, read.ln, tS)
    const foretold = between(traced.tS, traced.lnPump, tS) - between(traced.tS, traced.lnGauge, tS)
    const sigma = Math.hypot(RATIO_ERROR, Math.SQRT2 * asked.noiseFraction, asked.resolutionPa / pa)
    return so + Math.min(LOUDEST, ((fall - foretold) / sigma) ** 2)
  }, 0)
  return (-0.5 * sum * Math.min(INDEPENDENT, pump.length)) / pump.length
}
