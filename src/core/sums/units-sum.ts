import { Unreadable } from '../errors'
import { W } from '../language/sums/units'
import { PA_PER_INHG, PA_PER_MICRON } from '../units/constants'
import {
  fromPascal,
  isGaugeUnit,
  needleReading,
  PRESSURE_UNITS,
  type PressureUnit,
  parsePressure,
  toPascal,
} from '../units/pressure'
import { inUnit, isQuantityUnit, kindOf, QUANTITY_UNITS, type QuantityUnit } from '../units/quantity'
import { air, short } from './fields'
import { type Axis, even, type Picture, tens } from './picture'
import { figure, type Sum } from './sum'

/** A figure with its unit, whatever it measures: `20 inHgV`, `7 C`, `18 oz`. */
function readAny(typed: string): { value: number; unit: PressureUnit | QuantityUnit } {
  const match = /^\s*([+-]?(?:\d[\d,]*\.?\d*|\.\d+))\s*(\S.*?)\s*$/.exec(typed.replace('−', '-'))
  if (!match) throw new Unreadable(W.aFigureAndItsUnit)
  const word = match[2] as string
  const known = QUANTITY_UNITS.find((u) => u.toLowerCase() === word.toLowerCase())
  // g and L are a mass and a volume; an unknown word may still be a pressure by another spelling
  if (known && isQuantityUnit(known) && word !== 'IN')
    return { value: Number((match[1] as string).replace(/,/g, '')), unit: known }
  return parsePressure(typed, 'micron', false)
}

const isPressure = (unit: string): unit is PressureUnit => (PRESSURE_UNITS as readonly string[]).includes(unit)
const NAMES: Partial<Record<string, string>> = {
  inHgV: W.inhgBelowTheAir,
  psig: 'psig',
  kPag: W.kpaAboveTheAir,
  C: '°C',
  F: '°F',
  floz: W.flOz,
}
const named = (unit: string): string => NAMES[unit] ?? unit
const text = (value: number): string =>
  Number(value.toPrecision(5)).toLocaleString('en', { maximumFractionDigits: 6 }).replace('-', '−')

export const UNITS_SUM: Sum = {
  id: 'units',
  name: W.units,
  question: W.whatIsThisInThe,
  asks: [{ key: 'value', label: W.anyFigureWithItsUnit, like: '20 inHgV', words: true }, air()],
  formula: W.n1Micron013332Pa,
  source: W.definitionsANeedleIsRead,
  answer: (given) => {
    const airPa = figure(given, 'air')
    const { value, unit } = readAny(given.c.value ?? '')
    const rows = isPressure(unit) ? pressureRows(value, unit, airPa) : quantityRows(value, unit)
    const own = `${text(value)} ${named(unit)}`
    return {
      main: rows[0] ? `${rows[0].text} ${rows[0].name}` : own,
      line: `${own} = ${rows.map((r) => `${r.text} ${r.name}`).join(' = ')}`,
      facts: rows,
      picture: isPressure(unit) ? pressurePicture(value, unit, airPa) : quantityPicture(value, unit),
    }
  },
}

function pressureRows(value: number, unit: PressureUnit, airPa: number) {
  const needle = unit === 'inHgV' ? needleReading(value, airPa) : null
  const pa = needle ? needle.pressurePa : toPascal(value, unit, airPa)
  const others = PRESSURE_UNITS.filter((u) => u !== unit)
  return others.map((u) => {
    const at = (p: number) => text(fromPascal(p, u, airPa) * (u === 'inHgV' ? 1 : 1))
    const spread = needle && !isGaugeUnit(u) ? W.to(at(needle.lowPa), at(needle.highPa)) : ''
    return { name: named(u), text: `${at(pa)}${spread}` }
  })
}

const quantityRows = (value: number, unit: QuantityUnit) =>
  QUANTITY_UNITS.filter((u) => kindOf(u) === kindOf(unit) && u !== unit).map((u) => ({
    name: named(u),
    text: text(inUnit(value, unit, u)),
  }))

function pressurePicture(value: number, unit: PressureUnit, airPa: number): Picture {
  const pa = unit === 'inHgV' ? needleReading(value, airPa).pressurePa : toPascal(value, unit, airPa)
  const [top, bottom] = [Math.max(airPa, 1.5 * pa), 10 * PA_PER_MICRON]
  const micron = (p: number) => Number((p / PA_PER_MICRON).toPrecision(2)).toLocaleString('en')
  return {
    kind: 'scale',
    deep: true,
    axis: { from: top, to: bottom, log: true, name: 'micron', ticks: tens(bottom, top, micron, PA_PER_MICRON) },
    bands: [
      { from: top, to: airPa, name: W.aboveTheAir, tone: 'floor' },
      { from: airPa, to: bottom, name: W.belowTheAir, tone: 'air' },
    ],
    marks: [
      { at: airPa, text: W.airHere },
      { at: Math.max(bottom, pa), text: `${text(value)} ${named(unit)}`, strong: true },
    ],
    handles: [
      {
        field: 'value',
        name: 'pressure',
        at: Math.max(bottom, pa),
        text: (p) => `${short(unit === 'inHgV' ? (airPa - p) / PA_PER_INHG : fromPascal(p, unit, airPa))} ${unit}`,
      },
    ],
  }
}

function quantityPicture(value: number, unit: QuantityUnit): Picture {
  const mate = QUANTITY_UNITS.find((u) => kindOf(u) === kindOf(unit) && u !== unit && u !== 'K') ?? unit
  const cold = kindOf(unit) === 'temperature'
  const top = cold ? value + 40 : 2 * Math.max(1e-9, Math.abs(value))
  const axis: Axis = { from: cold ? value - 40 : 0, to: top, name: named(unit), ticks: [] }
  const step = (axis.to - axis.from) / 4
  return {
    kind: 'scale',
    axis: { ...axis, ticks: even(axis.from, axis.to, step, (v) => `${short(v, 4)} ${named(unit)}`) },
    beside: even(axis.from, axis.to, step, (v) => `${short(inUnit(v, unit, mate), 4)} ${named(mate)}`),
    bands: [{ from: axis.from, to: value, name: '', tone: 'deep' }],
    marks: [],
    handles: [{ field: 'value', name: kindOf(unit), at: value, text: (v) => `${short(v)} ${unit}` }],
  }
}
