import type { DayRow, DayStep } from '../day/day'
import { ASSUMED_HANDS_MIN } from '../day/hands'
import { planShop, type ShopPlan } from '../day/plan-shop'
import type { ShopCar, ShopDay } from '../day/shop-day'
import type { Step } from '../job/steps'
import { MINUTE_MS } from '../units/constants'
import { type Round, thoughtPulls, WEEK_RIGS, type WeekCar, type WeekRig, weekDay } from './week-cars'

/**
 * How a shop works: by the plan; whoever is free takes the car that came first; or each car is done before the next.
 */
export const WAYS_OF_WORK = ['by the plan', 'first come', 'one after the other'] as const
export type WayOfWork = (typeof WAYS_OF_WORK)[number]

/** What became of a car: minutes of its day. */
export type CarDone = { key: string; doneMin: number; waitedMin: number; lateMin: number }

const PEOPLE = [
  { id: 'teo', name: 'Teo', role: 'technician' },
  { id: 'maira', name: 'Maira', role: 'lead' },
  { id: 'anouk', name: 'Anouk', role: 'trainee' },
] as const
const SCALES = ['Scale S1', 'Scale S3']
const HOLD_THOUGHT = 30
/** A wait that goes beyond what was thought is thought to last so much longer, min. */
const STILL_MIN = 6
/** Plans are searched for at this share: a hundred of them a day. */
const SHARE = 0.2
const QUICKEST = 'Cart P2'

type Piece = { step: Step; hands?: number; wait?: number; found?: Round['found'] }
/** A car on its way: what is really left of it, and what is under way. */
type OnTheWay = {
  car: WeekCar
  todo: Piece[]
  round: number
  rig: WeekRig | null
  readyMin: number
  by: string | null
  sinceMin: number
  doneMin: number | null
  spentMin: number
  scale: string | null
}

/** Plays one day of a shop the one or the other way. */
export function playDay(cars: readonly WeekCar[], way: WayOfWork): CarDone[] {
  const all = cars.map(
    (car): OnTheWay => ({
      car,
      todo: (['take-in', 'zero', 'fix', 'rig'] as const)
        .filter((s) => s !== 'fix' || car.opened !== 'nothing')
        .map((step) => ({ step, hands: car.handsMin[step] })),
      round: 0,
      rig: null,
      readyMin: car.arrivesMin,
      by: null,
      sinceMin: 0,
      doneMin: null,
      spentMin: 0,
      scale: null,
    }),
  )
  const free = new Map<string, number>(PEOPLE.map((p) => [p.id, 0]))
  let plan: ShopPlan | null = null
  let changed = true
  let now = 0
  for (let guard = 0; guard < 5000 && all.some((c) => c.doneMin === null); guard++) {
    const idle = PEOPLE.filter((p) => (free.get(p.id) ?? 0) <= now + 1e-6)
    const startable = all.some(
      (c) => c.doneMin === null && c.by === null && c.readyMin <= now + 1e-6 && c.todo[0]?.hands !== undefined,
    )
    if (idle.length > 0 && startable) {
      if (way === 'by the plan') {
        // planned anew where something came otherwise or went on, as the server does; the plan is gone by until then
        if (changed || !plan) plan = planShop(asShop(all, now), plan?.order ?? [], SHARE)
        changed = false
        for (const { id } of idle) {
          const row = dueNow(plan, id, now, all)
          const car = row && all.find((c) => c.car.key === row.car)
          if (row && car && begin(car, id, now, free, all, row.rig)) changed = true
        }
      } else for (const { id, role } of idle) takeNext(all, id, role === 'trainee', now, free, way)
    }
    const next = Math.min(
      ...all.flatMap((c) => (c.doneMin === null && c.readyMin > now + 1e-6 ? [c.readyMin] : [])),
      ...[...free.values()].filter((t) => t > now + 1e-6),
      // what the plan begins later
      ...(way === 'by the plan' && plan ? startsOf(plan).filter((t) => t > now + 1e-6) : []),
    )
    if (!Number.isFinite(next) || next > 1e8) break
    now = next
    for (const c of all) if (settle(c, now)) changed = true
  }
  return all.map(({ car, doneMin, spentMin }) => ({
    key: car.key,
    doneMin: doneMin ?? Number.POSITIVE_INFINITY,
    waitedMin: (doneMin ?? Number.POSITIVE_INFINITY) - car.arrivesMin - spentMin,
    lateMin: car.promisedMin === null ? 0 : Math.max(0, (doneMin ?? Number.POSITIVE_INFINITY) - car.promisedMin),
  }))
}

