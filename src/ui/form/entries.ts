import { W } from '@/core/language/screen/form-entries'
import { ML_PER_FLUID_OUNCE } from '@/core/units/constants'
import { formatPoundsOunces, massInAllUnits, parseMass, parseMassRange } from '@/core/units/mass'
import { dialUnit, fromPascal, manifoldUnit, parsePressure, toPascal } from '@/core/units/pressure'
import { type Units, USUAL_UNITS } from '@/core/units/shown'
import { parseCelsius } from '@/core/units/temperature'

/** What became of an entry: a value, or the reason it is none. */
export type Entry<T> = { value: T } | { error: string }

/** What a reader that throws makes of an entry. */
export function attempt<T>(read: () => T): Entry<T> {
  try {
    return { value: read() }
  } catch (error) {
    return { error: (error as Error).message }
  }
}

/** Whatever is typed without a unit is in the unit of whoever types. */
const massUnit = ({ mass }: Units) => mass

export const readMass = (text: string, units = USUAL_UNITS): Entry<number> =>
  attempt(() => parseMass(text, massUnit(units)).grams)
export const readMassRange = (text: string, units = USUAL_UNITS) => attempt(() => parseMassRange(text, massUnit(units)))
export const readCelsius = (text: string, units = USUAL_UNITS): Entry<number> =>
  attempt(() => parseCelsius(text, units.temperature))

/** A figure as it was typed, with the unit it was meant in where none stands behind it. */
export const withUnit = (text: string, unit: string): string =>
  /[a-z"]/i.test(text.replace(/\bto\b/i, '')) || text.trim() === '' ? text.trim() : `${text.trim()} ${unit}`

/** A gauge pressure as typed, Pa above the air; inches count below it. */
export function readGauge(text: string, barometerPa: number, units = USUAL_UNITS): Entry<number> {
  return attempt(() => {
    const { value, unit } = parsePressure(text, manifoldUnit(units), true)
    return toPascal(value, dialUnit(unit), barometerPa) - barometerPa
  })
}

/** A count of minutes, hours or mL: not negative. */
export function readAmount(text: string, what: string, most: number): Entry<number> {
  return attempt(() => {
    const value = Number(text.trim().replace(',', '.'))
    if (text.trim() === '' || !Number.isFinite(value)) throw new Error(W.typeAsANumber(what))
    if (value < 0 || value > most) throw new Error(W.mustLieBetween0And(what, most))
    return value
  })
}

/** An amount of oil, mL, as typed: `30`, `30 mL` or `1 fl oz`. */
export function readOil(text: string, most: number, units = USUAL_UNITS): Entry<number> {
  const ounces = /^([\d.,]+)\s*(?:fl\.?\s*)?oz$/i.exec(withUnit(text, units.oil === 'floz' ? W.flOz : 'mL'))
  const bare = ounces ? (ounces[1] ?? '') : text.replace(/\s*ml$/i, '')
  const read = readAmount(bare, W.theOilInMlOr, most)
  return 'value' in read && ounces ? { value: read.value * ML_PER_FLUID_OUNCE } : read
}

/** What an amount of oil is in the other unit; nothing while none is typed. */
export function oilHint(text: string, units = USUAL_UNITS): string | undefined {
  const read = readOil(text, Number.MAX_VALUE, units)
  if (!('value' in read) || read.value === 0) return undefined
  return W.mlFlOz(read.value.toFixed(0), (read.value / ML_PER_FLUID_OUNCE).toFixed(1))
}

/** The other units of a mass entry, or nothing while it cannot be read. */
export function massHint(text: string, units = USUAL_UNITS): { hint?: string; warning?: string } {
  const range = readMassRange(text, units)
  if ('error' in range) return {}
  const { lowG, highG, warning } = range.value
  if (warning) return { warning }
  if (lowG === highG) return { hint: massInAllUnits(lowG).join(' · ') }
  return {
    hint: W.toGTo(Math.round(lowG), Math.round(highG), formatPoundsOunces(lowG), formatPoundsOunces(highG)),
  }
}

/** The other units of a gauge pressure entry. */
export function gaugeHint(text: string, barometerPa: number, units = USUAL_UNITS): string | undefined {
  const entry = readGauge(text, barometerPa, units)
  if ('error' in entry) return undefined
  const absolute = entry.value + barometerPa
  if (entry.value < -1000)
    return W.inhgBelowTheAirKpa(fromPascal(absolute, 'inHgV', barometerPa).toFixed(1), (absolute / 1000).toFixed(1))
  const psig = fromPascal(absolute, 'psig', barometerPa).toFixed(1)
  const said = W.kpaPsigKpaAbsolute(Math.round(entry.value / 1000), psig, (absolute / 1000).toFixed(0))
  return said.replaceAll('-', '−')
}

/** The other unit of a temperature as typed, or nothing while it cannot be read. */
export function celsiusHint(text: string, units = USUAL_UNITS): string | undefined {
  const entry = readCelsius(text, units)
  return 'value' in entry
    ? `${entry.value.toFixed(1)} °C, ${((entry.value * 9) / 5 + 32).toFixed(0)} °F`.replaceAll('-', '−')
    : undefined
}
