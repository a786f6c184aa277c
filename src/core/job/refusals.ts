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
            reason: `${state.opened.rig.name} hangs on it: its hoses come off before another rig is taken`,
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
      return shutIn(state) ? 'it is shut in already, and was not pulled since' : null
    case 'step-finished': {
      const { step } = event.payload
      return stepNumber(step) < stepNumber(state.step)
        ? `${STEP_NAMES[step]} is finished already: this car is at ${STEP_NAMES[state.step]}`
        : null
    }
    case 'hold-ended':
      return hold?.ended ? 'this hold was ended already' : null
    case 'hold-skipped':
      return hold?.skipped ? 'this hold was skipped already' : null
    case 'hold-decided':
      return decidedAlready(state, event.payload.next)
    case 'hold-lengthened':
      return !hold || hold.ended ? 'nothing holds that could be lengthened' : null
    case 'search-begun':
      return searchNow(state) ? 'a search is on already' : null
    case 'leak-checked':
    case 'search-ended':
      return state.search && !state.search.ended && !state.search.found ? null : NO_SEARCH
    case 'leak-found':
      return state.search && !state.search.found ? null : NO_SEARCH
    case 'nitrogen-out':
      return state.search?.nitrogen ? null : 'no nitrogen was let in'
    case 'pump-oil':
      return oilAlready(state, event.payload.stage)
    case 'hoses-shut':
      return state.hosesShutAt ? 'the hoses are shut in already' : null
    case 'hoses-held':
      return state.hosesShutAt ? null : 'the hoses were not shut in'
    case 'turned-back':
      return stepNumber(event.payload.to) >= stepNumber(state.step)
        ? `this car is at ${STEP_NAMES[state.step]}: ${STEP_NAMES[event.payload.to]} lies not before it`
        : null
    case 'parked':
      return state.parked ? 'it is left standing already' : null
    case 'taken-up':
      return state.parked ? null : 'it is not left standing'
    case 'closed':
      return state.closed ? 'this job is closed already' : null
    case 'reopened':
      return state.closed ? null : 'this job is not closed'
    case 'recovered':
      return state.recoveredUnread
        ? 'what was recovered is booked already: read both gauges again before more is'
        : null
    case 'zero-explained':
      return state.zeroAnswer === event.payload.answer ? 'the gauges were explained so already' : null
    case 'leave-tapped':
      return state.left.includes(event.payload.item) === event.payload.done
        ? 'that item of the list stands so already'
        : null
    case 'alarm-answered':
      return state.alarms[event.payload.alarm]?.untilMs === null ? 'somebody has seen this alarm already' : null
    case 'charge-nodded':
      return state.plan || state.counted ? null : 'no charge is planned yet'
    case 'priors-set':
      return state.priors === event.payload.use ? 'it is judged so already' : null
    case 'deed-chosen':
      return state.aside[event.payload.eventId]?.event ? null : 'nothing with this id waits to be chosen'
    default:
      return null
  }
}

function oilAlready(state: JobState, stage: PayloadOf<'pump-oil'>['stage']): string | null {
  if (stage === 'begun') return state.oilOut ? 'its oil is being changed already' : null
  return state.oilOut ? null : 'nobody began to change the pump’s oil on this car'
}

function decidedAlready(state: JobState, next: PayloadOf<'hold-decided'>['next']): string | null {
  const hold = currentHold(state)
  if (next === 'hold') return hold && !hold.ended ? 'the hold goes on already' : null
  return hold?.ended && state.step === next ? 'that was decided already' : null
}

function refusePlan(state: JobState, { containers }: PayloadOf<'charge-planned'>): Refusal | null {
  const asked = state.opened.label.refrigerant
  for (const [i, c] of containers.entries()) {
    const path = `containers[${i}]`
    if (c.refrigerant !== undefined && c.refrigerant !== asked) {
      return {
        path: `${path}.refrigerant`,
        reason: `${c.id} holds ${c.refrigerant}, the car’s label asks for ${asked}: never mix, take another container`,
      }
    }
    if (containers.findIndex((o) => o.id === c.id) < i)
      return { path: `${path}.id`, reason: `${c.id} is there twice; each container is listed once` }
    if (state.containers.some((used) => used.id === c.id))
      return { path: `${path}.id`, reason: `${c.id} was on this car already; give another container another name` }
  }
  return null
}

function refuseStart(state: JobState, { id, grossG }: PayloadOf<'container-started'>): Refusal | null {
  const planned = state.plan?.containers.find((c) => c.id === id)
  if (!planned) return { path: 'id', reason: `${id} is not in the charge plan: plan the charge with it first` }
  const open = openContainer(state)
  if (open) return { path: 'id', reason: `${open.id} is still on: shut it and weigh it first` }
  if (state.containers.some((c) => c.id === id))
    return { path: 'id', reason: `${id} was on and was weighed off already` }
  if (planned.tareG === undefined && planned.netG !== undefined && grossG <= planned.netG) {
    return {
      path: 'grossG',
      reason:
        `${Math.round(grossG)} g is not above the ${Math.round(planned.netG)} g net of a full one: ` +
        `partly used? Plan it with its empty weight`,
    }
  }
  if (planned.tareG !== undefined && grossG < planned.tareG) {
    return {
      path: 'grossG',
      reason: `${Math.round(grossG)} g is less than its own empty weight of ${Math.round(planned.tareG)} g: check tare and scale`,
    }
  }
  return null
}

const NO_SEARCH = 'no search for a leak is on: begin one first'

function refuseNitrogen({ nitrogenLimitPaG }: JobState, { pressurePaG }: { pressurePaG: number }): Refusal | null {
  if (nitrogenLimitPaG === undefined || pressurePaG <= nitrogenLimitPaG) return null
  return {
    path: 'pressurePaG',
    reason:
      `${Math.round(pressurePaG / 1000)} kPa is above the ${Math.round(nitrogenLimitPaG / 1000)} kPa this car’s label allows: ` +
      `let in less, and type what it was`,
  }
}

function refuseNitrogenIn(state: JobState, payload: PayloadOf<'nitrogen-in'>): Refusal | null {
  if (!searchNow(state)) return { path: '', reason: NO_SEARCH }
  if (state.search?.nitrogen) return { path: '', reason: 'nitrogen is in already: let it out first' }
  if (chargedG(state) > 0)
    return { path: '', reason: 'there is a charge in this car: it is recovered before nitrogen goes in' }
  return refuseNitrogen(state, payload)
}

function refuseCan({ counted }: JobState): Refusal | null {
  if (!counted) return { path: '', reason: 'no cans are counted on this car: say how many first' }
  return counted.emptied.length >= counted.count
    ? { path: '', reason: `all ${counted.count} cans are empty already` }
    : null
}

function refuseEnd(state: JobState, { id, grossG }: PayloadOf<'container-ended'>): Refusal | null {
  const open = openContainer(state)
  if (open?.id !== id)
    return {
      path: 'id',
      reason: `${id} is not on the scale${open ? `, ${open.id} is` : ': it was weighed off already, or never put on'}`,
    }
  if (grossG > open.startGrossG + SETTLES_G) {
    return {
      path: 'grossG',
      reason: `it stood at ${Math.round(open.startGrossG)} g when it went on: a container does not gain`,
    }
  }
  return null
}