/** Whoever is free takes, of the cars that can be gone on with, the one that came first. */
function takeNext(
  all: readonly OnTheWay[],
  id: string,
  trainee: boolean,
  now: number,
  free: Map<string, number>,
  way: WayOfWork,
): void {
  const open = [...all].filter((c) => c.doneMin === null).sort((a, b) => a.car.arrivesMin - b.car.arrivesMin)
  const looked =
    way === 'one after the other' ? open.filter((c) => c.readyMin <= now + 1e-6 || c.spentMin > 0).slice(0, 1) : open
  for (const car of looked) {
    const piece = car.todo[0]
    if (car.by !== null || car.readyMin > now + 1e-6 || piece?.hands === undefined) continue
    if (trainee && piece.step === 'leave') continue
    if (begin(car, id, now, free, all, null)) return
  }
}

/** Somebody begins a car's next piece, where its rig and scale are there. */
function begin(
  car: OnTheWay,
  id: string,
  now: number,
  free: Map<string, number>,
  all: readonly OnTheWay[],
  wished: string | null,
): boolean {
  const piece = car.todo[0]
  if (piece?.hands === undefined || car.by !== null || car.readyMin > now + 1e-6) return false
  if (piece.step === 'rig') {
    const used = new Set(all.flatMap((c) => (c.rig && c !== car ? [c.rig.name] : [])))
    const rig =
      WEEK_RIGS.find((r) => r.name === wished && !used.has(r.name)) ??
      [...WEEK_RIGS].reverse().find((r) => !used.has(r.name))
    if (!rig) return false
    car.rig = rig
  }
  if (piece.step === 'charge') {
    const used = new Set(all.flatMap((c) => c.scale ?? []))
    const scale = SCALES.find((s) => !used.has(s))
    if (!scale) return false
    car.scale = scale
  }
  car.by = id
  car.sinceMin = now
  car.readyMin = now + piece.hands
  free.set(id, car.readyMin)
  return true
}

/** What is over by now is over: hands and waits, and what the judge found says what follows. */
function settle(c: OnTheWay, now: number): boolean {
  let moved = false
  while (c.doneMin === null && c.readyMin <= now + 1e-6) {
    const piece = c.todo[0]
    if (!piece || (piece.hands !== undefined && c.by === null)) return moved || c.readyMin === c.car.arrivesMin
    moved = true
    c.todo.shift()
    c.by = null
    c.scale = null
    c.spentMin += piece.hands ?? piece.wait ?? 0
    follow(c, piece)
    const next = c.todo[0]
    if (!next) c.doneMin = c.readyMin
    else if (next.wait !== undefined) {
      c.sinceMin = c.readyMin
      c.readyMin += next.wait
    }
  }
  return moved
}

/** When the plan begins something, min of the day. */
const startsOf = ({ rows, madeMs }: ShopPlan): number[] =>
  rows.filter((r) => r.person !== null).map((r) => madeMs / MINUTE_MS + r.from)

/** What somebody is to begin now by a plan: the first of theirs that is due and can be begun. */
function dueNow(plan: ShopPlan, id: string, now: number, all: readonly OnTheWay[]): DayRow | undefined {
  const at = now - plan.madeMs / MINUTE_MS
  return plan.rows
    .filter((r) => r.person === id && r.from >= 0 && r.from <= at + 0.5)
    .sort((a, b) => a.from - b.from)
    .find((r) =>
      all.some((c) => c.car.key === r.car && c.by === null && c.readyMin <= now + 1e-6 && c.todo[0]?.step === r.step),
    )
}

/** A car's round on a rig; one that took longer on another is as far as it gets here. */
function roundOf(car: WeekCar, rig: WeekRig, i: number): Round {
  const rounds = car.rounds(rig)
  return rounds[Math.min(i, rounds.length - 1)] as Round
}

function follow(c: OnTheWay, { step, wait, found }: Piece): void {
  const { car, rig } = c
  const hands = (s: Step): Piece => ({ step: s, hands: car.handsMin[s] })
  if (step === 'rig' && rig) {
    const round = roundOf(car, rig, c.round)
    c.todo = [
      hands('pull'),
      { step: 'pull', wait: round.pullMin },
      hands('isolate'),
      { step: 'hold', wait: round.holdMin, found: round.found },
    ]
  }
  if (step === 'isolate' && rig?.frees) c.rig = null
  if (step !== 'hold' || wait === undefined) return
  const last = c.round + 1 >= (rig ? car.rounds(rig).length : 99) || c.round >= 2
  c.round++
  const end = ['charge', 'prove', 'leave'] as const
  if (found === 'tight' || (last && found === 'wet')) {
    c.rig = null
    c.todo = end.map(hands)
  } else if (found === 'wet' && c.rig) {
    const round = roundOf(car, c.rig, c.round)
    c.todo = [
      hands('pull'),
      { step: 'pull', wait: round.pullMin },
      hands('isolate'),
      { step: 'hold', wait: round.holdMin, found: round.found },
    ]
  } else {
    c.rig = null
    c.todo = [...(found === 'leak' ? [hands('fix')] : []), hands('rig')]
  }
}

