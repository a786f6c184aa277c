import type { JobEvent, RENEWED } from '../job/events'
import type { JobState } from '../job/state'
import { type CarVisit, visitOf } from './car-visit'
import { type FlagId, flagsOf } from './flags'
import { joined, tokensOf } from './tokens'

/** By which rule lines are made; raised when one changes, so that those of the old one are made anew. */
export const LINE_FORM = 1

/** What the book keeps of a job: when it was, what it was for its car, and what it is found by. */
export type BookLine = {
  at: string
  endedAt: string | null
  visit: CarVisit | null
  flags: FlagId[]
  /** single words as they are looked for */
  tokens: string[]
}

/** What a part is called, which is what it is looked for by. */
export type PartNames = Record<(typeof RENEWED)[number], string>

/** A job's line in the book. @param events - all of its own; `deepestPa` - of its readings, once it ended */
export function bookLineOf(
  jobId: string,
  state: JobState,
  events: readonly JobEvent[],
  parts: PartNames,
  deepestPa: number | null = null,
): BookLine {
  const { car } = state.opened
  const people = [...new Set(events.map((e) => e.by))]
  const said = [car.name, car.plate ?? '', car.model, ...people, ...saidIn(state, events, parts)]
  return {
    at: state.openedAt,
    endedAt: state.signed?.at ?? state.closed?.at ?? null,
    visit: visitOf(jobId, state, deepestPa),
    flags: flagsOf(state, events),
    tokens: [...new Set([...said.flatMap(tokensOf), ...joined(car.plate ?? '')])],
  }
}

/** What people wrote and what was named in a job, beside its car and its people. */
function saidIn(state: JobState, events: readonly JobEvent[], parts: PartNames): string[] {
  const { opened } = state
  return [
    opened.complaint,
    opened.label.refrigerant,
    opened.procedure.name,
    opened.rig.name,
    ...(state.fix?.renewed.map((r) => parts[r.what]) ?? []),
    ...state.leaksFound.map((l) => l.at),
    ...state.containers.map((c) => c.id),
    ...events.flatMap(textsOf),
  ]
}

/** Words a hand wrote into an event; marks of parts and figures are no words to look for. */
function textsOf(event: JobEvent): string[] {
  switch (event.kind) {
    case 'noted':
      return [event.payload.text]
    case 'pictured':
      return [event.payload.caption]
    case 'corrected':
      return [event.payload.is, event.payload.why]
    case 'hold-skipped':
    case 'hold-shortened':
    case 'turned-back':
    case 'closed':
    case 'reopened':
    case 'search-ended':
    case 'parked':
      return [event.payload.why]
    case 'leak-accepted':
      return [event.payload.why, event.payload.customer]
    case 'looked-at':
      return [event.payload.place, event.payload.found]
    case 'fix-logged':
      return [event.payload.oilReason]
    case 'proof-read':
      return [event.payload.note]
    case 'signed':
      return [event.payload.certificate]
    default:
      return []
  }
}
