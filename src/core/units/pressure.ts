import { OutOfRange, Unreadable } from '../errors'
import { W } from '../language/units/pressure'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_INHG, PA_PER_MICRON, PA_PER_PSI, STANDARD_ATMOSPHERE_PA } from './constants'

/** Units a pressure may be sent or typed in. `psig`, `kPag`, `barg` and `inHgV` count from the air of the place. */
export const PRESSURE_UNITS = [
  'micron',
  'Pa',
  'kPa',
  'mbar',
  'psi',
  'inHg',
  'psig',
  'kPag',
  'inHgV',
  'bar',
  'barg',
] as const
export type PressureUnit = (typeof PRESSURE_UNITS)[number]

const ABSOLUTE_PA: Partial<Record<PressureUnit, number>> = {
  micron: PA_PER_MICRON,
  Pa: 1,
  kPa: 1000,
  mbar: 100,
  bar: 100_000,
  psi: PA_PER_PSI,
  inHg: PA_PER_INHG,
}
const GAUGE_PA: Partial<Record<PressureUnit, number>> = {
  psig: PA_PER_PSI,
  kPag: 1000,
  barg: 100_000,
  inHgV: -PA_PER_INHG,
}

/** A pressure with the interval its instrument can vouch for; Pa absolute. */
export type PressureReading = { pressurePa: number; lowPa: number; highPa: number }

/** True for units that count from the surrounding air and so need a barometer. */
export function isGaugeUnit(unit: PressureUnit): boolean {
  return unit in GAUGE_PA
}

/**
 * Turns a pressure in any unit into Pa absolute.
 * @param value - in `unit`; `inHgV` counts inches of mercury below the air around the gauge
 * @param barometerPa - air pressure of the place, Pa; needed for gauge units only
 * @throws OutOfRange when the absolute pressure would be negative (a needle cannot read deeper than the barometer)
 * @throws Unreadable when a gauge unit comes without a barometer
 */
export function toPascal(value: number, unit: PressureUnit, barometerPa?: number): number {
  const gaugePa = GAUGE_PA[unit]
  if (gaugePa === undefined) return atLeastZero(value, unit, value * (ABSOLUTE_PA[unit] as number), 0)
  if (barometerPa === undefined) throw new Unreadable(W.countsFromTheAirOf(unit))
  const deepest = -barometerPa / gaugePa
  return atLeastZero(value, unit, barometerPa + value * gaugePa, deepest)
}

function atLeastZero(value: number, unit: PressureUnit, pressurePa: number, bound: number): number {
  if (Number.isFinite(pressurePa) && pressurePa >= 0) return pressurePa
  const rounded = Math.round(bound * 10) / 10
  if (unit === 'inHgV') throw new OutOfRange(W.vacuumReading, value, -200, rounded, W.inhgHere)
  throw new OutOfRange('pressure', value, rounded, Number.POSITIVE_INFINITY, unit)
}

/**
 * The inverse of `toPascal`.
 * @param pressurePa - Pa absolute
 * @returns the value in `unit`
 */
export function fromPascal(pressurePa: number, unit: PressureUnit, barometerPa = STANDARD_ATMOSPHERE_PA): number {
  const gaugePa = GAUGE_PA[unit]
  if (gaugePa !== undefined) return (pressurePa - barometerPa) / gaugePa
  return pressurePa / (ABSOLUTE_PA[unit] as number)
}

/**
 * A needle reading as the interval of absolute pressure it can mean, Pa; its lower end is not below zero. A reading up
 * to the needle's own error deeper than the air of the place is a needle at its stop: zero, up to what the error
 * leaves.
 * @throws OutOfRange further beyond
 */
export function needleReading(inHgBelowAir: number, barometerPa: number): PressureReading {
  const shownPa = barometerPa - inHgBelowAir * PA_PER_INHG
  // a hair of slack: half an inch typed in decimals is half an inch
  const atStop = shownPa < 0 && shownPa >= -NEEDLE_HALF_WIDTH_PA - 1e-6
  const pressurePa = atStop ? 0 : toPascal(inHgBelowAir, 'inHgV', barometerPa)
  return {
    pressurePa,
    lowPa: Math.max(0, pressurePa - NEEDLE_HALF_WIDTH_PA),
    highPa: Math.max(0, shownPa + NEEDLE_HALF_WIDTH_PA),
  }
}

const UNIT_WORDS: [RegExp, PressureUnit][] = [
  [/^(micron|microns|u|um|umhg|µ|µm)$/i, 'micron'],
  [/^pa$/i, 'Pa'],
  [/^kpa$/i, 'kPa'],
  [/^(kpag|kpa gauge)$/i, 'kPag'],
  [/^(mbar|hpa)$/i, 'mbar'],
  [/^bara?$/i, 'bar'],
  [/^(barg|bar gauge)$/i, 'barg'],
  [/^psia?$/i, 'psi'],
  [/^psig$/i, 'psig'],
  [/^(in ?hg ?v|in ?hg ?vac|in ?v)$/i, 'inHgV'],
  [/^(in|"|in ?hg)$/i, 'inHg'],
]

/**
 * Reads what a person types for a pressure, such as `776`, `400u`, `21.6 inHg`, `-18` or `55 psig`.
 * On a vacuum (`vacuum: true`) inches are what a needle shows: inches below the air, sign optional.
 * @param text - what was typed
 * @param fallback - unit meant when none was typed, the one this instrument showed last
 * @throws Unreadable when there is no number or the unit is not known
 */
export function parsePressure(
  text: string,
  fallback: PressureUnit,
  vacuum = true,
): { value: number; unit: PressureUnit } {
  const match = /^\s*([+-]?\d[\d,\s]*(?:\.\d+)?|[+-]?\.\d+)\s*([^\d\s].*)?$/.exec(text.replace('−', '-'))
  if (!match) throw new Unreadable(W.typeANumberAndIts)
  const value = Number((match[1] as string).replace(/[,\s]/g, ''))
  if (!Number.isFinite(value)) throw new Unreadable(W.typeAPlainNumberSuch)
  const word = match[2]?.trim()
  const found = word === undefined ? fallback : UNIT_WORDS.find(([pattern]) => pattern.test(word))?.[1]
  if (!found) throw new Unreadable(W.theUnitIsNotKnown(word ?? '', PRESSURE_UNITS.join(', ')))
  const needle = found === 'inHgV' || (found === 'inHg' && vacuum)
  return needle ? { value: Math.abs(value), unit: 'inHgV' } : { value, unit: found }
}

/** One step of a dial above the air in a unit, Pa; an absolute unit's own size. */
export const aboveAirPa = (unit: PressureUnit): number => GAUGE_PA[unit] ?? (ABSOLUTE_PA[unit] as number)

/** A manifold's dial counts from the air whatever its unit is called. */
export const dialUnit = (unit: PressureUnit): PressureUnit =>
  unit === 'psi' ? 'psig' : unit === 'kPa' ? 'kPag' : unit === 'bar' ? 'barg' : unit

/** What a bare figure of a dial is in, for whoever thinks in these units; most dials have both scales. */
export const manifoldUnit = ({ pressure }: { pressure: 'kPa' | 'psi' | 'bar' }): PressureUnit => dialUnit(pressure)

/** A change of pressure, Pa, in a unit of vacuum: inches count the same way up as down. */
export const changeIn = (pa: number, unit: 'micron' | 'Pa' | 'mbar' | 'inHgV'): number =>
  unit === 'inHgV' ? pa / PA_PER_INHG : fromPascal(pa, unit)