/** The day as the application knows it: what is thought of each car, never what is hidden in it. */
function asShop(all: readonly OnTheWay[], now: number): ShopDay {
  const ms = (minutes: number) => minutes * MINUTE_MS
  return {
    nowMs: ms(now),
    people: PEOPLE.map((p) => ({ ...p, off: [] })),
    rigs: WEEK_RIGS.map(({ name, frees }) => ({ name, off: [], ...(!frees && { stays: true as const }) })),
    scales: SCALES.map((name) => ({ name, off: [] })),
    pins: [],
    cars: all
      // who will come is known in the morning, when is known as it was said
      .filter((c) => c.doneMin === null)
      .map((c): ShopCar => {
        const first = c.todo[0]
        return {
          key: c.car.key,
          name: c.car.key,
          jobId: c.car.arrivesMin <= now ? c.car.key : null,
          arrivesMs: ms(Math.max(now, c.car.arrivesMin)),
          promisedMs: c.car.promisedMin === null ? null : ms(c.car.promisedMin),
          steps: thoughtSteps(c, now),
          rig: c.rig && first?.step !== 'rig' ? c.rig.name : null,
          running: c.by !== null ? { person: c.by, sinceMs: ms(c.sinceMin) } : null,
        }
      }),
  }
}

function thoughtSteps(c: OnTheWay, now: number): DayStep[] {
  const hands = (step: Step): DayStep => ({ step, hands: ASSUMED_HANDS_MIN[step] })
  const first = c.todo[0]
  const ran = first?.wait !== undefined ? now - c.sinceMin : 0
  const left = (thought: number) => Math.max(thought - ran, STILL_MIN)
  const thought = thoughtPulls(c.car)
  const hung = thought.find((p) => p.rig === c.rig?.name) ?? thought.find((p) => p.rig === QUICKEST)
  const pull: DayStep = {
    step: 'pull',
    wait: hung?.p50 ?? 0,
    waitP90: hung?.p90 ?? 0,
    ...(!c.rig && { waitBy: Object.fromEntries(thought.map((p) => [p.rig, p.p50])) }),
  }
  const whole: DayStep[] = [
    ...(['take-in', 'zero', 'fix', 'rig', 'pull'] as const).map(hands),
    pull,
    { ...hands('isolate'), freesRig: true },
    { step: 'hold', wait: HOLD_THOUGHT },
    ...(['charge', 'prove', 'leave'] as const).map(hands),
  ]
  const steps = c.car.opened === 'nothing' && c.round === 0 ? whole.filter((s) => s.step !== 'fix') : whole
  const at = steps.findIndex((s) => s.step === first?.step && (s.wait === undefined) === (first?.wait === undefined))
  const [now0, ...rest] = steps.slice(Math.max(0, at))
  if (!now0) return []
  const begun =
    now0.wait === undefined
      ? now0
      : { step: now0.step, wait: left(now0.wait), waitP90: left(now0.waitP90 ?? now0.wait) }
  // of a repair that a hold asked for, taking in and reading are long done
  return [begun, ...rest]
}

/** Figures of one way of work over some days. */
export type WeekFigures = {
  way: WayOfWork
  cars: number
  /** mean wait of a car for hands, rigs and scales, min */
  waitedMin: number
  promised: number
  missed: number
  /** minutes late in all */
  lateMin: number
  /** when the last car of a day is done, min after half past seven, mean */
  lastMin: number
}

/** A week of a shop played each way: days of six to fourteen cars. @param seed - the first of its five days */
export function playWeek(seed: number, days: number, told: (day: number) => void = () => undefined): WeekFigures[] {
  const cars = Array.from({ length: days }, (_, i) => weekDay(seed + i, 6 + (((seed + i) * 5) % 9)))
  return WAYS_OF_WORK.map((way) => {
    const done = cars.map((day, i) => {
      told(i)
      return playDay(day, way)
    })
    const flat = done.flat()
    return {
      way,
      cars: flat.length,
      waitedMin: flat.reduce((s, c) => s + c.waitedMin, 0) / flat.length,
      promised: cars.flat().filter((c) => c.promisedMin !== null).length,
      missed: flat.filter((c) => c.lateMin > 0.5).length,
      lateMin: flat.reduce((s, c) => s + c.lateMin, 0),
      lastMin: done.reduce((s, day) => s + Math.max(...day.map((c) => c.doneMin)), 0) / days,
    }
  })
}
