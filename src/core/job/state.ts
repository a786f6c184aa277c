import { hoseContentG } from '../fluids/hose'
import { MINUTE_MS } from '../units/constants'
import type { HoldEnded, JobEvent, JobOpened, LEAVE_ITEMS, PayloadOf } from './events'
import type { Search } from './leak'
import type { RigState } from './parts'
import type { Stage } from './stages'
import type { Step } from './steps'
import { LIQUID_STANDS_MIN, WAY_WORDS, type Way } from './ways'
import type { ChargeHose, Procedure, Rig } from './written'

export type Correction = PayloadOf<'corrected'> & { at: string; by: string }
/**
 * One visit to a step, and who ended it; a step can be visited again, a second pull for instance. Times are job time,
 * ISO 8601.
 */
export type Visit = { step: Step; startedAt: string; endedAt?: string; by?: string }
export type Pull = { startedAt: string; endedAt?: string }
export type Hold = {
  isolatedAt: string
  plannedMinutes: number
  ended?: HoldEnded & { at: string }
  skipped?: { why: string; by: string }
  /** by what it was accepted, and by whom */
  accepted?: { by: string; as: 'judge' | 'rule' | 'word' }
  shortened?: { why: string; by: string }
  /** left before it was judged: the work turned back */
  left?: { why: string; by: string; at: string }
}
export type ChargedContainer = {
  id: string
  startGrossG: number
  endGrossG?: number
  startedAt: string
  endedAt?: string
  differs?: 'hose-hung-on' | 'another-container'
}
/** Whole cans counted into a car, and what each that is empty brought by estimate. */
export type Counted = PayloadOf<'cans-planned'> & { emptied: (PayloadOf<'can-emptied'> & { at: string })[] }
export type Proof = PayloadOf<'proof-read'> & { at: string }
export type LeaveItem = (typeof LEAVE_ITEMS)[number]

/** A charge of this job that was recovered: what it was made of, what the proof read of it, and what came out, g. */
export type Spent = {
  containers: ChargedContainer[]
  chargedG: number
  proofs: Proof[]
  recoveredG: number
  at: string
}

/** What the reception of a car fixed, as the core works with it. */
export type Opened = Omit<JobOpened, 'rig' | 'procedure'> & { rig: Rig; procedure: Procedure }

/** A charge as planned, its hose as the core works with it: m. */
export type Planned = Omit<PayloadOf<'charge-planned'>, 'hose'> & { hose?: ChargeHose | undefined }

export type Hung = Omit<PayloadOf<'instrument-hung'>, 'instead'>
/** What a rig says of its vacuum gauge. */
export type GaugeFacts = Pick<Rig, 'gauge' | 'gaugeAt' | 'resolutionPa'>

/** A leak that was found, and the hold that leaked by it. */
export type LeakMended = NonNullable<Search['found']> & { before: (HoldEnded & { at: string }) | null }

/** Everything the events of one job add up to. */
export type JobState = {
  opened: Opened
  openedAt: string
  step: Step
  visits: Visit[]
  zero?: PayloadOf<'zero-read'> & { at: string; by: string }
  zeroAnswer?: PayloadOf<'zero-explained'>['answer']
  recoveredG?: number
  /** recovered, and the gauges not read since */
  recoveredUnread?: boolean
  fix?: PayloadOf<'fix-logged'>
  rig: RigState
  /** stages of its procedure, which of them is now, and how often it was swept at it */
  stages: readonly Stage[]
  stage: number
  swept: number
  /** when the hoses alone were shut in, and what they did */
  hosesShutAt?: string
  hosesHeld?: PayloadOf<'hoses-held'> & { at: string; by: string }
  /** pulls that were made before this stage */
  pulledBefore: number
  /** instruments of the shop that hang on this car */
  hung: readonly Hung[]
  /** the vacuum gauge the rig came with: it counts while none of the shop’s hangs on the car */
  ownGauge: GaugeFacts
  /** when each part was last turned, job time */
  turnedAt: Partial<Record<keyof RigState, string>>
  pulls: Pull[]
  holds: Hold[]
  /** what the judge presumes before any reading */
  priors: 'story' | 'even'
  /** alarms somebody answered, by their id, when; snoozed until a job time in ms, or seen for good */
  alarms: Readonly<Record<string, { by: string; at: string; untilMs: number | null }>>
  /** whose car it is: whoever took it in, until it is given to somebody */
  whose: { name: string; account?: string }
  sweeps: { at: string; passes: number; pressurePaG: number; by: string }[]
  plan?: Planned
  /** who nodded to the plan that stands, for a trainee to make it */
  nodded?: { by: string; at: string }
  containers: ChargedContainer[]
  /** a charge without a scale: whole cans, and those that were emptied */
  counted?: Counted
  /** this car's low-pressure switch, Pa above the air, where somebody knows it */
  switchPaG?: number
  /** the most its label or manual lets in for a test or a sweep, Pa above the air, where somebody knows it */
  nitrogenLimitPaG?: number
  /** how old the car is, where somebody knows */
  ageYears?: number
  /** the pump's oil is out: the car waits behind its shut valves */
  oilOut?: true
  /** the container stands in water so warm, Celsius */
  warmedC?: number
  before?: PayloadOf<'before-read'> & { at: string }
  proofs: Proof[]
  rest?: PayloadOf<'rest-read'> & { at: string }
  makerBands?: PayloadOf<'maker-bands-set'>
  left: LeaveItem[]
  corrections: Correction[]
  notes: { text: string; at: string; by: string }[]
  photos: readonly (PayloadOf<'pictured'> & { at: string; by: string })[]
  /**
   * deeds that were done without a line and wait for somebody to choose, by their id; null until the deed itself comes
   */
  aside: Readonly<Record<string, { because: string; event: JobEvent | null }>>
  /** charges that were recovered again in this job, oldest first */
  spent: readonly Spent[]
  turns: readonly (PayloadOf<'turned-back'> & { from: Step; at: string; by: string })[]
  looked: readonly (PayloadOf<'looked-at'> & { at: string; by: string })[]
  /** the search that is on, or was last */
  search?: Search
  /** leaks that were found and mended in this job, with the rise they made where a hold saw it, Pa/s */
  leaksFound: readonly LeakMended[]
  accepted?: PayloadOf<'leak-accepted'> & { at: string; by: string }
  /** it stood with its couplers off: they go on again before its hold goes on */
  stoodOff?: true
  parked?: PayloadOf<'parked'> & { at: string; by: string }
  closed?: PayloadOf<'closed'> & { at: string; by: string }
  signed?: PayloadOf<'signed'> & { at: string; by: string }
  /** who last had hands on it, job time */
  touched?: { at: string; by: string }
  benchRunning: boolean
}

