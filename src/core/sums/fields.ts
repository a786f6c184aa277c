import { OutOfRange, Unreadable } from '../errors'
import { W } from '../language/sums/fields'
import { stationPressurePa } from '../units/barometer'
import { DAY_MS, L_S_PER_CFM, METRES_PER_MM, ML_PER_FLUID_OUNCE, MM_PER_INCH, PA_PER_MICRON } from '../units/constants'
import { parseMass } from '../units/mass'
import { dialUnit, fromPascal, isGaugeUnit, parsePressure, toPascal } from '../units/pressure'
import { parseCelsius } from '../units/temperature'

/**
 * An entry of a sum: how it is read, how a dragged figure is written, and between what it makes sense, in its base
 * unit.
 */
export type Field = {
  key: string
  label: string
  /** what stands in it at first, with its unit */
  like: string
  least: number
  most: number
  /** @throws Unreadable, OutOfRange */
  read: (typed: string) => number
  write: (value: number) => string
}
/** A choice of a few. */
export type Choice = { key: string; label: string; like: string; options: readonly { value: string; label: string }[] }
/** Free words. */
export type Words = { key: string; label: string; like: string; words: true; hint?: string }
export type Ask = Field | Choice | Words

export const isChoice = (ask: Ask): ask is Choice => 'options' in ask
export const isField = (ask: Ask): ask is Field => 'read' in ask

type Made = Pick<Field, 'key' | 'label' | 'like'> & Partial<Pick<Field, 'least' | 'most'>>

const NUMBER = /^\s*([+-]?(?:\d[\d,]*\.?\d*|\.\d+))\s*(.*)$/

/** A figure with one of some units behind it, the first of them where none is typed. */
function readWith(units: Record<string, number>, what: string) {
  return (typed: string): number => {
    const match = NUMBER.exec(typed.replace('−', '-'))
    if (!match) throw new Unreadable(W.type(what))
    const word = (match[2] ?? '').trim().toLowerCase()
    const factor = word === '' ? Object.values(units)[0] : units[word]
    if (factor === undefined) throw new Unreadable(W.theUnitIsNotKnown(word, Object.keys(units).join(', ')))
    return Number((match[1] as string).replace(/,/g, '')) * factor
  }
}

/** Three figures, no more than anybody drags. */
export const short = (value: number, digits = 3): string =>
  value === 0
    ? '0'
    : Number(value.toPrecision(digits)).toLocaleString('en', { maximumFractionDigits: 6, useGrouping: false })

const field = (made: Made, read: Field['read'], write: Field['write'], least: number, most: number): Field => ({
  least,
  most,
  ...made,
  read: (typed) => {
    const value = read(typed)
    const [from, to] = [made.least ?? least, made.most ?? most]
    if (!(value >= from && value <= to)) throw new Unreadable(W.betweenAnd(write(from), write(to)))
    return value
  },
  write,
})

