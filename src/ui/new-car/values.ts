import type { Control } from 'react-hook-form'
import * as z from 'zod'
import { daysSinceCharge, type KnownCar } from '@/core/book/known-car'
import type { RigBusy } from '@/core/day/rig-busy'
import type { Due } from '@/core/equipment/upkeep'
import { JobOpened, OIL_UNREAD } from '@/core/job/events'
import { type Procedure, procedureWritten, type Rig, rigWritten } from '@/core/job/written'
import { W } from '@/core/language/screen/new-car'
import { evaporatorsOf, FREE_VOLUME_L } from '@/core/rig/free-volume'
import { stationPressurePa } from '@/core/units/barometer'
import { parsePressure, toPascal } from '@/core/units/pressure'
import { type Units, USUAL_UNITS } from '@/core/units/shown'
import { airWords } from '../form/air-words'
import { type Entry, readAmount, readCelsius, readMass, readMassRange, readOil, withUnit } from '../form/entries'
import { tellFaults } from '../form/schemas'

export type NewCarValues = {
  name: string
  plate: string
  model: string
  drive: 'plain' | 'hybrid'
  complaint: string
  refrigerant: 'R-134a' | 'R-1234yf' | 'R-12' | 'R-744'
  charge: string
  /** whether the label has one charge or a line for each engine or set of evaporators */
  several: 'one' | 'several'
  lines: { name: string; charge: string }[]
  /** the place of this car's line, as radio buttons say it */
  picked: string
  tolerance: string
  oilKind: string
  oilMl: string
  source: 'label' | 'manual'
  air: string
  ambient: string
  opened: JobOpened['story']['opened']
  openHours: string
  drier: 'yes' | 'no'
  lastCharge: string
  daysSince: string
  recovered: string
  evaporators: '1' | '2'
  simulated: boolean
  /** when it came in, as a browser's local date and time; empty for now */
  cameAt: string
  /** when it is promised for, as the shop's local date and time; empty where nobody promised */
  promised: string
}

/** How long it usually stood open, hours, until the repair tells better (assumed). */
export const USUAL_HOURS: Record<NewCarValues['opened'], string> = {
  nothing: '0',
  'cap-or-core': '0.5',
  component: '2',
  overnight: '14',
  days: '72',
}

/** A charge from which a second evaporator is likely, g (assumed): only then is it asked about. */
const TWO_EVAPORATORS_FROM_G = 850

/** Whether the label leaves open how many evaporators there are, which change the volume. */
export function asksEvaporators(v: Pick<NewCarValues, 'several' | 'charge'>, units: Units): boolean {
  const charge = readMassRange(v.charge, units)
  return v.several === 'several' || ('value' in charge && charge.value.highG >= TWO_EVAPORATORS_FROM_G)
}

/** A car the shop knows, as the entries have it: what it is, its label, and what was last put into it. */
export function valuesOfCar(car: KnownCar, nowMs: number): Partial<NewCarValues> {
  const { label } = car
  const days = daysSinceCharge(car, nowMs)
  return {
    name: car.name,
    plate: car.plate,
    model: car.model,
    drive: car.hybrid ? 'hybrid' : 'plain',
    refrigerant: label.refrigerant,
    charge: label.typed,
    several: label.lines ? 'several' : 'one',
    ...(label.lines && {
      lines: label.lines.map((line) => ({ name: line.name, charge: rangeText(line) })),
      picked: String(
        Math.max(
          0,
          label.lines.findIndex((line) => line.name === label.line),
        ),
      ),
    }),
    tolerance: `${label.toleranceG} g`,
    oilKind: label.oilKind === OIL_UNREAD ? '' : label.oilKind,
    oilMl: label.oilMl === null ? '' : W.ml(label.oilMl),
    source: label.source,
    evaporators: String(evaporatorsOf(car.volumeL)) as '1' | '2',
    lastCharge: car.lastChargeG === null ? '' : `${Math.round(car.lastChargeG)} g`,
    daysSince: days === null ? '' : String(days),
  }
}

const rangeText = ({ lowG, highG }: { lowG: number; highG: number }): string =>
  lowG === highG ? `${lowG} g` : `${lowG}-${highG} g`