/** Whether what is done here counts beyond the job itself: in the ledger, a pump's hours, what is learned of a hand. */
export const countsAsWork = ({ opened }: JobState): boolean => (opened.purpose ?? 'work') === 'work'

/** The simulated bench brings a gauge of its own, which is never taken off. */
export const benchGaugeIsFar = ({ opened, ownGauge }: Pick<JobState, 'opened' | 'ownGauge'>): boolean =>
  opened.simulated && ownGauge.gauge === 'electronic' && ownGauge.gaugeAt !== 'pump'

/** The vacuum gauges that sit at the pump while another counts at the far end: theirs is no reading of the car. */
export function gaugesApart(state: JobState): readonly Hung[] {
  const gauges = state.hung.filter((h) => h.kind === 'vacuum')
  const far = benchGaugeIsFar(state) || gauges.some((h) => h.seat === 'far')
  return far ? gauges.filter((h) => h.seat === 'pump') : []
}

/** The pull and the hold that count now; undefined before the first. */
export const currentPull = (state: JobState): Pull | undefined => state.pulls[state.pulls.length - 1]
export const currentHold = (state: JobState): Hold | undefined => state.holds[state.holds.length - 1]

/** Whether a car is shut in since its last pull. */
export function shutIn({ pulls, holds }: Pick<JobState, 'pulls' | 'holds'>): boolean {
  const hold = holds[holds.length - 1]
  return hold !== undefined && !pulls.some((p) => p.startedAt > hold.isolatedAt)
}

/** When a hold's planned end comes, job time in ms since the epoch. */
export const holdEndsMs = (hold: Hold): number => Date.parse(hold.isolatedAt) + hold.plannedMinutes * MINUTE_MS

/** The container on the scale now: started and not yet ended. */
export const openContainer = (state: JobState): ChargedContainer | undefined =>
  state.containers.find((c) => c.endGrossG === undefined)

/** The newest reading of the proof; undefined before the first. */
export const lastProof = (state: JobState): Proof | undefined => state.proofs[state.proofs.length - 1]

export const wayOf = (state: JobState): Way => state.plan?.way ?? 'vapour-low'

/** Until when a car stands after liquid went in before its engine may start, job time ms; null where none did. */
export function liquidStandsUntilMs(state: JobState): number | null {
  const last = state.containers[state.containers.length - 1]
  if (wayOf(state) !== 'liquid-high' || !last) return null
  const since = last.endedAt ?? last.startedAt
  return (state.turnedAt.engine ?? '') < since ? Date.parse(since) + LIQUID_STANDS_MIN * MINUTE_MS : null
}

/**
 * What leaves a container of this job and does not reach the car, g: its planned purge, and for the first what stays in
 * a hose that is not drawn down.
 */
export function lostG(state: JobState, id: string): { purgeG: number; hoseG: number } {
  const purgeG = state.plan?.stops.find((s) => s.id === id)?.purgeG ?? 0
  const hose = state.plan?.hose
  const first = state.containers.length === 0 || state.containers[0]?.id === id
  return {
    purgeG,
    hoseG: hose && !hose.drawnDown && first ? hoseContentG({ ...hose, phase: WAY_WORDS[wayOf(state)].phase }) : 0,
  }
}

/**
 * Grams in the car by the scale: what left the containers, less purges and what stays in the hose, g; by estimate what
 * was counted.
 * @param liveGrossG - what the open container weighs now
 */
export function chargedG(state: JobState, liveGrossG?: number): number {
  const counted = state.counted?.emptied.reduce((sum, can) => sum + can.estimateG, 0) ?? 0
  return state.containers.reduce((sum, c) => {
    const end = c.endGrossG ?? liveGrossG ?? c.startGrossG
    const { purgeG, hoseG } = lostG(state, c.id)
    // a purge counts only once gas has left the container
    return sum + Math.max(0, c.startGrossG - end - purgeG - hoseG)
  }, counted)
}
