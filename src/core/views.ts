import type { CarVisit } from './book/car-visit'
import type { FlagId } from './book/flags'
import type { RigParts } from './equipment/assemble'
import type { ClockSegment } from './job/clock'
import type { JobEvent } from './job/events'
import type { JobSummary } from './job/summary'
import type { Procedure, Rig } from './job/written'
import type { PullForecast } from './pull/forecast'
import type { Judgement } from './schools/judgement'

/** A point of a curve: job time in ms, value in the channel's stored unit. */
export type CurvePoint = { at: number; value: number }
/** Low side and high side, Pa absolute, and the vent, Celsius. */
export type Sides = Record<'low' | 'high' | 'vent', CurvePoint[]>

/** Events as they are stored, the first of them at place `from` of the job's log. */
export type Stretch = { from: number; events: JobEvent[] }

/**
 * One point of a channel: job time in ms since the epoch, value in the stored unit, readings averaged or thinned into
 * it.
 */
export type Point = { at: number; value: number; count: number }

/**
 * A reading as the live stream and the trail show it; `seq` is its place in the order of commits, `at` ms of job time.
 */
export type LiveReading = {
  seq: number
  at: number
  channel: string
  value: number
  sentValue: number
  sentUnit: string
  instrument: string
  by: string | null
}

/**
 * The newest reading of each channel by order of arrival: value in the stored unit, time ISO 8601, and what was sent.
 * `backS`: its clock was set back by so many seconds when it came, s.
 */
export type Latest = Partial<
  Record<
    string,
    { value: number; at: string; sentValue: number; sentUnit: string; instrument?: string; backS?: number }
  >
>

/** Whose car it is: an account of the shop, or a name alone where that account is closed or was never known. */
export type Whose = { id: string | null; name: string }

/** An alarm that rings now. @property sinceMs - wall time it began */
export type Ring = { id: string; sentence: string; sinceMs: number }

/** The same as every page of the shop knows it: of which car, and whose that is. */
export type Ringing = Ring & { jobId: string; car: string; whose: Whose; clock: ClockSegment[] }

/** An alarm that rang on a car, job time ISO 8601. */
export type Rung = { id: string; sentence: string; at: string }

/**
 * A car on the board; pressure Pa absolute, `byHand` when that was typed, `unit` it came in; `found` is what the
 * running hold was found to be, where that is sure.
 */
export type BoardRow = {
  id: string
  simulated: boolean
  summary: JobSummary
  vacuumPa: number | null
  vacuumAt: string | null
  byHand: boolean
  unit: string | null
  found: string | null
  /** what is said of the running pull's end, null while nothing is */
  forecast: PullForecast | null
  clock: ClockSegment[]
  /** how much was done on it: entries of its log */
  events: number
  /** what rings on it now */
  ringing: Ring[]
  whose: Whose
  /** who has its page open now */
  here: string[]
}

/** What a job page starts from; the live stream goes on from `cursor`. Curves are thinned: Pa, g and Celsius. */
export type JobView = {
  id: string
  simulated: boolean
  events: JobEvent[]
  clock: ClockSegment[]
  latest: Latest
  vacuum: Point[]
  scale: Point[]
  /** a gauge at the pump, while another hangs at the far end */
  pump: Point[]
  sides: { low: Point[]; high: Point[]; vent: Point[] }
  /** the gas in the circuit, by a sensor on a pipe */
  warmth: Point[]
  typed: LiveReading[]
  /** what keeps the simulated bench from playing this car, in words; null while it plays */
  benchTrouble: string | null
  /** what the server's judge says of the running hold; null while there is none */
  judged: JudgedHold | null
  /** what the server's watch says of the running pull's end */
  forecast: PullForecast | null
  /** what rang on it so far, oldest first */
  rung: Rung[]
  /** who has its page open now */
  here: string[]
  cursor: string
}

/** A judgement and the hold it is of, 0 for the job's first. */
export type JudgedHold = Judgement & { hold: number }

export type StoredProcedure = Procedure & { id: string; proves: string }
/** A rig of the shop; `parts` when it is put together from the shelf, `missing` when one of them cannot be used. */
export type StoredRig = Rig & { id: string; parts?: RigParts; missing?: string }

/** A line of the book that was found: a job, or one of a former life. Times ISO 8601. */
export type FoundLine = {
  id: string
  former: boolean
  carId: string | null
  at: string
  endedAt: string | null
  flags: FlagId[]
  visit: CarVisit | null
  car: string
  model: string
  /** what the board says of it */
  line: string
  whose: string
}

/**
 * A file of a former life that was brought in: its lines, how many of them stand in the book, and who took it out
 * again.
 */
export type ImportView = {
  id: string
  fileName: string
  lines: number
  stored: number
  by: string
  at: string
  withdrawn: string | null
}
