import type { LeakChecked, LeakPlace, Search } from '../job/leak'
import { searchNow } from '../job/search'
import { currentHold, type JobState, shutIn } from '../job/state'
import { type Chances, type Clue, chancesAfter, chancesBefore, namedPlace, type Ranked, ranked } from './chances'
import { cluesOf, hosesMayLeak } from './clues'
import { type Contradiction, contradictionsOf } from './contradictions'
import { type Proposal, proposals } from './next-check'
import { placesOf } from './places'
import { soughtGramsPerYear } from './sizes'

/** Leaks a shop found so far: how often at each place, and those of this very car, newest first. */
export type Learned = {
  shop: Partial<Record<LeakPlace, number>>
  car: readonly { at: LeakPlace; when: string; done: string }[]
}
const NOTHING: Learned = { shop: {}, car: [] }

/** Where a search stands: chances of every place, what to do next, what contradicts. */
export type SearchView = {
  search: Search
  chances: Chances
  ranked: Ranked[]
  named: Ranked | null
  next: Proposal[]
  clues: Clue[]
  sought: ReturnType<typeof soughtGramsPerYear>
  contradictions: Contradiction[]
  /** the couplers were taken off for a hold, and what it shows was not said yet */
  couplersOff: boolean
  /** it rose more without both: which of the two was not said yet */
  whichPort: boolean
}

/** Whether nothing has been let into a car since it was shut in. */
const underVacuum = (state: JobState, seen: readonly LeakChecked[]): boolean =>
  shutIn(state) &&
  state.search?.nitrogen === undefined &&
  !seen.some((s) => s.check === 'nitrogen' || s.check === 'soap' || s.check === 'sniffer')

/** A part charge is in from the sniffer's round until something is opened: soap works on it too. */
const partCharged = (seen: readonly LeakChecked[]): boolean =>
  seen.findLast((s) => s.check === 'sniffer' || s.check === 'nitrogen')?.check === 'sniffer'

/**
 * The search of a job as it stands; null where none was begun.
 * @param learned - leaks this shop found so far, by place
 */
export function searchView(state: JobState, learned: Learned = NOTHING): SearchView | null {
  const { search } = state
  if (!search) return null
  const seen = search.seen.map((s) => s.seen)
  const clues = cluesOf(state, learned.car)
  const sought = soughtGramsPerYear(state)
  const before = chancesBefore(placesOf(state), learned.shop, clues)
  const chances = seen.reduce((now, one) => chancesAfter(now, one, sought.gramsPerYear), before)
  const made = (check: LeakChecked['check']) => seen.some((s) => s.check === check)
  const vacuum = underVacuum(state, seen)
  return {
    search,
    chances,
    ranked: ranked(chances),
    named: namedPlace(chances),
    next: proposals(
      chances,
      {
        vacuum,
        holds: currentHold(state)?.ended?.verdict === 'tight',
        pressure: search.nitrogen !== undefined || partCharged(seen),
        charge: false,
        hosesIn: hosesMayLeak(state),
        made: seen,
      },
      sought.gramsPerYear,
    ),
    clues,
    sought,
    contradictions: contradictionsOf(seen),
    whichPort: vacuum && seen.findLast((s) => s.check === 'couplers')?.says === 'off-worse',
    couplersOff:
      !made('couplers') && searchNow(state) !== undefined && offSince(state) !== null && search.hosesIn && vacuum,
  }
}

/** Since when both couplers are off, ms; null while one is on. */
export function offSince({ rig, turnedAt }: Pick<JobState, 'rig' | 'turnedAt'>): number | null {
  if (rig['coupler-low'] !== 'off' || rig['coupler-high'] !== 'off') return null
  const at = [turnedAt['coupler-low'], turnedAt['coupler-high']].flatMap((t) => (t ? [Date.parse(t)] : []))
  return at.length > 0 ? Math.max(...at) : null
}
