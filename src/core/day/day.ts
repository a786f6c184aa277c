import type { Step } from '../job/steps'

/** Minutes from the moment the day is planned at; before it below zero. */
export type Minutes = number

/** One step of a car that is still to come: hands for exactly so long, or a wait of at least so long. */
export type DayStep = {
  step: Step
  /** one person is there all the time */
  hands?: Minutes
  /** the same for those who are known to take another time */
  handsBy?: Readonly<Record<string, Minutes>>
  /** nobody is needed; may be stretched */
  wait?: Minutes
  /** the same by the rig that hangs on the car: a pump of its own pace */
  waitBy?: Readonly<Record<string, Minutes>>
  /** nine of ten such waits are over by then */
  waitP90?: Minutes
  /** the rig is free at its end: shut at the core tools, hoses off */
  freesRig?: boolean
}

export type DayCar = {
  id: string
  arrives: Minutes
  /** null where nobody promised a time */
  promised: Minutes | null
  /** the rig that hangs on it already */
  rig?: string
  steps: readonly DayStep[]
}

/** A piece of the plan: what is done on a car, by whom, with what, from when to when. */
export type DayRow = {
  car: string
  step: Step
  person: string | null
  rig: string | null
  scale: string | null
  from: Minutes
  to: Minutes
}

export type Away = { person: string; from: Minutes; to: Minutes }

/** Steps somebody may not do: a trainee signs nothing. */
export type Barred = { person: string; steps: readonly Step[] }

/** What a day is planned from. */
export type Day = {
  people: readonly string[]
  rigs: readonly string[]
  scales: readonly string[]
  cars: readonly DayCar[]
  away: readonly Away[]
  /** nobody where left out; where nobody at all may, everybody does */
  barred?: readonly Barred[]
  /** rigs that are out of use for now, and until when; all are there where left out */
  rigsFrom?: Readonly<Record<string, Minutes>>
  /** rigs that stay on until the end of the hold, whatever a car could: they have no core tools; none where left out */
  rigsStay?: readonly string[]
  /** pieces that stand as they are */
  fixed: readonly DayRow[]
}

/**
 * How good a plan is: minutes late in all first, then the sum of the cars' ends; `broken`: minutes it misses what
 * stands by.
 */
export type DayCost = { broken: Minutes; late: Minutes; ends: Minutes }

export type DayPlan = { rows: readonly DayRow[]; ends: ReadonlyMap<string, Minutes>; cost: DayCost }

/** Costs nearer than this are the same, min. */
export const SAME_MIN = 1e-6

/** Which of two is better: below zero where the first is. */
export const compareCost = (a: DayCost, b: DayCost): number =>
  difference(a.broken, b.broken) || difference(a.late, b.late) || difference(a.ends, b.ends)

const difference = (a: number, b: number): number => (Math.abs(a - b) < SAME_MIN ? 0 : a - b)

/** Minutes a car is late at its end. */
export const lateOf = ({ promised }: DayCar, end: Minutes): Minutes =>
  promised === null ? 0 : Math.max(0, end - promised)
