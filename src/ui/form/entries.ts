import { ML_PER_FLUID_OUNCE } from '@/core/units/constants'
import { formatPoundsOunces, massInAllUnits, parseMass, parseMassRange } from '@/core/units/mass'
import { fromPascal, type PressureUnit, parsePressure, toPascal } from '@/core/units/pressure'
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

export const readMass = (text: string): Entry<number> => attempt(() => parseMass(text).grams)
export const readMassRange = (text: string) => attempt(() => parseMassRange(text))
export const readCelsius = (text: string): Entry<number> => attempt(() => parseCelsius(text))

/** A gauge pressure as typed, Pa above the air; inches count below it. */
export function readGauge(text: string, barometerPa: number, fallback: PressureUnit = 'psig'): Entry<number> {
  return attempt(() => {
    const { value, unit } = parsePressure(text, fallback, true)
    // a manifold's dial counts from the air whatever its unit is called
    const gauge = unit === 'psi' ? 'psig' : unit === 'kPa' ? 'kPag' : unit
    return toPascal(value, gauge, barometerPa) - barometerPa
  })
}

/** A count of minutes, hours or mL: not negative. */
export function readAmount(text: string, what: string, most: number): Entry<number> {
  return attempt(() => {
    const value = Number(text.trim().replace(',', '.'))
    if (text.trim() === '' || !Number.isFinite(value)) throw new Error(`type ${what} as a number`)
    if (value < 0 || value > most) throw new Error(`${what} must lie between 0 and ${most}`)
    return value
  })
}

/** An amount of oil, mL, as typed: `30`, `30 mL` or `1 fl oz`. */
export function readOil(text: string, most: number): Entry<number> {
  const ounces = /^([\d.,]+)\s*(?:fl\.?\s*)?oz$/i.exec(text.trim())
  const bare = ounces ? (ounces[1] ?? '') : text.replace(/\s*ml$/i, '')
  const read = readAmount(bare, 'the oil in mL or fl oz', most)
  return 'value' in read && ounces ? { value: read.value * ML_PER_FLUID_OUNCE } : read
}

/** What an amount of oil is in the other unit; nothing while none is typed. */
export function oilHint(text: string): string | undefined {
  const read = readOil(text, Number.MAX_VALUE)
  if (!('value' in read) || read.value === 0) return undefined
  return `${read.value.toFixed(0)} mL, ${(read.value / ML_PER_FLUID_OUNCE).toFixed(1)} fl oz`
}

/** The other units of a mass entry, or nothing while it cannot be read. */
export function massHint(text: string): { hint?: string; warning?: string } {
  const range = readMassRange(text)
  if ('error' in range) return {}
  const { lowG, highG, warning } = range.value
  if (warning) return { warning }
  if (lowG === highG) return { hint: massInAllUnits(lowG).join(' · ') }
  return {
    hint: `${Math.round(lowG)} to ${Math.round(highG)} g · ${formatPoundsOunces(lowG)} to ${formatPoundsOunces(highG)}`,
  }
}

/** The other units of a gauge pressure entry. */
export function gaugeHint(text: string, barometerPa: number): string | undefined {
  const entry = readGauge(text, barometerPa)
  if ('error' in entry) return undefined
  const absolute = entry.value + barometerPa
  if (entry.value < -1000)
    return `${fromPascal(absolute, 'inHgV', barometerPa).toFixed(1)} inHg below the air, ${(absolute / 1000).toFixed(1)} kPa absolute`
  const psig = fromPascal(absolute, 'psig', barometerPa).toFixed(1)
  const said = `${Math.round(entry.value / 1000)} kPa, ${psig} psig, ${(absolute / 1000).toFixed(0)} kPa absolute`
  return said.replaceAll('-', '−')
}

/** The other unit of a temperature as typed, or nothing while it cannot be read. */
export function celsiusHint(text: string): string | undefined {
  const entry = readCelsius(text)
  return 'value' in entry
    ? `${entry.value.toFixed(1)} °C, ${((entry.value * 9) / 5 + 32).toFixed(0)} °F`.replaceAll('-', '−')
    : undefined
}
