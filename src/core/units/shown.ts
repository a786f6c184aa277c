import * as z from 'zod'
import { W } from '../language/units/shown'
import { GRAMS_PER_OUNCE, METRES_PER_MM, ML_PER_FLUID_OUNCE, MM_PER_INCH, PA_PER_PSI } from './constants'
import { formatPoundsOunces, GRAMS_PER } from './mass'
import { fromPascal } from './pressure'

/** Units a person may think in; the first of each is the usual one. */
export const UNIT_CHOICES = {
  vacuum: ['micron', 'Pa', 'mbar', 'inHgV'],
  pressure: ['kPa', 'psi', 'bar'],
  temperature: ['C', 'F'],
  mass: ['g', 'oz', 'lb'],
  oil: ['mL', 'floz'],
  length: ['mm', 'in'],
  clock: ['24', '12'],
} as const
export type UnitKind = keyof typeof UNIT_CHOICES

export const Units = z.strictObject({
  vacuum: z.enum(UNIT_CHOICES.vacuum).default('micron'),
  pressure: z.enum(UNIT_CHOICES.pressure).default('kPa'),
  temperature: z.enum(UNIT_CHOICES.temperature).default('C'),
  mass: z.enum(UNIT_CHOICES.mass).default('g'),
  oil: z.enum(UNIT_CHOICES.oil).default('mL'),
  length: z.enum(UNIT_CHOICES.length).default('mm'),
  clock: z.enum(UNIT_CHOICES.clock).default('24'),
})
/** The units one person thinks in. */
export type Units = z.infer<typeof Units>
export const USUAL_UNITS: Units = Units.parse({})

export const UNIT_WORDS: Record<(typeof UNIT_CHOICES)[UnitKind][number], string> = {
  micron: 'micron',
  Pa: 'Pa',
  mbar: 'mbar',
  inHgV: W.inhgBelowTheAir,
  kPa: 'kPa',
  psi: 'psig',
  bar: 'bar',
  C: '°C',
  F: '°F',
  g: 'g',
  oz: 'oz',
  lb: W.lbAndOz,
  mL: 'mL',
  floz: W.flOz,
  mm: 'mm',
  in: 'in',
  '24': '17:40',
  '12': W.n540Pm,
}

/** A figure and its unit, as it is shown. */
export type Shown = { text: string; unit: string }

const whole = (value: number): string => Math.round(value).toLocaleString('en')
/** Three figures, no more than four places behind the point. */
const three = (value: number): string => {
  const places = value === 0 ? 0 : Math.min(4, Math.max(0, 2 - Math.floor(Math.log10(Math.abs(value)))))
  return value.toLocaleString('en', { minimumFractionDigits: places, maximumFractionDigits: places })
}
const minus = (text: string): string => text.replace('-', '−')

/** A vacuum, Pa absolute. @param airPa - air of the place, for inches below it */
export function shownVacuum(pa: number, unit: Units['vacuum'], airPa: number): Shown {
  const value = fromPascal(pa, unit, airPa)
  const text = unit === 'micron' ? whole(value) : unit === 'inHgV' ? value.toFixed(2) : three(value)
  return { text, unit: UNIT_WORDS[unit] }
}

/** A pressure above the air, Pa. */
export function shownPressure(paG: number, unit: Units['pressure']): Shown {
  const value = unit === 'psi' ? paG / PA_PER_PSI : unit === 'bar' ? paG / 1e5 : paG / 1000
  return { text: minus(unit === 'bar' ? value.toFixed(2) : whole(value)), unit: UNIT_WORDS[unit] }
}

/** A temperature, Celsius. */
export function shownTemperature(celsius: number, unit: Units['temperature'], places = 1): Shown {
  const value = unit === 'F' ? (celsius * 9) / 5 + 32 : celsius
  return { text: minus(value.toFixed(unit === 'F' ? 0 : places)), unit: UNIT_WORDS[unit] }
}

/** A mass, g; pounds and ounces as people say them, less than a pound in ounces alone. */
export function shownMass(grams: number, unit: Units['mass']): Shown {
  if (unit === 'g') return { text: minus(whole(grams)), unit }
  if (unit === 'lb' && Math.abs(grams) >= GRAMS_PER.lb) return { text: formatPoundsOunces(grams), unit: '' }
  return { text: minus((grams / GRAMS_PER_OUNCE).toFixed(1)), unit: 'oz' }
}

/** A volume of oil, mL. */
export function shownOil(ml: number, unit: Units['oil']): Shown {
  return unit === 'floz'
    ? { text: (ml / ML_PER_FLUID_OUNCE).toFixed(1), unit: UNIT_WORDS.floz as string }
    : { text: whole(ml), unit }
}

/** A bore, a thread or a hose's length, m. */
export function shownLength(m: number, unit: Units['length']): Shown {
  const value = m / METRES_PER_MM
  return { text: String(Number((unit === 'in' ? value / MM_PER_INCH : value).toPrecision(3))), unit }
}
