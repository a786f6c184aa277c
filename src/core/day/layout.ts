import type { Step } from '../job/steps'
import { Calendar } from './calendar'
import {
  type Day,
  type DayCar,
  type DayCost,
  type DayPlan,
  type DayRow,
  type DayStep,
  type Minutes,
  SAME_MIN,
} from './day'

/** A step as it is laid out, things by their index; a row that stands beside it where one does. */
type Piece = {
  step: DayStep
  /** of each person, min, and who may */
  hands: readonly Minutes[]
  may: readonly number[]
  isWait: boolean
  /** how many times its wait a wait lasts on each rig, 1 where rigs make no difference */
  pace: readonly number[]
  pulls: boolean
  scaled: boolean
  /** a rig is bound from its beginning, or free again at its end */
  takesRig: boolean
  freesRig: boolean
  /** the same for a rig that stays on until its hold is over */
  freesLast: boolean
  standing: Placed | null
}
/** A piece at its place: indexes of person, rig and scale, -1 for none. */
type Placed = { piece: number; person: number; rig: number; scale: number; from: Minutes; to: Minutes }

/**
 * A day made ready for being laid out many times: each car's pieces, what always stands, and which rigs hang already.
 */
export type Ground = {
  day: Day
  pieces: readonly (readonly Piece[])[]
  /** how often each car stands in a list: once for each piece that takes hands */
  turns: readonly number[]
  people: readonly Calendar[]
  scales: readonly Calendar[]
  /** the rig that hangs on each car already, -1 for none */
  hanging: readonly number[]
  /** of each rig whether it stays on until the hold is over */
  stays: readonly boolean[]
  /** cars with pieces that stand and have begun: they are laid out as far before the list */
  begun: readonly { car: number; pieces: number }[]
}

/** Steps a rig is bound through. */
const BOUND: readonly Step[] = ['rig', 'pull', 'isolate', 'hold']

function piecesOf(day: Day, car: DayCar): Piece[] {
  const freed = car.steps.findIndex((s) => s.freesRig)
  const bound = car.steps.findLastIndex((s) => BOUND.includes(s.step))
  const last = freed >= 0 ? freed : bound
  return car.steps.map((step, i) => ({
    step,
    hands: day.people.map((person) => step.handsBy?.[person] ?? step.hands ?? 0),
    may: mayDo(day, step.step),
    isWait: step.hands === undefined,
    pace: day.rigs.map((rig) => (step.wait ? (step.waitBy?.[rig] ?? step.wait) / step.wait : 1)),
    pulls: step.step === 'pull' && step.hands === undefined,
    scaled: step.step === 'charge' && step.hands !== undefined && day.scales.length > 0,
    takesRig: step.step === 'rig',
    freesRig: i === last,
    freesLast: i === bound,
    standing: standingOf(day, car, step, i),
  }))
}

/** Who may do a step; everybody where nobody may. */
function mayDo({ people, barred = [] }: Day, step: Step): number[] {
  const all = people.map((_, i) => i)
  const some = all.filter((i) => !barred.some((b) => b.person === people[i] && b.steps.includes(step)))
  return some.length > 0 ? some : all
}

function standingOf(day: Day, car: DayCar, step: DayStep, piece: number): Placed | null {
  // a pull is begun by hands and then waits: two pieces of one step
  const row = day.fixed.find(
    (r) => r.car === car.id && r.step === step.step && (step.hands === undefined) === (r.person === null),
  )
  // of a step that comes twice the first one stands
  const first = car.steps.findIndex(
    (s) => s.step === step.step && (s.hands === undefined) === (step.hands === undefined),
  )
  if (!row || first !== piece) return null
  const at = (names: readonly string[], name: string | null) => (name === null ? -1 : names.indexOf(name))
  const { from, to } = row
  return {
    piece,
    person: at(day.people, row.person),
    rig: at(day.rigs, row.rig),
    scale: at(day.scales, row.scale),
    from,
    to,
  }
}

