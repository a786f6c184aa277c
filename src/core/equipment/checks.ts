import { W } from '../language/equipment/checks'
import { DYING_POWER, OUTGASSING } from '../rig/outgassing'
import { HOUR_S, PA_PER_MICRON, SIGMAS_95 } from '../units/constants'
import type { EquipmentOf, PressureReading } from './equipment'

/** What a pump reached against nothing but the gauge. */
export type BlankOff = {
  /** Pa */
  ultimatePa: number
  /** the last readings no longer fall */
  settled: boolean
  verdict: 'healthy' | 'needs-oil' | 'not-settled'
  words: string
}

/** Readings that agree within this have settled (assumed). */
const SETTLED_WITHIN = 0.05
/** A pump that stays this far above its plate needs oil, not time (assumed). */
const NEEDS_OIL_FACTOR = 2
/** Healthy pumps reach this whatever their plate says, Pa (practice: 15 to 50 micron). */
const HEALTHY_PA = 50 * PA_PER_MICRON

const inMicron = (pa: number): number => Math.round(pa / PA_PER_MICRON)

/**
 * Judges a blank-off test: the pump against the gauge with its inlet shut.
 * @param readings - in order of time, at least three; Pa absolute
 * @returns the lowest settled reading as the ultimate, Pa
 */
export function judgeBlankOff(readings: readonly PressureReading[], plate: EquipmentOf<'pump'>['spec']): BlankOff {
  const last = readings.slice(-3).map((r) => r.pa)
  const ultimatePa = Math.min(...last)
  const settled = last.length === 3 && Math.max(...last) <= ultimatePa * (1 + SETTLED_WITHIN) + PA_PER_MICRON
  if (!settled)
    return {
      ultimatePa,
      settled,
      verdict: 'not-settled',
      words: W.stillFallingAtMicronLet(inMicron(ultimatePa)),
    }
  const healthy = ultimatePa <= Math.max(HEALTHY_PA, NEEDS_OIL_FACTOR * plate.ultimatePa)
  return {
    ultimatePa,
    settled,
    verdict: healthy ? 'healthy' : 'needs-oil',
    words: healthy
      ? W.itReachesMicronByItself(inMicron(ultimatePa), inMicron(plate.ultimatePa))
      : W.itStaysAtMicronBy(inMicron(ultimatePa), inMicron(plate.ultimatePa)),
  }
}

/** What hoses held alone let in or give. */
export type HoseHold = {
  /** gas coming in at the end of the hold, Pa m3/s, with its 95 % interval */
  gasPaM3S: { value: number; low: number; high: number }
  heldS: number
  verdict: 'as-new' | 'old-rubber' | 'leaks'
  words: string
}

/** A hose that gives this much more than old rubber does not only give gas (assumed). */
const LEAKS_FACTOR = 3

/** Hoses were under vacuum for so long at least when they are judged, s. */
const SHORTEST_HELD_S = 600

/**
 * Judges hoses held alone: the straight line through the second half of the readings, times the volume.
 * The first half shows gas settling and is left out.
 * @param readings - at least four, seconds since the valve was shut and Pa absolute
 * @param volumeL - of the hoses with what is on them, L
 * @param hose - the hose, for what its kind gives by model.md section 4
 */
export function judgeHoseHold(
  readings: readonly PressureReading[],
  volumeL: number,
  hose: EquipmentOf<'hose'>['spec'],
): HoseHold {
  const used = readings.slice(Math.min(readings.length - 3, Math.floor(readings.length / 2)))
  const { slope, sigma } = lineThrough(used)
  const cubic = volumeL / 1000
  const heldS = (readings[readings.length - 1] as PressureReading).atS
  const gas = {
    value: slope * cubic,
    low: (slope - SIGMAS_95 * sigma) * cubic,
    high: (slope + SIGMAS_95 * sigma) * cubic,
  }
  const by = (kind: 'barrier-new' | 'rubber-old') => gasOf(kind, hose.lengthM, Math.max(SHORTEST_HELD_S, heldS))
  const verdict =
    gas.value <= 2 * by('barrier-new')
      ? 'as-new'
      : gas.value <= LEAKS_FACTOR * by('rubber-old')
        ? 'old-rubber'
        : 'leaks'
  const shown = W.paMS(gas.value <= 0 ? W.no : gas.value.toExponential(1))
  const words = {
    'as-new': W.theHoseGivesByItself(shown),
    'old-rubber': W.theHoseGivesByItselfAs(shown),
    leaks: W.comeInMoreThanRubber(shown),
  }[verdict]
  return { gasPaM3S: gas, heldS, verdict, words }
}

/** What a kind of hose gives after so long under vacuum, Pa m3/s. */
function gasOf(kind: 'barrier-new' | 'rubber-old', lengthM: number, afterS: number): number {
  const [first, steady] = OUTGASSING[kind]
  return lengthM * (first * (afterS / HOUR_S) ** -DYING_POWER + steady)
}

/**
 * Least squares through readings, Pa/s, with the slope's standard deviation from what is left over (a micron at least).
 */
function lineThrough(readings: readonly PressureReading[]): { slope: number; sigma: number } {
  const n = readings.length
  const meanT = readings.reduce((s, r) => s + r.atS, 0) / n
  const meanP = readings.reduce((s, r) => s + r.pa, 0) / n
  const tt = readings.reduce((s, r) => s + (r.atS - meanT) ** 2, 0)
  if (!(tt > 0)) return { slope: 0, sigma: Number.POSITIVE_INFINITY }
  const slope = readings.reduce((s, r) => s + (r.atS - meanT) * (r.pa - meanP), 0) / tt
  const left = readings.reduce((s, r) => s + (r.pa - meanP - slope * (r.atS - meanT)) ** 2, 0)
  const noise = Math.max(PA_PER_MICRON, Math.sqrt(left / Math.max(1, n - 2)))
  return { slope, sigma: noise / Math.sqrt(tt) }
}
