import type { Step } from '../job/steps'
import { codeWords } from '../language/codes'
import { W } from '../language/readings/pad'
import { beyondTheAirInHg, type Channel, type ReadingUnit, toStored } from '../units/channel'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_INHG } from '../units/constants'
import { massInAllUnits, parseMass } from '../units/mass'
import { dialUnit, fromPascal, manifoldUnit, type PressureUnit, parsePressure, toPascal } from '../units/pressure'
import { USUAL_UNITS } from '../units/shown'
import { parseCelsius } from '../units/temperature'
import { vacuumSeen } from './vacuum-seen'

/** What is typed by hand while a car is worked on. */
export type PadChannel = Exclude<Channel, 'vacuum_pump' | 'humidity'>
/** A figure as it was typed, in the unit it was typed in. */
export type Typed = { value: number; unit: ReadingUnit }

export const NAMES: Record<PadChannel, string> = {
  vacuum: codeWords('vacuum'),
  low: W.lowSide,
  high: W.highSide,
  scale: codeWords('scale'),
  ambient: W.airTemperature,
  engine_bay: W.gasTemperatureOnAPipe,
  barometer: codeWords('barometer'),
  vent: codeWords('vent'),
}

/** What a step is about first, and what may be typed beside it. @param underPressure - nitrogen stands in the car */
export function padChannels(step: Step, underPressure = false): readonly [PadChannel, ...PadChannel[]] {
  if (underPressure) return ['low', 'engine_bay']
  if (step === 'prove') return ['vent', 'low', 'high', 'ambient']
  return step === 'charge' ? ['scale', 'low', 'high', 'ambient'] : ['vacuum', 'barometer', 'ambient']
}

/** The unit a bare figure is in, until another was typed: that of the gauge, and of whoever types. */
export function usualUnit(channel: PadChannel, gauge: 'electronic' | 'needle', units = USUAL_UNITS): ReadingUnit {
  switch (channel) {
    case 'vacuum':
      return gauge === 'needle' ? 'inHgV' : units.vacuum
    case 'low':
    case 'high':
      return manifoldUnit(units)
    case 'scale':
      return units.mass
    case 'ambient':
    case 'engine_bay':
    case 'vent':
      return units.temperature
    case 'barometer':
      return 'mbar'
    default: {
      const unknown: never = channel
      return unknown
    }
  }
}

/**
 * A figure as an instrument shows it, kept in its own unit.
 * @throws RangeError where it is none, or no such instrument shows so much
 */
export function padRead(channel: PadChannel, text: string, unit: ReadingUnit, barometerPa: number): Typed {
  const typed = parsed(channel, text, unit)
  toStored(channel, typed.value, typed.unit, barometerPa)
  return typed
}

function parsed(channel: PadChannel, text: string, unit: ReadingUnit): Typed {
  if (channel === 'scale') return { value: parseMass(/[a-z]/i.test(text) ? text : `${text} ${unit}`).grams, unit: 'g' }
  if (channel === 'ambient' || channel === 'engine_bay' || channel === 'vent')
    return { value: parseCelsius(/[a-z]/i.test(text) ? text : `${text} ${unit}`), unit: 'C' }
  if (channel === 'vacuum') return parsePressure(text, unit as PressureUnit)
  if (channel === 'barometer') return parsePressure(text, unit as PressureUnit, false)
  const side = parsePressure(text, unit as PressureUnit, true)
  return { ...side, unit: dialUnit(side.unit) }
}

/** The same in other figures, what it means, or what may be typed. */
export function padHint(channel: PadChannel, text: string, unit: ReadingUnit, barometerPa: number): string {
  try {
    const typed = padRead(channel, text, unit, barometerPa)
    const stored = toStored(channel, typed.value, typed.unit, barometerPa)
    switch (channel) {
      case 'scale':
        return massInAllUnits(stored).join(' · ')
      case 'ambient':
      case 'engine_bay':
      case 'vent':
        return `${stored.toFixed(1)} °C, ${((stored * 9) / 5 + 32).toFixed(0)} °F`
      case 'barometer':
        return W.mbarInhg((stored / 100).toFixed(0), (stored / PA_PER_INHG).toFixed(1))
      case 'vacuum':
        return vacuumHint(typed, barometerPa)
      default:
        return W.kpaPsig(Math.round((stored - barometerPa) / 1000), fromPascal(stored, 'psig', barometerPa).toFixed(1))
    }
  } catch {
    return EXAMPLES[channel](unit)
  }
}

const EXAMPLES: Record<PadChannel, (unit: ReadingUnit) => string> = {
  vacuum: (unit) => (unit === 'inHgV' ? W.suchAs295Or : W.suchAs776400u21),
  low: () => W.suchAs3232Psi,
  high: () => W.suchAs180180Psi,
  scale: () => W.suchAs374GOr,
  ambient: () => W.suchAs22Or72,
  engine_bay: () => W.suchAs22Or72,
  vent: () => W.suchAs8Or46,
  barometer: () => W.asItReadsHere1008,
}

function vacuumHint({ value, unit }: Typed, barometerPa: number): string {
  if (unit === 'inHgV') return needleHint(value, barometerPa)
  const pa = toPascal(value, unit as PressureUnit, barometerPa)
  return W.micronKpaAbsoluteInhgBelow(
    Math.round(fromPascal(pa, 'micron')).toLocaleString('en'),
    (pa / 1000).toPrecision(3),
    fromPascal(pa, 'inHgV', barometerPa).toFixed(1),
  )
}

/** What a needle's inches mean; more than the air can give is asked about, and kept. */
function needleHint(inHg: number, barometerPa: number): string {
  const beyond = beyondTheAirInHg(inHg, barometerPa)
  if (beyond > 0) return W.inhgMoreThanTheAir((beyond + NEEDLE_HALF_WIDTH_PA / PA_PER_INHG).toFixed(1))
  return vacuumSeen(toStored('vacuum', inHg, 'inHgV', barometerPa), 'needle', barometerPa).means
}
