import { daysUntilShort, lifeWords } from '../charge/life'
import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import type { CLOSED_AS } from '../job/events'
import { chargedG, currentHold, currentPull, type JobState } from '../job/state'
import { W } from '../language/call/ways-out'
import type { Say } from '../units/say'
import type { Deed } from './types'

type ClosedAs = (typeof CLOSED_AS)[number]

/** A way to end a job before its last step, and what stays unproved by it. */
export type Ending = { as: ClosedAs; label: string; leaves: string }

const ENDINGS: Record<ClosedAs, Omit<Ending, 'as'>> = {
  'without-proof': {
    label: W.chargedNotProved,
    leaves: W.nobodyHasSeenItCool,
  },
  'without-charge': {
    label: W.checkedForLeaksOnly,
    leaves: W.nothingWasChargedWhatThe,
  },
  'handed-over': {
    label: W.handedOverToOthers,
    leaves: W.whatWasDoneHereIs,
  },
  'given-up': { label: W.givenUp, leaves: W.theCarGoesAsIt },
}

/** How this job may end where it stands, likeliest first. */
export function endingsOf(state: JobState, say: Say): Ending[] {
  if (state.signed || state.closed) return []
  const insideG = chargedG(state)
  const first: ClosedAs[] = insideG > 0 ? ['without-proof'] : state.holds.length > 0 ? ['without-charge'] : []
  const inside = insideG > 0 ? W.stayInTheCarThe(say.mass(insideG)) : ''
  return [...first, 'handed-over' as const, 'given-up' as const].map((as) => ({
    as,
    label: ENDINGS[as].label,
    leaves: `${ENDINGS[as].leaves}${inside}`,
  }))
}

/** Whether a car can be left standing under its vacuum: pulled on, nothing charged, the pump shut off. */
export function mayPark(state: JobState): boolean {
  const pulled = state.pulls.length > 0 && currentPull(state)?.endedAt !== undefined
  const shut = state.rig['valve-low'] === 'closed' && state.rig['valve-high'] === 'closed'
  return !state.signed && !state.closed && !state.parked && pulled && shut && chargedG(state) === 0
}

/**
 * What a charge with the leak that was found comes to: its size, worst case, and how long it lasts; null while no hold
 * found one.
 */
export function leakAhead(state: JobState, say: Say): { gramsPerYear: number; words: string } | null {
  const ended = currentHold(state)?.ended
  const gramsPerYear = ended?.leakGramsPerYear ?? ended?.provesGramsPerYear
  if (gramsPerYear === undefined || gramsPerYear === null || gramsPerYear <= 0) return null
  const targetG = labelTargetG(state)
  const days = daysUntilShort(targetG, targetG - toleranceG(state), gramsPerYear)
  return {
    gramsPerYear,
    words: W.upToWorstCaseCharged(say.aYear(gramsPerYear), lifeWords(days)),
  }
}

/** Charged with a leak that is known: the deed, and the decision that goes on from it. */
export const chargeKnowingly = (gramsPerYear: number, why: string, customer: string): Deed[] => [
  { kind: 'leak-accepted', payload: { gramsPerYear, why, customer } },
  { kind: 'hold-decided', payload: { next: 'charge' } },
]
