import { W } from '../language/job/refusals'
import type { EventDraft, PayloadOf } from './events'
import { searchNow } from './search'
import { chargedG, currentHold, type JobState, openContainer, shutIn } from './state'
import { STEP_NAMES, stepNumber } from './steps'

/** Why an event cannot have happened, and where in it that stands. */
export type Refusal = { path: string; reason: string }

/** A container may weigh so much more when it is shut than when it went on: a hose that settles, g (assumed). */
const SETTLES_G = 5

/**
 * Refuses what contradicts what is already known of a job: not what is unwise, which is asked about and passed on, but
 * what cannot be.
 * @returns null when the event may be recorded
 */
export function refusalOf(state: JobState, event: Pick<EventDraft, 'kind' | 'payload'>): Refusal | null {
  switch (event.kind) {
    case 'rig-taken':
      return ['coupler-low', 'coupler-high'].some((c) => state.rig[c as 'coupler-low'] !== 'off')
        ? {
            path: 'rig',
            reason: W.hangsOnItItsHoses(state.opened.rig.name),
          }
        : null
    case 'charge-planned':
      return refusePlan(state, event.payload as PayloadOf<'charge-planned'>)
    case 'container-started':
      return refuseStart(state, event.payload as PayloadOf<'container-started'>)
    case 'can-emptied':
      return refuseCan(state)
    case 'nitrogen-swept':
      return refuseNitrogen(state, event.payload as PayloadOf<'nitrogen-swept'>)
    case 'nitrogen-in':
      return refuseNitrogenIn(state, event.payload as PayloadOf<'nitrogen-in'>)
    case 'container-ended':
      return refuseEnd(state, event.payload as PayloadOf<'container-ended'>)
    default: {
      const held = heldAlready(state, event as Pick<EventDraft, 'kind' | 'payload'> & EventDraft)
      return held === null ? null : { path: '', reason: held }
    }
  }
}

/** Why a deed would change nothing, or count twice: what it does is done already. Null when it is not. */
function heldAlready(state: JobState, event: EventDraft): string | null {
  const hold = currentHold(state)
  switch (event.kind) {
    case 'isolated':
      return shutIn(state) ? W.itIsShutInAlready : null
    case 'step-finished': {
      const { step } = event.payload
      return stepNumber(step) < stepNumber(state.step)
        ? W.isFinishedAlreadyThisCar(STEP_NAMES[step], STEP_NAMES[state.step])
        : null
    }
    case 'hold-ended':
      return hold?.ended ? W.thisHoldWasEndedAlready : null
    case 'hold-skipped':
      return hold?.skipped ? W.thisHoldWasSkippedAlready : null
    case 'hold-decided':
      return decidedAlready(state, event.payload.next)
    case 'hold-lengthened':
      return !hold || hold.ended ? W.nothingHoldsThatCouldBe : null
    case 'search-begun':
      return searchNow(state) ? W.aSearchIsOnAlready : null
    case 'leak-checked':
    case 'search-ended':
      return state.search && !state.search.ended && !state.search.found ? null : NO_SEARCH
    case 'leak-found':
      return state.search && !state.search.found ? null : NO_SEARCH
    case 'nitrogen-out':
      return state.search?.nitrogen ? null : W.noNitrogenWasLetIn
    case 'pump-oil':
      return oilAlready(state, event.payload.stage)
    case 'hoses-shut':
      return state.hosesShutAt ? W.theHosesAreShutIn : null
    case 'hoses-held':
      return state.hosesShutAt ? null : W.theHosesWereNotShut
    case 'turned-back':
      return stepNumber(event.payload.to) >= stepNumber(state.step)
        ? W.thisCarIsAtLies(STEP_NAMES[state.step], STEP_NAMES[event.payload.to])
        : null
    case 'parked':
      return state.parked ? W.itIsLeftStandingAlready : null
    case 'taken-up':
      return state.parked ? null : W.itIsNotLeftStanding
    case 'closed':
      return state.closed ? W.thisJobIsClosedAlready : null
    case 'reopened':
      return state.closed ? null : W.thisJobIsNotClosed
    case 'recovered':
      return state.recoveredUnread ? W.whatWasRecoveredIsBooked : null
    case 'zero-explained':
      return state.zeroAnswer === event.payload.answer ? W.theGaugesWereExplainedSo : null
    case 'leave-tapped':
      return state.left.includes(event.payload.item) === event.payload.done ? W.thatItemOfTheList : null
    case 'alarm-answered':
      return state.alarms[event.payload.alarm]?.untilMs === null ? W.somebodyHasSeenThisAlarm : null
    case 'charge-nodded':
      return state.plan || state.counted ? null : W.noChargeIsPlannedYet
    case 'priors-set':
      return state.priors === event.payload.use ? W.itIsJudgedSoAlready : null
    case 'deed-chosen':
      return state.aside[event.payload.eventId]?.event ? null : W.nothingWithThisIdWaits
    default:
      return null
  }
}

