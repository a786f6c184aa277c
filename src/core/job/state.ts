import { hoseContentG } from '../fluids/hose'
import type { HoldEnded, JobEvent, JobOpened, LEAVE_ITEMS, PayloadOf } from './events'
import type { RigState } from './parts'
import type { Step } from './steps'
import { WAY_WORDS, type Way } from './ways'
import type { ChargeHose, Procedure, Rig } from './written'

export type Correction = PayloadOf<'corrected'> & { at: string; by: string }
/** One visit to a step; a step can be visited again, a second pull for instance. Times are job time, ISO 8601. */
export type Visit = { step: Step; startedAt: string; endedAt?: string }
export type Pull = { startedAt: string; endedAt?: string }
export type Hold = {
  isolatedAt: string
  plannedMinutes: number
  ended?: HoldEnded & { at: string }
  skipped?: { why: string; by: string }
  shortened?: { why: string; by: string }
}
export type ChargedContainer = {
  id: string
  startGrossG: number
  endGrossG?: number
  startedAt: string
  endedAt?: string
  differs?: 'hose-hung-on' | 'another-container'
}
export type Proof = PayloadOf<'proof-read'> & { at: string }
export type LeaveItem = (typeof LEAVE_ITEMS)[number]

/** What the reception of a car fixed, as the core works with it. */
export type Opened = Omit<JobOpened, 'rig' | 'procedure'> & { rig: Rig; procedure: Procedure }

/** A charge as planned, its hose as the core works with it: m. */
export type Planned = Omit<PayloadOf<'charge-planned'>, 'hose'> & { hose?: ChargeHose | undefined }

export type Hung = Omit<PayloadOf<'instrument-hung'>, 'instead'>
/** What a rig says of its vacuum gauge. */
export type GaugeFacts = Pick<Rig, 'gauge' | 'gaugeAt' | 'resolutionPa'>

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
  /** alarms somebody answered, by their id; snoozed until a job time in ms, or seen for good */
  alarms: Readonly<Record<string, { by: string; untilMs: number | null }>>
  sweeps: { at: string; passes: number; pressurePaG: number; by: string }[]
  plan?: Planned
  containers: ChargedContainer[]
  /** the container stands in water so warm, Celsius */
  warmedC?: number
  before?: PayloadOf<'before-read'> & { at: string }
  proofs: Proof[]
  rest?: PayloadOf<'rest-read'> & { at: string }
  makerBands?: PayloadOf<'maker-bands-set'>
  left: LeaveItem[]
  corrections: Correction[]
  notes: { text: string; at: string; by: string }[]
  /**
   * deeds that were done without a line and wait for somebody to choose, by their id; null until the deed itself comes
   */
  aside: Readonly<Record<string, { because: string; event: JobEvent | null }>>
  signed?: PayloadOf<'signed'> & { at: string; by: string }
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

/** When a hold's planned end comes, job time in ms since the epoch. */
export const holdEndsMs = (hold: Hold): number => Date.parse(hold.isolatedAt) + hold.plannedMinutes * 60_000

/** The container on the scale now: started and not yet ended. */
export const openContainer = (state: JobState): ChargedContainer | undefined =>
  state.containers.find((c) => c.endGrossG === undefined)

/** The newest reading of the proof; undefined before the first. */
export const lastProof = (state: JobState): Proof | undefined => state.proofs[state.proofs.length - 1]

export const wayOf = (state: JobState): Way => state.plan?.way ?? 'vapour-low'

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
 * Grams in the car by the scale: what left the containers, less purges and what stays in the hose, g. @param liveGrossG
 * - what the open container weighs now
 */
export function chargedG(state: JobState, liveGrossG?: number): number {
  return state.containers.reduce((sum, c) => {
    const end = c.endGrossG ?? liveGrossG ?? c.startGrossG
    const { purgeG, hoseG } = lostG(state, c.id)
    // a purge counts only once gas has left the container
    return sum + Math.max(0, c.startGrossG - end - purgeG - hoseG)
  }, 0)
}