/** Makes a day ready. What stands takes its people and scales; a rig is taken with its car's steps. */
export function groundOf(day: Day): Ground {
  const calendars = (names: readonly string[]) => names.map(() => new Calendar())
  const [people, scales] = [calendars(day.people), calendars(day.scales)]
  for (const { person, from, to } of day.away) people[day.people.indexOf(person)]?.take(from, to)
  for (const row of day.fixed) {
    if (row.person !== null) people[day.people.indexOf(row.person)]?.take(row.from, row.to)
    if (row.scale !== null) scales[day.scales.indexOf(row.scale)]?.take(row.from, row.to)
  }
  const pieces = day.cars.map((car) => piecesOf(day, car))
  return {
    day,
    pieces,
    turns: pieces.map((own) => own.filter((p) => !p.isWait).length),
    people,
    scales,
    stays: day.rigs.map((rig) => day.rigsStay?.includes(rig) ?? false),
    hanging: day.cars.map((car) =>
      car.rig !== undefined &&
      car.steps.some((s) => BOUND.includes(s.step) && s.step !== 'rig') &&
      !car.steps.some((s) => s.step === 'rig')
        ? day.rigs.indexOf(car.rig)
        : -1,
    ),
    begun: pieces.flatMap((own, car) => {
      const last = own.findLastIndex((p) => p.standing !== null && p.standing.from <= 0)
      return last >= 0 ? [{ car, pieces: last + 1 }] : []
    }),
  }
}

/** How long a wait takes on the day that is laid out: as planned, or as drawn. */
export type WaitOf = (car: number, step: DayStep) => Minutes
export const asPlanned: WaitOf = (_car, step) => step.wait ?? 0

/** One day being laid out. Written for speed: a search lays out tens of thousands. */
class Layout {
  readonly rows: { car: number; placed: Placed }[] = []
  readonly ready: Minutes[]
  broken = 0
  private readonly next: number[]
  private readonly people: Calendar[]
  private readonly scales: Calendar[]
  /** of each rig: from when it is free, and the car it is on until that is known, -1 for none */
  private readonly rigFree: Minutes[]
  private readonly rigOn: number[]
  /** the rig on each car, -1 for none, and the pull that runs on it */
  private readonly carRig: number[]
  private readonly pulling: (Placed | null)[]
  private readonly stays: readonly boolean[]
  private readonly ground: Ground
  private readonly waitOf: WaitOf

  constructor(ground: Ground, waitOf: WaitOf) {
    const { day } = ground
    this.ground = ground
    this.waitOf = waitOf
    this.people = ground.people.map((c) => c.copy())
    this.scales = ground.scales.map((c) => c.copy())
    this.ready = day.cars.map((car) => Math.max(0, car.arrives))
    this.next = day.cars.map(() => 0)
    this.rigFree = day.rigs.map((rig) => day.rigsFrom?.[rig] ?? 0)
    this.stays = ground.stays
    this.rigOn = day.rigs.map((_, rig) => ground.hanging.indexOf(rig))
    this.carRig = [...ground.hanging]
    this.pulling = day.cars.map(() => null)
    for (const { car, pieces } of ground.begun) while ((this.next[car] as number) < pieces) this.piece(car)
    // what waits at first waits by itself
    for (let car = 0; car < day.cars.length; car++) this.waits(car)
  }

  /** A car's turn: its next piece that takes hands, and the waits behind it. */
  turn(car: number): void {
    if ((this.next[car] as number) >= (this.ground.pieces[car] as readonly Piece[]).length) return
    this.piece(car)
    this.waits(car)
  }

  private waits(car: number): void {
    const own = this.ground.pieces[car] as readonly Piece[]
    while (own[this.next[car] as number]?.isWait) this.piece(car)
  }