function oilAlready(state: JobState, stage: PayloadOf<'pump-oil'>['stage']): string | null {
  if (stage === 'begun') return state.oilOut ? W.itsOilIsBeingChanged : null
  return state.oilOut ? null : W.nobodyBeganToChangeThe
}

function decidedAlready(state: JobState, next: PayloadOf<'hold-decided'>['next']): string | null {
  const hold = currentHold(state)
  if (next === 'hold') return hold && !hold.ended ? W.theHoldGoesOnAlready : null
  return hold?.ended && state.step === next ? W.thatWasDecidedAlready : null
}

function refusePlan(state: JobState, { containers }: PayloadOf<'charge-planned'>): Refusal | null {
  const asked = state.opened.label.refrigerant
  for (const [i, c] of containers.entries()) {
    const path = `containers[${i}]`
    if (c.refrigerant !== undefined && c.refrigerant !== asked) {
      return {
        path: `${path}.refrigerant`,
        reason: W.holdsTheCarsLabelAsks(c.id, c.refrigerant, asked),
      }
    }
    if (containers.findIndex((o) => o.id === c.id) < i)
      return { path: `${path}.id`, reason: W.isThereTwiceEachContainer(c.id) }
    if (state.containers.some((used) => used.id === c.id))
      return { path: `${path}.id`, reason: W.wasOnThisCarAlready(c.id) }
  }
  return null
}

function refuseStart(state: JobState, { id, grossG }: PayloadOf<'container-started'>): Refusal | null {
  const planned = state.plan?.containers.find((c) => c.id === id)
  if (!planned) return { path: 'id', reason: W.isNotInTheCharge(id) }
  const open = openContainer(state)
  if (open) return { path: 'id', reason: W.isStillOnShutIt(open.id) }
  if (state.containers.some((c) => c.id === id)) return { path: 'id', reason: W.wasOnAndWasWeighed(id) }
  if (planned.tareG === undefined && planned.netG !== undefined && grossG <= planned.netG) {
    return {
      path: 'grossG',
      reason: W.gIsNotAboveThe(Math.round(grossG), Math.round(planned.netG)),
    }
  }
  if (planned.tareG !== undefined && grossG < planned.tareG) {
    return {
      path: 'grossG',
      reason: W.gIsLessThanIts(Math.round(grossG), Math.round(planned.tareG)),
    }
  }
  return null
}

const NO_SEARCH = W.noSearchForALeak

function refuseNitrogen({ nitrogenLimitPaG }: JobState, { pressurePaG }: { pressurePaG: number }): Refusal | null {
  if (nitrogenLimitPaG === undefined || pressurePaG <= nitrogenLimitPaG) return null
  return {
    path: 'pressurePaG',
    reason: W.kpaIsAboveTheKpa(Math.round(pressurePaG / 1000), Math.round(nitrogenLimitPaG / 1000)),
  }
}

function refuseNitrogenIn(state: JobState, payload: PayloadOf<'nitrogen-in'>): Refusal | null {
  if (!searchNow(state)) return { path: '', reason: NO_SEARCH }
  if (state.search?.nitrogen) return { path: '', reason: W.nitrogenIsInAlreadyLet }
  if (chargedG(state) > 0) return { path: '', reason: W.thereIsAChargeIn }
  return refuseNitrogen(state, payload)
}

function refuseCan({ counted }: JobState): Refusal | null {
  if (!counted) return { path: '', reason: W.noCansAreCountedOn }
  return counted.emptied.length >= counted.count ? { path: '', reason: W.allCansAreEmptyAlready(counted.count) } : null
}

function refuseEnd(state: JobState, { id, grossG }: PayloadOf<'container-ended'>): Refusal | null {
  const open = openContainer(state)
  if (open?.id !== id)
    return {
      path: 'id',
      reason: W.isNotOnTheScale(id, open ? W.is(open.id) : W.itWasWeighedOffAlready),
    }
  if (grossG > open.startGrossG + SETTLES_G) {
    return {
      path: 'grossG',
      reason: W.itStoodAtGWhen(Math.round(open.startGrossG)),
    }
  }
  return null
}