/**
 * A rig as it may be chosen: with what it is due for, what it is missing, the car its pump pulls on now, and what it
 * is on by the plan.
 */
export type RigChoice = Rig & {
  id: string
  parts?: unknown
  missing?: string
  dues: Due[]
  pullsOn?: string
  busy?: RigBusy | null
}

/** The rig that is offered first: one that is whole, its pump free, and of those the strongest. */
export function rigOffered<T extends Pick<RigChoice, 'missing' | 'pullsOn' | 'busy' | 'pumpM3S'>>(
  rigs: readonly T[],
): T | undefined {
  const ready = rigs.filter((r) => r.missing === undefined && r.pullsOn === undefined && !r.busy?.now)
  return (ready.length > 0 ? ready : [...rigs]).sort((a, b) => b.pumpM3S - a.pumpM3S)[0]
}
export type ProcedureChoice = Procedure & { proves: string }

/** What the form becomes. */
export type NewCarOpened = { payload: JobOpened; openedAt: string | null }
export type NewCarControl = Control<NewCarValues, unknown, NewCarOpened>

/** Why these two cannot be charged here. */
export const REFUSED: Partial<Record<NewCarValues['refrigerant'], string>> = {
  'R-12': W.r12IsRetrofitWork,
  'R-744': W.r744CarbonDioxideWorks,
}

/** Air of the place as typed: an altitude (`2380 m`, `7800 ft`) or a barometer (`758 mbar`, `22.4 inHg`). */
export function readAir(text: string): Entry<{ altitudeM: number | null; barometerPa: number }> {
  const altitude = /^\s*(-?[\d,]+(?:\.\d+)?)\s*(m|ft)\s*$/i.exec(text)
  try {
    if (altitude) {
      const metres =
        Number((altitude[1] as string).replace(/,/g, '')) * (altitude[2]?.toLowerCase() === 'ft' ? 0.3048 : 1)
      return { value: { altitudeM: metres, barometerPa: stationPressurePa(metres) } }
    }
    if (!/[a-z]/i.test(text)) return { error: W.sayInWhichUnit2380 }
    const { value, unit } = parsePressure(text, 'mbar', false)
    const barometerPa = toPascal(value, unit)
    if (barometerPa < 40_000 || barometerPa > 110_000) return { error: W.thatIsNotTheAir }
    return { value: { altitudeM: null, barometerPa } }
  } catch (error) {
    return { error: (error as Error).message }
  }
}

export function airHint(text: string): string | undefined {
  const entry = readAir(text)
  if ('error' in entry) return undefined
  return airWords(entry.value.barometerPa)
}

/** The label's lines as typed; a name and a charge for each, at least two of them. */
function readLines(
  v: NewCarValues,
  units: Units,
  errors: Record<string, string>,
): { name: string; lowG: number; highG: number }[] {
  return v.lines.map((line, i) => {
    const charge = readMassRange(line.charge, units)
    if ('error' in charge) errors[`lines.${i}.charge`] = charge.error
    if (!line.name.trim()) errors[`lines.${i}.name`] = W.sayWhatThisLineIs
    else if (v.lines.findIndex((o) => o.name.trim() === line.name.trim()) < i)
      errors[`lines.${i}.name`] = W.thisLineIsThereTwice
    const { lowG, highG } = 'value' in charge ? charge.value : { lowG: 0, highG: 0 }
    return { name: line.name.trim(), lowG, highG }
  })
}

/**
 * What speaks against the picked line, or nothing: the classic mistake is the front line on a car with a rear
 * evaporator.
 */
export function lineQuestion(v: NewCarValues, units = USUAL_UNITS): string | undefined {
  if (v.several === 'one') return undefined
  const middles = v.lines.map((line) => {
    const charge = readMassRange(line.charge, units)
    return 'value' in charge ? (charge.value.lowG + charge.value.highG) / 2 : Number.NaN
  })
  const own = middles[Number(v.picked)] ?? Number.NaN
  if (middles.some(Number.isNaN) || middles.length < 2) return undefined
  if (v.evaporators === '2' && own === Math.min(...middles)) return W.thisCarHasTwoEvaporators
  if (v.evaporators === '1' && own > Math.min(...middles)) return W.thisCarHasOneEvaporator
  return undefined
}

