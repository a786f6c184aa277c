import { Unreadable } from '../errors'
import { W } from '../language/units/mass'
import { GRAMS_PER_OUNCE, OUNCES_PER_POUND } from './constants'

export const MASS_UNITS = ['g', 'oz', 'lb', 'kg'] as const
export type MassUnit = (typeof MASS_UNITS)[number]

/** Grams in one of each unit. */
export const GRAMS_PER: Record<MassUnit, number> = {
  g: 1,
  oz: GRAMS_PER_OUNCE,
  lb: GRAMS_PER_OUNCE * OUNCES_PER_POUND,
  kg: 1000,
}

export type ParsedMass = {
  /** g */
  grams: number
  /** The unit that was typed, or the fallback. */
  unit: MassUnit
  /** A sentence when decimals of a pound invite being read as ounces. */
  warning?: string
}

/** One range of a label: both ends in g, equal for a single figure. */
export type MassRange = { lowG: number; highG: number; warning?: string }

const UNIT = '(kg|g|grams?|lbs?|pounds?|oz|ounces?)'
const NUMBER = '(\\d+(?:\\.\\d+)?|\\.\\d+)'

/**
 * Reads a mass as people type it: `567 g`, `20 oz`, `1 lb 4`, `1 lb 3.5 oz`, `1.4 lb`, `0.54 kg`, `567`.
 * @param fallback - unit meant when none was typed
 * @returns grams; with a warning for decimals of a pound, which are not ounces
 * @throws Unreadable when it is not a mass, is negative, or has 16 ounces or more after a pound
 */
export function parseMass(text: string, fallback: MassUnit = 'g'): ParsedMass {
  const typed = text.trim().toLowerCase().replace(/,/g, '')
  const pounds = new RegExp(`^${NUMBER}\\s*(?:lbs?|pounds?)\\s*${NUMBER}\\s*(?:oz|ounces?)?$`).exec(typed)
  if (pounds) return poundsAndOunces(Number(pounds[1]), Number(pounds[2]))
  const single = new RegExp(`^${NUMBER}\\s*${UNIT}?$`).exec(typed)
  if (!single) throw new Unreadable(W.typeAWeightSuchAs)
  const unit = single[2] ? unitOf(single[2]) : fallback
  const value = Number(single[1])
  const grams = value * GRAMS_PER[unit]
  return unit === 'lb' && !Number.isInteger(value)
    ? { grams, unit, warning: decimalPounds(value, single[1] as string) }
    : { grams, unit }
}

function poundsAndOunces(lb: number, oz: number): ParsedMass {
  if (!Number.isInteger(lb)) throw new Unreadable(W.withOuncesBehindItThe)
  if (oz >= OUNCES_PER_POUND) throw new Unreadable(W.aPoundHasOuncesAfter(OUNCES_PER_POUND))
  return { grams: lb * GRAMS_PER.lb + oz * GRAMS_PER.oz, unit: 'oz' }
}

function unitOf(word: string): MassUnit {
  if (word.startsWith('k')) return 'kg'
  if (word.startsWith('g')) return 'g'
  return word.startsWith('o') ? 'oz' : 'lb'
}

function decimalPounds(value: number, typed: string): string {
  const digits = typed.split('.')[1] ?? ''
  const lookalike = W.lbOz(Math.floor(value), Number(digits))
  return W.lbIsNot(typed, formatPoundsOunces(value * GRAMS_PER.lb), lookalike)
}

/**
 * Reads a label's charge: one figure or a range, such as `530-560 g`, `18 to 20 oz`, `1 lb 4`.
 * @returns both ends in g, low first
 * @throws Unreadable as `parseMass`, or when the ends are the wrong way round
 */
export function parseMassRange(text: string, fallback: MassUnit = 'g'): MassRange {
  const parts = text.split(/\s*(?:-|–|\bto\b)\s*/)
  if (parts.length > 2) throw new Unreadable(W.typeOneFigureOrA)
  const last = parseMass(parts[parts.length - 1] as string, fallback)
  if (parts.length === 1) return { lowG: last.grams, highG: last.grams, ...(last.warning && { warning: last.warning }) }
  const first = parseMass(parts[0] as string, last.unit)
  if (first.grams > last.grams) throw new Unreadable(W.theRangeRunsFromThe)
  const warning = first.warning ?? last.warning
  return { lowG: first.grams, highG: last.grams, ...(warning && { warning }) }
}

/** Pounds and ounces to a tenth of an ounce, such as `1 lb 4.0 oz`, from g. */
export function formatPoundsOunces(grams: number): string {
  const tenths = Math.round((grams / GRAMS_PER_OUNCE) * 10)
  const lb = Math.floor(tenths / (OUNCES_PER_POUND * 10))
  return W.lbOz(lb, ((tenths - lb * OUNCES_PER_POUND * 10) / 10).toFixed(1))
}

/** The same mass in every unit a label may use, each with its unit, from g. */
export function massInAllUnits(grams: number): string[] {
  return [
    `${Math.round(grams)} g`,
    W.oz((grams / GRAMS_PER.oz).toFixed(1)),
    formatPoundsOunces(grams),
    W.kg((grams / 1000).toFixed(3)),
  ]
}
