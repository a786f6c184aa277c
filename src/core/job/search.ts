import type { JobEvent } from './events'
import type { Search } from './leak'
import { hosesOnCar } from './sides'
import { currentHold, type JobState } from './state'

type SearchEvent = Extract<
  JobEvent,
  { kind: 'search-begun' | 'leak-checked' | 'nitrogen-in' | 'nitrogen-out' | 'leak-found' | 'search-ended' }
>

/** What an event of a search makes of it; nothing without one that was begun. */
export function searchOn(state: JobState, event: SearchEvent): JobState {
  const told = { when: event.happenedAt, by: event.by }
  if (event.kind === 'search-begun')
    return {
      ...state,
      search: { ...event.payload, begunAt: event.happenedAt, seen: [], hosesIn: hosesOnCar(state.rig) },
    }
  const { search } = state
  if (!search) return state
  const on = (change: Partial<Search>): JobState => ({ ...state, search: { ...search, ...change } })
  switch (event.kind) {
    case 'leak-checked':
      return on({ seen: [...search.seen, { seen: event.payload, ...told }] })
    case 'nitrogen-in':
      return on({ nitrogen: { inAt: event.happenedAt, pressurePaG: event.payload.pressurePaG } })
    case 'nitrogen-out': {
      const { nitrogen: _out, ...rest } = search
      return { ...state, search: rest }
    }
    case 'leak-found': {
      const found = { ...event.payload, ...told }
      const before = currentHold(state)?.ended ?? null
      return { ...on({ found }), leaksFound: [...state.leaksFound, { ...found, before }] }
    }
    case 'search-ended':
      return on({ ended: { ...event.payload, ...told } })
    default: {
      const unknown: never = event
      return unknown
    }
  }
}

/** The search that is on now; undefined where none is, or it is over. */
export function searchNow({ search, step }: Pick<JobState, 'search' | 'step'>): Search | undefined {
  return step === 'fix' && search && !search.found && !search.ended ? search : undefined
}