/** What the entries add up to, or the reason beside each field. */
export function readNewCar(
  v: NewCarValues,
  procedure: Procedure | undefined,
  rig: Rig | undefined,
  units = USUAL_UNITS,
): NewCarOpened | { errors: Record<string, string> } {
  const errors: Record<string, string> = {}
  const take = <T>(field: string, entry: Entry<T>): T | undefined => {
    if ('value' in entry) return entry.value
    errors[field] = entry.error
    return undefined
  }
  const optional = <T>(field: string, text: string, read: (text: string) => Entry<T>): T | null =>
    text.trim() === '' ? null : (take(field, read(text)) ?? null)
  if (!v.name.trim()) errors.name = W.theCarNeedsAName
  const refused = REFUSED[v.refrigerant]
  if (refused) errors.refrigerant = refused
  const lines = v.several === 'several' ? readLines(v, units, errors) : undefined
  const picked = lines?.[Number(v.picked)]
  const charge = lines ? picked : take('charge', readMassRange(v.charge, units))
  const air = take('air', readAir(v.air))
  const payload = {
    car: { name: v.name.trim(), model: v.model.trim(), plate: v.plate.trim(), hybrid: v.drive === 'hybrid' },
    complaint: v.complaint.trim(),
    label: {
      refrigerant: v.refrigerant as 'R-134a',
      lowG: charge?.lowG ?? 0,
      highG: charge?.highG ?? 0,
      typed: withUnit(lines ? (v.lines[Number(v.picked)]?.charge ?? '') : v.charge, units.mass),
      ...(lines && { lines, line: picked?.name ?? '' }),
      toleranceG: take('tolerance', readMass(v.tolerance, units)) ?? 15,
      oilKind: v.oilKind.trim() || OIL_UNREAD,
      oilMl: optional('oilMl', v.oilMl, (t) => readOil(t, 1000, units)),
      source: v.source,
    },
    place: {
      altitudeM: air?.altitudeM ?? null,
      barometerPa: air?.barometerPa ?? 0,
      ambientC: take('ambient', readCelsius(v.ambient, units)) ?? 20,
    },
    story: {
      opened: v.opened,
      openHours: take('openHours', readAmount(v.openHours, W.theHoursItWasOpen, 10_000)) ?? 0,
      drierReplaced: v.drier === 'yes',
    },
    history: {
      lastChargeG: optional('lastCharge', v.lastCharge, (t) => readMass(t, units)),
      daysSinceCharge: optional('daysSince', v.daysSince, (t) => readAmount(t, W.theDays, 20_000)),
      recoveredG: optional('recovered', v.recovered, (t) => readMass(t, units)),
    },
    volumeL: FREE_VOLUME_L[v.evaporators],
    procedure: procedure && procedureWritten(procedure),
    rig: rig && rigWritten(rig),
    simulated: v.simulated,
  }
  if (Object.keys(errors).length > 0) return { errors }
  const parsed = JobOpened.safeParse(payload)
  const openedAt = v.simulated || v.cameAt === '' ? null : new Date(v.cameAt).toISOString()
  if (parsed.success) return { payload: parsed.data, openedAt }
  for (const issue of parsed.error.issues) errors[fieldOf(issue.path)] = issue.message
  return { errors }
}

/** The form as a schema: everything typed in, the job's opening and when it came out. */
export const newCarForm = (procedure: Procedure | undefined, rig: Rig | undefined, units: Units) =>
  z.custom<NewCarValues>().transform((v, context) => {
    const read = readNewCar(v, procedure, rig, units)
    return 'errors' in read ? tellFaults(context, read.errors) : read
  })

const FIELD_OF: Record<string, string> = {
  lowG: 'charge',
  highG: 'charge',
  typed: 'charge',
  toleranceG: 'tolerance',
  oilMl: 'oilMl',
  ambientC: 'ambient',
}
const fieldOf = (path: readonly PropertyKey[]): string =>
  FIELD_OF[String(path[path.length - 1])] ?? String(path[path.length - 1] ?? 'name')
