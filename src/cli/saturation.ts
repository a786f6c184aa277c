import { OutOfRange } from '@/core/errors'
import { saturatedDensities, saturationK, saturationPa } from '@/core/fluids/refrigerant'
import { REFRIGERANTS, type Refrigerant } from '@/core/fluids/refrigerants'
import { waterBoilingK, waterSaturationPa } from '@/core/fluids/water'
import { celsius, kelvin } from '@/core/units/temperature'
import { BadInput, type Command, emit, numberOf, readArgs } from './command'

const FLUIDS = [...REFRIGERANTS, 'water'] as const

/** `saturation --fluid R-134a --celsius 25`: pressure, temperature and densities at saturation. */
export const saturation: Command = {
  usage: `--fluid ${FLUIDS.join('|')} (--celsius C | --kPa P)`,
  does:
    'Saturation pressure at a temperature, or temperature at an absolute pressure, with the densities of liquid ' +
    'and vapour.',
  options: { '--fluid NAME': FLUIDS.join(', '), '--celsius C': 'temperature', '--kPa P': 'absolute pressure' },
  run: (args) => {
    const { values } = readArgs(args, {
      fluid: { type: 'string' },
      celsius: { type: 'string' },
      kPa: { type: 'string' },
    })
    const fluid = values.fluid as (typeof FLUIDS)[number]
    if (!FLUIDS.includes(fluid)) throw new BadInput(`--fluid ${values.fluid ?? 'is missing'}; use ${FLUIDS.join(', ')}`)
    if ((values.celsius === undefined) === (values.kPa === undefined))
      throw new BadInput('give one of --celsius and --kPa')
    try {
      const result =
        values.celsius === undefined
          ? atPressure(fluid, numberOf('--kPa', values.kPa as string) * 1000)
          : atTemperature(fluid, numberOf('--celsius', values.celsius as string))
      emit(
        values.json === true,
        result,
        (r) => `${(r.pressure_Pa / 1000).toPrecision(5)} kPa absolute at ${r.temperature_C.toFixed(2)} C`,
      )
      return 0
    } catch (error) {
      if (error instanceof OutOfRange) throw new BadInput(error.message)
      throw error
    }
  },
}

type Fluid = Refrigerant | 'water'

function atTemperature(fluid: Fluid, temperatureC: number) {
  const pressurePa =
    fluid === 'water' ? waterSaturationPa(kelvin(temperatureC)) : saturationPa(fluid, kelvin(temperatureC))
  return withDensities(fluid, pressurePa, temperatureC)
}

function atPressure(fluid: Fluid, pressurePa: number) {
  return withDensities(
    fluid,
    pressurePa,
    celsius(fluid === 'water' ? waterBoilingK(pressurePa) : saturationK(fluid, pressurePa)),
  )
}

/** Densities are null for water, and for a refrigerant outside its table. */
function withDensities(fluid: Fluid, pressurePa: number, temperatureC: number) {
  const base = { pressure_Pa: pressurePa, temperature_C: temperatureC }
  if (fluid === 'water') return { ...base, liquid_kg_m3: null, vapour_kg_m3: null }
  try {
    const { liquidKgM3, vapourKgM3 } = saturatedDensities(fluid, temperatureC)
    return { ...base, liquid_kg_m3: liquidKgM3, vapour_kg_m3: vapourKgM3 }
  } catch (error) {
    if (error instanceof OutOfRange) return { ...base, liquid_kg_m3: null, vapour_kg_m3: null }
    throw error
  }
}
