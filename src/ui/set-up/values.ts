import * as z from 'zod'
import { W } from '@/core/language/screen/set-up'
import { type Air, airOf, airQuestion, CART_KINDS, type CartPart, ShopSetUp } from '@/core/shop/set-up'
import { type Units, USUAL_UNITS } from '@/core/units/shown'
import { airWords } from '../form/air-words'
import { readCelsius } from '../form/entries'
import { tellFaults } from '../form/schemas'
import { readAir } from '../new-car/values'

/** What people here think in, as they would say it. */
export const UNIT_SETS = {
  metric: { ...USUAL_UNITS, vacuum: 'micron', pressure: 'kPa', temperature: 'C', mass: 'g' },
  bars: { ...USUAL_UNITS, vacuum: 'mbar', pressure: 'bar', temperature: 'C', mass: 'g' },
  inches: {
    vacuum: 'micron',
    pressure: 'psi',
    temperature: 'F',
    mass: 'oz',
    oil: 'floz',
    length: 'in',
    clock: '12',
  },
} as const satisfies Record<string, Units>

export type SetUpValues = {
  name: string
  by: Air['by']
  /** the altitude, or the barometer, as typed with its unit */
  altitude: string
  barometer: string
  ambient: string
  timeZone: string
  units: keyof typeof UNIT_SETS
  person: string
  signIn: string
  password: string
  certificate: string
} & Record<CartPart, string>

export const FIRST_VALUES: SetUpValues = {
  name: '',
  by: 'altitude',
  altitude: '',
  barometer: '',
  ambient: '20 C',
  timeZone: '',
  units: 'metric',
  person: '',
  signIn: '',
  password: '',
  certificate: '',
  gauge: 'unknown',
  hoses: 'unknown',
  cores: 'unknown',
  ports: 'unknown',
  pump: 'unknown',
  scale: 'unknown',
}

type Faults = Record<string, string>

/** The air as the three ways of telling it have it; faults by field. */
export function airFrom(v: Pick<SetUpValues, 'by' | 'altitude' | 'barometer'>, faults: Faults = {}): Air | null {
  const altitudeM = altitudeOf(v, faults)
  if (v.by === 'altitude') return altitudeM === null ? null : { by: 'altitude', altitudeM }
  const pressurePa = barometerOf(v, faults)
  if (pressurePa === null) return null
  if (v.by === 'barometer') return { by: 'barometer', barometerPa: pressurePa, altitudeM }
  return altitudeM === null ? null : { by: 'sea-level', seaLevelPa: pressurePa, altitudeM }
}

function altitudeOf({ by, altitude }: Pick<SetUpValues, 'by' | 'altitude'>, faults: Faults): number | null {
  if (by === 'barometer' && altitude.trim() === '') return null
  const read = readAir(/[a-z]/i.test(altitude) ? altitude : `${altitude} m`)
  if ('error' in read || read.value.altitudeM === null) {
    faults.altitude = W.anAltitudeSuchAs380
    return null
  }
  return read.value.altitudeM
}

function barometerOf({ barometer }: Pick<SetUpValues, 'barometer'>, faults: Faults): number | null {
  const read = readAir(barometer)
  if ('error' in read || read.value.altitudeM !== null) {
    faults.barometer = 'error' in read ? read.error : W.aPressureSuchAs1013
    return null
  }
  return read.value.barometerPa
}

/** The same in other figures, and what is asked about it. */
export function airBelow(v: Pick<SetUpValues, 'by' | 'altitude' | 'barometer'>): { hint?: string; warning?: string } {
  const air = airFrom(v)
  if (!air) return {}
  const { barometerPa } = airOf(air)
  const warning = airQuestion(air)
  if (warning) return { warning }
  return { hint: airWords(barometerPa) }
}

/** Where a reason of the schema belongs in the form. */
const FIELD_OF: Record<string, string> = {
  'lead.name': 'person',
  'lead.signIn': 'signIn',
  'lead.password': 'password',
  ambientC: 'ambient',
}
export const fieldOf = (path: string): string => FIELD_OF[path] ?? path.split('.').pop() ?? ''

/** Text in, a shop out; what it must hold against is the core's own schema. */
export const setUpForm = z.custom<SetUpValues>().transform((v, context): ShopSetUp => {
  const faults: Faults = {}
  const ambient = readCelsius(v.ambient, UNIT_SETS[v.units])
  if ('error' in ambient) faults.ambient = ambient.error
  const air = airFrom(v, faults)
  const made = ShopSetUp.safeParse({
    name: v.name,
    air,
    ambientC: 'value' in ambient ? ambient.value : 20,
    timeZone: v.timeZone,
    units: UNIT_SETS[v.units],
    lead: { name: v.person, signIn: v.signIn, password: v.password, certificate: v.certificate },
    cart: { name: W.cart1, ...Object.fromEntries(Object.keys(CART_KINDS).map((part) => [part, v[part as CartPart]])) },
  })
  if (!made.success)
    for (const issue of made.error.issues) {
      const path = issue.path.join('.')
      if (!path.startsWith('air') || air) faults[fieldOf(path)] ??= issue.message
    }
  if (Object.keys(faults).length > 0 || !made.success) return tellFaults(context, faults)
  return made.data
})
