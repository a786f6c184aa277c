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
import { BadInput, type Command, emit, numberOf, readArgs } from './command'

const isUnit = (text: string | undefined): text is PressureUnit => PRESSURE_UNITS.includes(text as PressureUnit)

/**
 * `convert 20 inHgV micron --altitude-m 2380`: a pressure in another unit; a needle reading as the interval it can
 * mean.
 */
export const convert: Command = {
  usage: 'VALUE FROM TO [--altitude-m M | --barometer-Pa PA]',
  does: `Turns a pressure into another unit. Units: ${PRESSURE_UNITS.join(', ')}; psig, kPag and inHgV (below the air) need the air of the place.`,
  options: { '--altitude-m M': 'altitude of the place, m', '--barometer-Pa PA': 'air pressure of the place, Pa' },
  run: (args) => {
    const { values, positionals } = readArgs(args, {
      'altitude-m': { type: 'string' },
      'barometer-Pa': { type: 'string' },
    })
    const [text, from, to] = positionals
    if (positionals.length !== 3)
      throw new BadInput(
        'convert takes a value, its unit and the unit wanted, such as: convert 20 inHgV micron --altitude-m 2380',
      )
    const value = numberOf('value', text as string)
    for (const unit of [from, to])
      if (!isUnit(unit)) throw new BadInput(`unit ${unit} is not known; use ${PRESSURE_UNITS.join(', ')}`)
    const air = airOf(values['altitude-m'], values['barometer-Pa'])
    for (const unit of [from, to] as PressureUnit[]) {
      if (isGaugeUnit(unit) && air === undefined)
        throw new BadInput(`${unit} counts from the air of the place: give --barometer-Pa or --altitude-m`)
    }
    emit(
      values.json === true,
      converted(value, from as PressureUnit, to as PressureUnit, air),
      (r) => `${r.value} ${r.unit}${r.interval ? `, between ${r.interval[0]} and ${r.interval[1]}` : ''}`,
    )
    return 0
  },
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

function converted(value: number, from: PressureUnit, to: PressureUnit, air: number | undefined) {
  try {
    const pa = toPascal(value, from, air)
    const needle = from === 'inHgV' && air !== undefined ? needleReading(value, air) : null
    const ends = needle && [fromPascal(needle.lowPa, to, air), fromPascal(needle.highPa, to, air)].sort((a, b) => a - b)
    return { value: fromPascal(pa, to, air), unit: to, interval: ends as [number, number] | null }
  } catch (error) {
    if (error instanceof OutOfRange || error instanceof Unreadable) throw new BadInput(error.message)
    throw error
  }
}
