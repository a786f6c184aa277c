import { OutOfRange, Unreadable } from '../errors'
import { W } from '../language/units/channel'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_INHG } from './constants'
import { GRAMS_PER, MASS_UNITS, type MassUnit } from './mass'
import { aboveAirPa, PRESSURE_UNITS, type PressureUnit, toPascal } from './pressure'

/**
 * What an instrument can report; `vacuum` is absolute, `low` and `high` count from the air of the place. `vacuum_pump`
 * is what a gauge at the pump is kept as while another hangs at the far end.
 */
export const CHANNELS = [
  'vacuum',
  'low',
  'high',
  'barometer',
  'ambient',
  'engine_bay',
  'vent',
  'humidity',
  'scale',
  'vacuum_pump',
] as const
export type Channel = (typeof CHANNELS)[number]

export const READING_UNITS = [...PRESSURE_UNITS, 'C', 'F', ...MASS_UNITS, '%'] as const
export type ReadingUnit = (typeof READING_UNITS)[number]

const ALLOWED: Record<Channel, readonly ReadingUnit[]> = {
  vacuum: ['micron', 'Pa', 'kPa', 'mbar', 'inHgV'],
  low: ['psig', 'psi', 'kPa', 'kPag', 'bar', 'barg', 'mbar', 'Pa', 'inHgV'],
  high: ['psig', 'psi', 'kPa', 'kPag', 'bar', 'barg', 'mbar', 'Pa', 'inHgV'],
  barometer: ['Pa', 'kPa', 'mbar', 'inHg'],
  ambient: ['C', 'F'],
  engine_bay: ['C', 'F'],
  vent: ['C', 'F'],
  humidity: ['%'],
  scale: ['g', 'oz', 'lb', 'kg'],
  vacuum_pump: ['micron', 'Pa', 'kPa', 'mbar', 'inHgV'],
}

/** Largest magnitudes an instrument on a car can honestly report, in the stored unit of each kind. */
const LIMITS = { pressurePa: 6e6, temperatureC: 150, massG: 200_000 }

/**
 * A reading as stored: pressures Pa absolute, temperatures Celsius, masses g, humidity 0 to 1.
 * @param value - in `unit`, as sent or typed
 * @param barometerPa - air pressure of the place, Pa: `low` and `high` are gauge pressures
 * @throws Unreadable when the unit does not belong to the channel or the value is beyond any instrument
 * @throws OutOfRange when a needle shows more than any dial has; up to there one beyond the air of the place stands at
 *   its stop, and is kept as it was sent
 */
export function toStored(channel: Channel, value: number, unit: ReadingUnit, barometerPa: number): number {
  if (!ALLOWED[channel].includes(unit)) {
    throw new Unreadable(W.doesNotComeInUse(channel, unit, ALLOWED[channel].join(', ')))
  }
  if (!Number.isFinite(value)) throw new Unreadable(W.mustBeAFiniteNumber(channel))
  switch (channel) {
    case 'vacuum':
    case 'vacuum_pump':
      return unit === 'inHgV'
        ? needleToPascal(value, barometerPa)
        : bounded(channel, toPascal(value, unit as PressureUnit, barometerPa), LIMITS.pressurePa)
    case 'barometer':
      return bounded(channel, toPascal(value, unit as PressureUnit, barometerPa), LIMITS.pressurePa)
    case 'low':
    case 'high':
      return bounded(channel, gaugeToPascal(value, unit as PressureUnit, barometerPa), LIMITS.pressurePa)
    case 'scale':
      return bounded(channel, value * GRAMS_PER[unit as MassUnit], LIMITS.massG)
    case 'humidity':
      return bounded(channel, value / 100, 1)
    default:
      return bounded(channel, unit === 'F' ? ((value - 32) * 5) / 9 : value, LIMITS.temperatureC)
  }
}

const gaugeScalePa = (unit: PressureUnit): number => (unit === 'inHgV' ? -PA_PER_INHG : aboveAirPa(unit))

/** What a manifold needle's dial says, Pa absolute, unbounded: off its zero it shows less than nothing. */
export const needleShowsPa = (value: number, unit: PressureUnit, barometerPa: number): number =>
  barometerPa + value * gaugeScalePa(unit)

/**
 * A manifold gauge may show this much less than nothing at all, Pa: its own error, 0.5 % of a 2.8 MPa span (assumed).
 */
const GAUGE_ERROR_PA = 14_000

/**
 * A manifold gauge counts from the air whatever its dial calls the unit; in deep vacuum its error may put it below
 * zero.
 */
function gaugeToPascal(value: number, unit: PressureUnit, barometerPa: number): number {
  const absolute = needleShowsPa(value, unit, barometerPa)
  if (absolute < -GAUGE_ERROR_PA)
    throw new OutOfRange(
      W.gaugePressure,
      value,
      Math.round((-barometerPa / gaugeScalePa(unit)) * 10) / 10,
      Number.POSITIVE_INFINITY,
      unit,
    )
  return Math.max(0, absolute)
}

/** A needle's dial ends at 30 inches; with its own error and its zero it shows no more than this. */
const DIAL_ENDS_INHG = 33

/** What a needle's inches below the air are, Pa absolute: at its stop, and beyond it, nothing. */
function needleToPascal(inHg: number, barometerPa: number): number {
  if (inHg > DIAL_ENDS_INHG) throw new OutOfRange(W.vacuumReading, inHg, -200, DIAL_ENDS_INHG, 'inHg')
  return Math.max(0, barometerPa - inHg * PA_PER_INHG)
}

/** How far a needle stands beyond what the air of the place and its own error allow, inHg; 0 where it does not. */
export function beyondTheAirInHg(inHg: number, barometerPa: number): number {
  const beyond = inHg - (barometerPa + NEEDLE_HALF_WIDTH_PA) / PA_PER_INHG
  return Math.max(0, beyond)
}

function bounded(channel: Channel, stored: number, limit: number): number {
  if (Math.abs(stored) <= limit) return stored
  throw new Unreadable(W.isBeyondWhatAnyInstrument(channel))
}
