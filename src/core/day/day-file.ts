import * as z from 'zod'
import { Instant } from '../entry/instant'
import { text } from '../entry/text'
import { STEPS, type Step } from '../job/steps'
import { MINUTE_MS } from '../units/constants'
import type { Day, DayCar, DayPlan, DayRow, Minutes } from './day'
import { lateBy } from './search'

const Name = text(80)
const Names = z.array(Name).max(60)
/** Two days of minutes: a step that takes longer is none of a day. */
const Length = z.number().min(0).max(2880)

/** Steps a plan may hold: all of a job's. */
const StepFile = z
  .strictObject({
    step: z.enum(STEPS),
    hands_min: Length.optional(),
    wait_min: Length.optional(),
    p90_min: Length.optional(),
    frees_rig: z.boolean().optional(),
  })
  .superRefine((step, ctx) => {
    const bad = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message })
    if ((step.hands_min === undefined) === (step.wait_min === undefined))
      bad('hands_min', 'expected either hands_min or wait_min, and not both')
    if (step.p90_min !== undefined && (step.wait_min === undefined || step.p90_min < step.wait_min))
      bad('p90_min', 'expected beside a wait_min, and no less than it')
    if (step.frees_rig !== undefined && step.step !== 'isolate') bad('frees_rig', 'expected at isolate only')
  })

const CarFile = z.strictObject({
  id: Name,
  arrives: Instant,
  promised: Instant.nullable().optional(),
  rig: Name.optional(),
  steps: z.array(StepFile).min(1, 'expected at least one step').max(STEPS.length),
})
const RowFile = z.strictObject({
  car: Name,
  step: z.enum(STEPS),
  person: Name.nullable().optional(),
  rig: Name.nullable().optional(),
  scale: Name.nullable().optional(),
  from: Instant,
  to: Instant,
})
const AwayFile = z.strictObject({ person: Name, from: Instant, to: Instant })

/** A day as a file tells it. Faults name their place and what is expected. */
export const DayFile = z
  .strictObject({
    now: Instant,
    people: Names.min(1, 'expected at least one person: nobody does the work'),
    rigs: Names,
    scales: Names.default([]),
    cars: z.array(CarFile).max(120),
    fixed: z.array(RowFile).max(400).default([]),
    away: z.array(AwayFile).max(400).default([]),
  })
  .superRefine((day, ctx) => {
    for (const { path, message } of faultsOf(day)) ctx.addIssue({ code: 'custom', path, message })
  })
export type DayFile = z.infer<typeof DayFile>

type Fault = { path: (string | number)[]; message: string }

function faultsOf(day: z.infer<typeof DayFile>): Fault[] {
  return [
    ...(['people', 'rigs', 'scales'] as const).flatMap((list) => doubled(day[list], [list])),
    ...doubled(
      day.cars.map((c) => c.id),
      ['cars'],
      'id',
    ),
    ...day.cars.flatMap((car, i) => carFaults(day, car, ['cars', i])),
    ...day.away.flatMap((away, i): Fault[] => [
      ...unknown(day.people, away.person, ['away', i, 'person'], 'one of people'),
      ...before(away.from, away.to, ['away', i, 'to']),
    ]),
    ...day.fixed.flatMap((row, i) => fixedFaults(day, row, i)),
    ...overlaps(day),
  ]
}

function doubled(names: readonly string[], path: (string | number)[], field?: string): Fault[] {
  return names.flatMap((name, i) =>
    names.indexOf(name) < i
      ? [{ path: [...path, i, ...(field ? [field] : [])], message: `${name} stands there twice; expected each once` }]
      : [],
  )
}

const unknown = (
  known: readonly string[],
  name: string | null | undefined,
  path: (string | number)[],
  what: string,
): Fault[] =>
  name === null || name === undefined || known.includes(name)
    ? []
    : [{ path, message: `${name} is unknown; expected ${what}: ${known.join(', ') || 'none there'}` }]

const before = (from: string, to: string, path: (string | number)[]): Fault[] =>
  Date.parse(to) < Date.parse(from) ? [{ path, message: `${to} lies before ${from}; expected no earlier` }] : []

function carFaults(day: z.infer<typeof DayFile>, car: z.infer<typeof CarFile>, path: (string | number)[]): Fault[] {
  const order = car.steps.map((s) => STEPS.indexOf(s.step))
  const out = order.findIndex((n, i) => i > 0 && n <= (order[i - 1] as number))
  const needsRig = car.steps.some((s) => s.step === 'rig')
  const onRig = !needsRig && car.steps.some((s) => ['pull', 'isolate', 'hold'].includes(s.step))
  return [
    ...(out > 0
      ? [
          {
            path: [...path, 'steps', out, 'step'],
            message:
              `${car.steps[out]?.step} comes after ${car.steps[out - 1]?.step}; expected in the order ` +
              `${STEPS.join(', ')}, each once`,
          },
        ]
      : []),
    ...(car.promised && Date.parse(car.promised) < Date.parse(car.arrives)
      ? [{ path: [...path, 'promised'], message: `${car.promised} lies before it arrives, ${car.arrives}` }]
      : []),
    ...unknown(day.rigs, car.rig, [...path, 'rig'], 'one of rigs'),
    ...(onRig && car.rig === undefined
      ? [
          {
            path: [...path, 'rig'],
            message: 'is missing; expected the rig that hangs on it, since its step rig is done',
          },
        ]
      : []),
    ...(needsRig && day.rigs.length === 0
      ? [{ path: ['rigs'], message: `is empty; expected a rig for ${car.id}` }]
      : []),
    ...(car.steps.some((s) => s.step === 'charge' && s.hands_min !== undefined) && day.scales.length === 0
      ? [{ path: ['scales'], message: `is empty; expected a scale for the charge of ${car.id}` }]
      : []),
  ]
}