  private piece(car: number): void {
    const index = this.next[car] as number
    const piece = (this.ground.pieces[car] as readonly Piece[])[index] as Piece
    const ready = this.ready[car] as number
    const placed = piece.standing
      ? this.standing(car, piece, piece.standing, ready)
      : this.placed(car, piece, index, ready)
    this.next[car] = index + 1
    this.rows.push({ car, placed })
    if (!piece.standing) {
      if (placed.person >= 0) (this.people[placed.person] as Calendar).take(placed.from, placed.to)
      if (placed.scale >= 0) (this.scales[placed.scale] as Calendar).take(placed.from, placed.to)
    }
    const pull = this.pulling[car]
    // a pump that runs goes on until somebody comes
    if (pull && pull.to < placed.from) pull.to = placed.from
    this.pulling[car] = piece.pulls && !piece.standing ? placed : null
    if (piece.takesRig && placed.rig >= 0) {
      this.rigOn[placed.rig] = car
      this.carRig[car] = placed.rig
    }
    const rig = this.carRig[car] as number
    if ((this.stays[rig] ? piece.freesLast : piece.freesRig) && rig >= 0) {
      this.rigFree[rig] = Math.max(this.rigFree[rig] as number, placed.to)
      if (this.rigOn[rig] === car) this.rigOn[rig] = -1
      this.carRig[car] = -1
    }
    this.ready[car] = placed.to
  }

  /** What stands is as it is; where its car or its rig cannot be there by then that is counted against the plan. */
  private standing(car: number, piece: Piece, placed: Placed, ready: Minutes): Placed {
    // what began before now began when its car was there
    const since = placed.piece === 0 ? Math.min(ready, (this.ground.day.cars[car] as DayCar).arrives) : ready
    this.broken += Math.max(0, since - placed.from)
    if (piece.takesRig && placed.rig < 0) while (this.rigOn.every((on) => on >= 0)) this.turn(this.soonest())
    const rig = piece.takesRig && placed.rig < 0 ? this.freeRig(placed.from) : placed.rig
    if (rig >= 0 && (this.carRig[car] as number) < 0)
      this.broken += Math.max(0, (this.rigFree[rig] as number) - placed.from)
    return { ...placed, rig }
  }

  /**
   * A rig for what stands without one: of those free by then the one that lay the shortest, else the one free the
   * soonest.
   */
  private freeRig(by: Minutes): number {
    let best = -1
    for (let r = 0; r < this.rigOn.length; r++) {
      if ((this.rigOn[r] as number) >= 0) continue
      if (best < 0) best = r
      const [free, known] = [this.rigFree[r] as number, this.rigFree[best] as number]
      if (known > by ? free < known : free <= by && free > known) best = r
    }
    return best
  }

  private placed(car: number, piece: Piece, index: number, ready: Minutes): Placed {
    const rig = this.carRig[car] as number
    if (piece.isWait) {
      const lasts = this.waitOf(car, piece.step) * (piece.pace[rig] ?? 1)
      return { piece: index, person: -1, rig, scale: -1, from: ready, to: ready + lasts }
    }
    if (!piece.takesRig) return this.byHands(piece, index, ready, rig)
    let best: Placed | null = null
    let bestEnd = Number.POSITIVE_INFINITY
    const pull = (this.ground.pieces[car] as readonly Piece[]).find((p, i) => i > index && p.pulls)
    // where every rig hangs somewhere, whoever is soonest done with one goes on first
    while (this.rigOn.every((on) => on >= 0)) this.turn(this.soonest())
    for (let r = 0; r < this.rigOn.length; r++) {
      if ((this.rigOn[r] as number) >= 0) continue
      const free = this.rigFree[r] as number
      const found = this.byHands(piece, index, Math.max(ready, free), r)
      // by when its pull is over: a quick pump may be worth the wait for it
      const end = found.to + (pull ? this.waitOf(car, pull.step) * (pull.pace[r] ?? 1) : 0)
      // of rigs that come to the same the one that lay the shortest
      if (
        !best ||
        end < bestEnd - SAME_MIN ||
        (end < bestEnd + SAME_MIN && free > (this.rigFree[best.rig] as number))
      ) {
        best = found
        bestEnd = end
      }
    }
    return best as Placed
  }

