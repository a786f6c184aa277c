import { W } from '../language/units/say'
import { GRAMS_PER_OUNCE, PA_PER_INHG, PA_PER_MICRON, STANDARD_ATMOSPHERE_PA } from './constants'
import {
  type Shown,
  shownLength,
  shownMass,
  shownOil,
  shownPressure,
  shownTemperature,
  shownVacuum,
  type Units,
  USUAL_UNITS,
} from './shown'

/** Figures of a sentence in the units of whoever reads it, unit included; `…Text` leaves the unit out. */
export type Say = {
  /** the units behind it */
  units: Units
  /** a vacuum, Pa absolute */
  vacuum: (pa: number) => string
  vacuumText: (pa: number) => string
  /** two vacua in one breath, the unit once */
  vacuumSpan: (lowPa: number, highPa: number) => string
  /** how far a vacuum moved, Pa either way: a change, for which no air counts */
  moved: (pa: number) => string
  /** how fast a vacuum moves, Pa/s */
  rate: (paS: number) => string
  /** a pressure above the air, Pa */
  pressure: (paG: number) => string
  pressureText: (paG: number) => string
  /** a temperature, and a difference of two, Celsius */
  celsius: (celsius: number, places?: number) => string
  difference: (kelvin: number, places?: number) => string
  /** a mass, g */
  mass: (grams: number) => string
  massText: (grams: number) => string
  /** the same where there is little room: no pounds, and no unit */
  massShort: (grams: number) => string
  /** a mass nobody knows better than to a figure or two, g */
  roughMass: (grams: number, figures?: 1 | 2) => string
  /** what is lost a year, g, to the two figures a hold can bear */
  aYear: (grams: number) => string
  yearText: (grams: number) => string
  /** the same as it is known: by the scale, to the gram */
  aYearPlain: (grams: number) => string
  /** what flows, g a minute */
  flow: (gramsPerMinute: number) => string
  /** oil, mL, and a length, m */
  oil: (ml: number) => string
  length: (m: number) => string
}

const together = ({ text, unit }: Shown): string => (unit === '' ? text : `${text} ${unit}`)
const figures = (value: number, n: number): string =>
  Number(value.toPrecision(n)).toLocaleString('en', { maximumFractionDigits: 6 })

/**
 * How figures are said to one person.
 * @param airPa - air of the place: inches below it count from there, Pa
 */
export function sayIn(units: Units, airPa = STANDARD_ATMOSPHERE_PA): Say {
  const vacuum = (pa: number) => shownVacuum(pa, units.vacuum, airPa)
  const ounces = units.mass !== 'g'
  const inMass = (grams: number): number => (ounces ? grams / GRAMS_PER_OUNCE : grams)
  const massUnit = ounces ? 'oz' : 'g'
  return {
    units,
    vacuum: (pa) => together(vacuum(pa)),
    vacuumText: (pa) => vacuum(pa).text,
    vacuumSpan: (lowPa, highPa) => W.and(vacuum(lowPa).text, together(vacuum(highPa))),
    moved: (pa) => changeOf(pa, units.vacuum),
    rate: (paS) => rateWords(paS, units.vacuum),
    pressure: (paG) => together(shownPressure(paG, units.pressure)),
    pressureText: (paG) => shownPressure(paG, units.pressure).text,
    celsius: (celsius, places = 0) => together(shownTemperature(celsius, units.temperature, places)),
    difference: (kelvin, places = 1) =>
      units.temperature === 'F' ? `${((kelvin * 9) / 5).toFixed(places)} °F` : `${kelvin.toFixed(places)} K`,
    mass: (grams) => together(shownMass(grams, units.mass)),
    massText: (grams) => shownMass(grams, units.mass).text,
    massShort: (grams) => shownMass(grams, ounces ? 'oz' : 'g').text,
    roughMass: (grams, n = 1) => `${figures(inMass(grams), n)} ${massUnit}`,
    aYear: (grams) => W.aYear(yearly(grams, ounces), massUnit),
    yearText: (grams) => yearly(grams, ounces),
    aYearPlain: (grams) => W.aYear(ounces ? figures(inMass(grams), 2) : Math.round(grams), massUnit),
    flow: (gMin) => W.aMinute(ounces ? inMass(gMin).toFixed(1) : gMin.toFixed(0), massUnit),
    oil: (ml) => together(shownOil(ml, units.oil)),
    length: (m) => together(shownLength(m, units.length)),
  }
}

/** To those who chose nothing. */
export const USUAL_SAY: Say = sayIn(USUAL_UNITS)

/** Two figures are all a hold can bear, and no tenths of a gram; what is nothing is "no". */
function yearly(grams: number, ounces: boolean): string {
  if (!Number.isFinite(grams) || grams <= 0) return 'no'
  if (ounces) return figures(grams / GRAMS_PER_OUNCE, 2)
  const size = 10 ** Math.max(0, Math.floor(Math.log10(grams)) - 1)
  return (Math.round(grams / size) * size).toLocaleString('en')
}

function changeOf(pa: number, unit: Units['vacuum']): string {
  const size = Math.abs(pa)
  if (unit === 'inHgV') return W.inhg(figures(size / PA_PER_INHG, 2))
  return together(shownVacuum(size, unit, 0))
}

/** Inches move so slowly that they are counted by the hour. */
function rateWords(paS: number, unit: Units['vacuum']): string {
  if (unit === 'inHgV') return W.inhgAnHour(((paS / PA_PER_INHG) * 3600).toFixed(1))
  const perMinute = 60 * paS
  return unit === 'micron'
    ? W.micronAMinute((perMinute / PA_PER_MICRON).toFixed(1))
    : W.aMinute(unit === 'mbar' ? figures(perMinute / 100, 2) : perMinute.toFixed(1), unit)
}

/** A pressure above the air in the unit most dials have beside the reader's. */
export const otherPressure = (paG: number, { units }: Say): string =>
  together(shownPressure(paG, units.pressure === 'psi' ? 'kPa' : 'psi'))

/** A pressure as both kinds of dial show it, the reader's first. */
export const bothPressures = (paG: number, say: Say): string => `${say.pressure(paG)}, ${otherPressure(paG, say)}`