function fixedFaults(day: z.infer<typeof DayFile>, row: z.infer<typeof RowFile>, i: number): Fault[] {
  const path = ['fixed', i]
  const car = day.cars.find((c) => c.id === row.car)
  const step = car?.steps.find((s) => s.step === row.step)
  const minutes = (Date.parse(row.to) - Date.parse(row.from)) / MINUTE_MS
  const known = [
    ...unknown(
      day.cars.map((c) => c.id),
      row.car,
      [...path, 'car'],
      'one of cars',
    ),
    ...unknown(day.people, row.person, [...path, 'person'], 'one of people'),
    ...unknown(day.rigs, row.rig, [...path, 'rig'], 'one of rigs'),
    ...unknown(day.scales, row.scale, [...path, 'scale'], 'one of scales'),
    ...before(row.from, row.to, [...path, 'to']),
  ]
  if (known.length > 0 || !car) return known
  if (!step) return [{ path: [...path, 'step'], message: `${row.step} is no step of ${row.car}; expected one it has` }]
  if (step.hands_min !== undefined && !row.person)
    return [{ path: [...path, 'person'], message: `is missing; expected who does ${row.step} on ${row.car}` }]
  if (step.hands_min !== undefined && Math.abs(minutes - step.hands_min) > 0.51)
    return [{ path: [...path, 'to'], message: `takes ${minutes} min; expected its hands_min, ${step.hands_min}` }]
  if (step.wait_min !== undefined && minutes < step.wait_min - 0.51)
    return [
      { path: [...path, 'to'], message: `waits ${minutes} min; expected its wait_min, ${step.wait_min}, at least` },
    ]
  if (Date.parse(row.from) < Date.parse(car.arrives))
    return [{ path: [...path, 'from'], message: `${row.from} lies before ${row.car} arrives, ${car.arrives}` }]
  const twice = day.fixed.findIndex((other) => other.car === row.car && other.step === row.step)
  if (twice < i)
    return [{ path, message: `${row.step} of ${row.car} stands in fixed[${twice}] already; expected once` }]
  const against = day.fixed.findIndex(
    (other) =>
      other.car === row.car &&
      STEPS.indexOf(other.step) < STEPS.indexOf(row.step) &&
      Date.parse(other.to) > Date.parse(row.from),
  )
  return against >= 0
    ? [
        {
          path: [...path, 'from'],
          message: `begins before fixed[${against}], ${row.car}'s ${day.fixed[against]?.step}, ends`,
        },
      ]
    : []
}

/** Two fixed rows that ask the same person or scale at once. */
function overlaps({ fixed, away }: z.infer<typeof DayFile>): Fault[] {
  const clash = (a: { from: string; to: string }, b: { from: string; to: string }) =>
    Date.parse(a.from) < Date.parse(b.to) && Date.parse(b.from) < Date.parse(a.to)
  return fixed.flatMap((row, i) => {
    const other = fixed.findIndex(
      (o, k) => k < i && clash(o, row) && ((o.person && o.person === row.person) || (o.scale && o.scale === row.scale)),
    )
    if (other >= 0)
      return [
        {
          path: ['fixed', i],
          message: `contradicts fixed[${other}]: ${row.person ?? row.scale} is there at that time`,
        },
      ]
    const gone = away.findIndex((a) => a.person === row.person && clash(a, row))
    return gone >= 0 ? [{ path: ['fixed', i, 'person'], message: `${row.person} is away then, by away[${gone}]` }] : []
  })
}

/** A day's file as it is planned from, minutes from its `now`. */
export function dayOf(file: DayFile): Day {
  const now = Date.parse(file.now)
  const at = (iso: string): Minutes => (Date.parse(iso) - now) / MINUTE_MS
  return {
    people: file.people,
    rigs: file.rigs,
    scales: file.scales,
    cars: file.cars.map(
      (car): DayCar => ({
        id: car.id,
        arrives: at(car.arrives),
        promised: car.promised ? at(car.promised) : null,
        ...(car.rig !== undefined && { rig: car.rig }),
        steps: car.steps.map((s) => ({
          step: s.step as Step,
          ...(s.hands_min !== undefined && { hands: s.hands_min }),
          ...(s.wait_min !== undefined && { wait: s.wait_min }),
          ...(s.p90_min !== undefined && { waitP90: s.p90_min }),
          ...(s.frees_rig && { freesRig: true }),
        })),
      }),
    ),
    away: file.away.map((a) => ({ person: a.person, from: at(a.from), to: at(a.to) })),
    fixed: file.fixed.map(
      (r): DayRow => ({
        car: r.car,
        step: r.step,
        person: r.person ?? null,
        rig: r.rig ?? null,
        scale: r.scale ?? null,
        from: at(r.from),
        to: at(r.to),
      }),
    ),
  }
}

/** A plan as a file tells it. @param why - sentences, the plan's own words */
export function planAsFile(file: DayFile, day: Day, plan: DayPlan, why: readonly string[]) {
  const now = Date.parse(file.now)
  const iso = (minutes: Minutes) => new Date(Math.round(now + minutes * MINUTE_MS)).toISOString()
  const tenth = (minutes: number) => Math.round(minutes * 10) / 10
  return {
    plan: plan.rows.map((row) => ({ ...row, from: iso(row.from), to: iso(row.to) })),
    late_min: Object.fromEntries(Object.entries(lateBy(day, plan)).map(([car, late]) => [car, tenth(late)])),
    makespan_min: tenth(Math.max(0, ...plan.ends.values())),
    why: [...why],
  }
}