  /** The car with a rig on it that is ready the earliest for its next piece. */
  private soonest(): number {
    let best = this.rigOn[0] as number
    for (const car of this.rigOn) if ((this.ready[car] as number) < (this.ready[best] as number)) best = car
    return best
  }

  /** The earliest moment somebody, and a scale where one is asked for, is free for so long. */
  private byHands({ hands, may, scaled }: Piece, piece: number, at: Minutes, rig: number): Placed {
    let since = at
    for (;;) {
      const person = this.soonestDone(hands, may, since)
      const long = hands[person] as Minutes
      const from = (this.people[person] as Calendar).freeFrom(since, long)
      let scale = -1
      if (scaled) {
        scale = earliest(this.scales, from, long)
        const free = (this.scales[scale] as Calendar).freeFrom(from, long)
        if (free > from + SAME_MIN) {
          since = free
          continue
        }
      }
      return { piece, person, rig, scale, from, to: from + long }
    }
  }

  /** Who of those who may is done the earliest. */
  private soonestDone(hands: readonly Minutes[], may: readonly number[], since: Minutes): number {
    let [best, bestTo] = [may[0] as number, Number.POSITIVE_INFINITY]
    for (let i = 0; i < may.length; i++) {
      const person = may[i] as number
      const long = hands[person] as Minutes
      const to = (this.people[person] as Calendar).freeFrom(since, long) + long
      if (to < bestTo - SAME_MIN) {
        best = person
        bestTo = to
      }
    }
    return best
  }
}

/** Which of several is free the earliest for so long. */
function earliest(calendars: readonly Calendar[], since: Minutes, length: Minutes): number {
  let [best, bestFrom] = [0, Number.POSITIVE_INFINITY]
  for (let i = 0; i < calendars.length; i++) {
    const from = (calendars[i] as Calendar).freeFrom(since, length)
    if (from < bestFrom - SAME_MIN) {
      best = i
      bestFrom = from
    }
  }
  return best
}

function layout(ground: Ground, order: readonly number[], waitOf: WaitOf): Layout {
  const made = new Layout(ground, waitOf)
  for (let i = 0; i < order.length; i++) made.turn(order[i] as number)
  // what was laid out out of turn leaves turns over, and none is short of one
  for (let car = 0; car < ground.pieces.length; car++)
    for (let k = 0; k < (ground.turns[car] as number); k++) made.turn(car)
  return made
}

/**
 * What a day costs that is laid out in the order of a list of cars: each car's next piece as early as there are hands,
 * a scale and a rig for it between what was laid out before. A rig hangs on its car until the piece that frees it is
 * laid out; where all hang somewhere, whoever is soonest done goes on first.
 * @param order - indexes of cars, each as often as it has pieces that take hands
 */
export function costOf(ground: Ground, order: readonly number[], waitOf: WaitOf = asPlanned): DayCost {
  const { ready, broken } = layout(ground, order, waitOf)
  const { cars } = ground.day
  let [late, ends] = [0, 0]
  for (let i = 0; i < cars.length; i++) {
    const end = ready[i] as number
    const promised = (cars[i] as DayCar).promised
    if (promised !== null && end > promised) late += end - promised
    ends += end
  }
  return { broken, late, ends }
}

/** The same with its rows. */
export function layOut(ground: Ground, order: readonly number[], waitOf: WaitOf = asPlanned): DayPlan {
  const { rows, ready } = layout(ground, order, waitOf)
  const { day } = ground
  const named = (names: readonly string[], index: number) => (index < 0 ? null : (names[index] ?? null))
  return {
    rows: rows.map(({ car, placed }): DayRow => {
      const of = day.cars[car] as DayCar
      const { person, rig, scale, from, to } = placed
      const step = (of.steps[placed.piece] as DayStep).step
      return {
        car: of.id,
        step,
        person: named(day.people, person),
        rig: named(day.rigs, rig),
        scale: named(day.scales, scale),
        from,
        to,
      }
    }),
    ends: new Map(day.cars.map((car, i) => [car.id, ready[i] as number])),
    cost: costOf(ground, order, waitOf),
  }
}
