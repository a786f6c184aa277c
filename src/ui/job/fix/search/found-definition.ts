import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-fix'
import { searchView } from '@/core/leak/search-view'
import { Collector, type FormDefinition } from '../../forms/form-types'

/** The place the search names, with what was done there. */
const namedOf = (state: JobState, learned: Parameters<typeof searchView>[1]) => searchView(state, learned)?.named

/** Mended where the search says it is. */
export const leakFound: FormDefinition = {
  initial: () => ({ done: '' }),
  parse: (values, state, { live }) => {
    const c = new Collector()
    const done = values.done?.trim() ?? ''
    if (!done) c.errors.done = W.sayWhatWasDoneThere
    const named = namedOf(state, live?.learned)
    if (!named) c.errors.done = W.noPlaceIsNamedAny
    return c.result(() =>
      named ? [{ kind: 'leak-found', payload: { at: named.place, done, sure: named.chance } }] : [],
    )
  },
}
