import { OutOfRange, Unreadable } from '@/core/errors'
import { stationPressurePa } from '@/core/units/barometer'
import {
  fromPascal,
  isGaugeUnit,
  needleReading,
  PRESSURE_UNITS,
  type PressureUnit,
  toPascal,
} from '@/core/units/pressure'
import { inUnit, isQuantityUnit, kindOf, QUANTITY_UNITS } from '@/core/units/quantity'
import { BadInput, type Command, emit, numberOf, readArgs } from './command'

const isPressure = (text: string): text is PressureUnit => PRESSURE_UNITS.includes(text as PressureUnit)
const UNITS = [...PRESSURE_UNITS, ...QUANTITY_UNITS].join(', ')

type Converted = { value: number; unit: string; interval: [low: number, high: number] | null }

/**
 * `convert 20 inHgV micron --altitude-m 2380`: a quantity in another unit of its kind; a needle reading as the
 * interval it
 * can mean.
 */
export const convert: Command = {
  usage: 'VALUE FROM TO [--altitude-m M | --barometer-Pa PA]',
  does:
    `Turns a quantity into another unit of its kind. Units: ${UNITS}; psig, kPag and inHgV (below the air) need ` +
    `the air of the place.`,
  options: { '--altitude-m M': 'altitude of the place, m', '--barometer-Pa PA': 'air pressure of the place, Pa' },
  run: (args) => {
    const { values, positionals } = readArgs(args, {
      'altitude-m': { type: 'string' },
      'barometer-Pa': { type: 'string' },
    })
    const [text = '', from = '', to = ''] = positionals
    if (positionals.length !== 3)
      throw new BadInput(
        'convert takes a value, its unit and the unit wanted, such as: convert 20 inHgV micron --altitude-m 2380',
      )
    const value = numberOf('value', text)
    const air = airOf(values['altitude-m'], values['barometer-Pa'])
    emit(
      values.json === true,
      converted(value, from, to, air),
      (r) => `${r.value} ${r.unit}${r.interval ? `, between ${r.interval[0]} and ${r.interval[1]}` : ''}`,
    )
    return 0
  },
}

function kindOfUnit(unit: string): string {
  if (isPressure(unit)) return 'pressure'
  if (isQuantityUnit(unit)) return kindOf(unit)
  throw new BadInput(`unit ${unit} is not known; use ${UNITS}`)
}

function airOf(altitude: unknown, barometer: unknown): number | undefined {
  if (altitude !== undefined && barometer !== undefined)
    throw new BadInput('give --altitude-m or --barometer-Pa, not both')
  try {
    if (altitude !== undefined) return stationPressurePa(numberOf('--altitude-m', altitude as string))
  } catch (error) {
    if (error instanceof OutOfRange) throw new BadInput(error.message)
    throw error
  }
  if (barometer === undefined) return undefined
  const pa = numberOf('--barometer-Pa', barometer as string)
  if (!(pa >= 30_000 && pa <= 120_000))
    throw new BadInput(`--barometer-Pa is ${pa}; air anywhere lies between 30000 and 120000 Pa`)
  return pa
}

function converted(value: number, from: string, to: string, air: number | undefined): Converted {
  const [fromKind, toKind] = [kindOfUnit(from), kindOfUnit(to)]
  if (fromKind !== toKind)
    throw new BadInput(
      `${from} is a unit of ${fromKind}, ${to} of ${toKind}: only units of one kind turn into each other`,
    )
  try {
    if (isPressure(from) && isPressure(to)) return pressureIn(value, from, to, air)
    if (isQuantityUnit(from) && isQuantityUnit(to)) return { value: inUnit(value, from, to), unit: to, interval: null }
  } catch (error) {
    if (error instanceof OutOfRange || error instanceof Unreadable) throw new BadInput(error.message)
    throw error
  }
  throw new Error(`no way from ${from} to ${to}`)
}

function pressureIn(value: number, from: PressureUnit, to: PressureUnit, air: number | undefined): Converted {
  for (const unit of [from, to]) {
    if (isGaugeUnit(unit) && air === undefined)
      throw new BadInput(`${unit} counts from the air of the place: give --barometer-Pa or --altitude-m`)
  }
  const needle = from === 'inHgV' && air !== undefined ? needleReading(value, air) : null
  const pa = needle ? needle.pressurePa : toPascal(value, from, air)
  const ends = needle && [fromPascal(needle.lowPa, to, air), fromPascal(needle.highPa, to, air)].sort((a, b) => a - b)
  return { value: fromPascal(pa, to, air), unit: to, interval: ends as [number, number] | null }
}