/** Air of a place, Pa: by its altitude or its barometer. */
export const air = (made: Partial<Made> = {}): Field => {
  const metres = readWith({ m: 1, ft: 0.3048 }, W.anAltitudeOrTheAir)
  return field(
    { key: 'air', label: W.altitudeOrTheAirItself, like: '0 m', ...made },
    (typed) => {
      if (/[a-z"]/i.test(typed) && !/(m|ft)\s*$/i.test(typed.replace(/mbar|kpa|pa|inhg/i, 'x'))) {
        const { value, unit } = parsePressure(typed, 'mbar', false)
        return toPascal(value, unit === 'inHgV' ? 'inHg' : unit)
      }
      return stationPressurePa(metres(typed))
    },
    (pa) => W.mbar(short(pa / 100, 4)),
    40_000,
    108_500,
  )
}

/** A vacuum, Pa absolute. */
export const vacuum = (made: Made): Field =>
  field(
    made,
    (typed) => {
      const { value, unit } = parsePressure(typed, 'micron', false)
      if (isGaugeUnit(unit)) throw new Unreadable(W.anAbsoluteVacuumSuchAs)
      return toPascal(value, unit)
    },
    (pa) => W.micron(short(pa / PA_PER_MICRON)),
    0.13,
    200_000,
  )

/** A gauge pressure, Pa above the air. */
export const gauge = (made: Made): Field =>
  field(
    made,
    (typed) => {
      const { value, unit } = parsePressure(typed, 'psig', false)
      const as = dialUnit(unit)
      // above the air the air itself does not count
      return isGaugeUnit(as) && as !== 'inHgV' ? toPascal(value, as, 1e6) - 1e6 : toPascal(value, as)
    },
    (pa) => W.psig(short(fromPascal(1e6 + pa, 'psig', 1e6))),
    0,
    6e6,
  )

/** What a needle shows, inches of mercury below the air. */
export const needle = (made: Made): Field =>
  field(made, readWith({ inhg: 1, '"': 1, in: 1 }, W.whatTheNeedleShowsSuch), (v) => W.inhg(short(v)), 0, 32)

export const celsius = (made: Made): Field => field(made, parseCelsius, (c) => `${short(c)} C`, -40, 90)
export const mass = (made: Made): Field =>
  field(
    made,
    (typed) => parseMass(typed).grams,
    (g) => `${Math.round(g)} g`,
    0,
    50_000,
  )
export const litres = (made: Made): Field =>
  field(made, readWith({ l: 1, ml: 0.001 }, W.aVolumeSuchAs2), (v) => `${short(v)} L`, 0.3, 30)
export const minutes = (made: Made): Field =>
  field(made, readWith({ min: 1, h: 60, s: 1 / 60 }, W.aTimeSuchAs30), (v) => W.min(short(v)), 1, 3000)
export const metres = (made: Made): Field =>
  field(made, readWith({ m: 1, ft: 0.3048, in: 0.0254, cm: 0.01 }, W.aLengthSuchAs1), (v) => `${short(v)} m`, 0.05, 10)
/** A bore, m. */
export const bore = (made: Made): Field =>
  field(
    made,
    readWith({ mm: METRES_PER_MM, in: MM_PER_INCH * METRES_PER_MM }, W.aBoreSuchAs4),
    (m) => W.mm(short(m / METRES_PER_MM)),
    0.001,
    0.03,
  )
/** A pump's speed, m3/s. */
export const speed = (made: Made): Field =>
  field(
    made,
    readWith({ cfm: L_S_PER_CFM / 1000, 'l/s': 0.001, 'm3/h': 1 / 3600 }, W.aSpeedSuchAs5),
    (v) => W.cfm(short(v / (L_S_PER_CFM / 1000))),
    0.0001,
    0.015,
  )
export const gramsAYear = (made: Made): Field =>
  field(
    made,
    readWith({ 'g a year': 1, 'g/year': 1, g: 1, 'oz a year': 28.349523, oz: 28.349523 }, W.aLeakSuchAs40),
    (v) => W.gAYear(short(v)),
    0.1,
    100_000,
  )
/** A rise, Pa/s. */
export const rise = (made: Made): Field =>
  field(
    made,
    readWith(
      { 'micron a minute': PA_PER_MICRON / 60, micron: PA_PER_MICRON / 60, 'pa a minute': 1 / 60, 'pa/s': 1 },
      W.aRiseSuchAs1,
    ),
    (v) => W.micronAMinute(short((v * 60) / PA_PER_MICRON)),
    0,
    50,
  )
/** An amount of oil, mL. */
export const oil = (made: Made): Field =>
  field(
    made,
    readWith({ ml: 1, 'fl oz': ML_PER_FLUID_OUNCE, oz: ML_PER_FLUID_OUNCE }, W.anAmountSuchAs30),
    (v) => W.ml(Math.round(v)),
    0,
    500,
  )
export const count = (made: Made): Field =>
  field(
    made,
    (typed) => Math.round(readWith({ '': 1 }, W.aNumber)(typed)),
    (v) => String(Math.round(v)),
    0,
    9,
  )

/** A day, in days since 1970. */
export const day = (made: Made): Field =>
  field(
    made,
    (typed) => {
      const match = /^\s*(\d{4})-(\d\d)-(\d\d)\s*$/.exec(typed)
      const at = match ? Date.parse(`${match[1]}-${match[2]}-${match[3]}T00:00:00Z`) : Number.NaN
      if (!Number.isFinite(at) || new Date(at).toISOString().slice(0, 10) !== typed.trim())
        throw new Unreadable(W.aDaySuchAs2026)
      return at / DAY_MS
    },
    (days) => new Date(Math.round(days) * DAY_MS).toISOString().slice(0, 10),
    3652,
    47_481,
  )

/** What of a reading went wrong, in words; anything else is our own defect. */
export function faultOf(error: unknown): string {
  if (error instanceof OutOfRange || error instanceof Unreadable) return error.message
  throw error
}
