import type { LeakCheck, LeakChecked, LeakPlace } from '../job/leak'
import { type Chances, ranked } from './chances'
import { CHECKS, HOLD_TELLS, hitRate, likelihood } from './checks'
import { PLACES, PORTS } from './places'

/** What can be done at the car now, and what was made already. */
export type Bench = {
  /** shut in under vacuum, nothing opened since */
  vacuum: boolean
  /** and it holds: letting something in costs a pull that a leaking car has lost anyway */
  holds: boolean
  /** nitrogen or a part charge is in */
  pressure: boolean
  charge: boolean
  /** the hoses were in the hold that leaked: then they may be what leaks */
  hosesIn: boolean
  made: readonly LeakChecked[]
}

/**
 * A check with what it is good for: what it adds to the chance of naming the place rightly, how often the leak shows
 * itself to it, 0 to 1 both, and the minutes it takes. The one that adds most a minute is next.
 */
export type Proposal = {
  check: LeakCheck
  at?: LeakPlace
  found: number
  shows: number
  minutes: number
  soaps?: readonly LeakPlace[]
}

/** Soap goes to so many places at most while nitrogen is in. */
const MOST_SOAPED = 8
/** What it costs to let nitrogen into a vacuum that stands: it has to be pulled again, min (assumed). */
const VACUUM_LOST_MIN = 20
/** A sniffer goes round twice at most. */
const MOST_ROUNDS = 2

const places = (chances: Chances): LeakPlace[] => [...chances.keys()]

/** Every answer a check may give. */
function answersOf(check: LeakCheck, all: readonly LeakPlace[], at?: LeakPlace): LeakChecked[] {
  switch (check) {
    case 'look':
    case 'sniffer':
      return [null, ...all].map((place) => (check === 'look' ? { check, at: place } : { check, at: place }))
    case 'soap':
      return at ? [true, false].map((bubbles) => ({ check, at, bubbles })) : []
    case 'couplers':
      return (['low-worse', 'high-worse', 'same', 'on-worse'] as const).map((says) => ({ check, says }))
    case 'hoses':
      return (['rose', 'still'] as const).map((says) => ({ check, says }))
    case 'nitrogen':
    case 'weigh':
      // neither says where
      return []
    default: {
      const unknown: never = check
      return unknown
    }
  }
}

/**
 * What a check is expected to add to the chance of naming the place rightly: how much likelier, over all its answers, a
 * place drawn by the chances after it is the right one than one drawn by those before.
 */
export function chanceToFind(chances: Chances, check: LeakCheck, gramsPerYear: number, at?: LeakPlace): number {
  const right = (some: Chances) => [...some.values()].reduce((sum, chance) => sum + chance ** 2, 0)
  const after = answersOf(check, places(chances), at).reduce((sum, seen) => {
    const joint = [...chances].map(([place, chance]) => chance * likelihood(seen, place, chances.size, gramsPerYear))
    const answer = joint.reduce((a, b) => a + b, 0)
    return answer > 0 ? sum + joint.reduce((a, b) => a + b ** 2, 0) / answer : sum
  }, 0)
  return Math.max(0, after - right(chances))
}

/** How often the leak shows itself to a check, wherever it may be. */
function chanceToShow(chances: Chances, check: LeakCheck, gramsPerYear: number, at?: LeakPlace): number {
  return [...chances].reduce((sum, [place, chance]) => sum + chance * showsAt(check, place, gramsPerYear, at), 0)
}

function showsAt(check: LeakCheck, place: LeakPlace, gramsPerYear: number, at: LeakPlace | undefined): number {
  if (check === 'look' || check === 'sniffer') return hitRate(check, place, gramsPerYear)
  if (check === 'soap') return place === at ? hitRate(check, place, gramsPerYear) : 0
  const apart = place === 'rig' || (check === 'couplers' && PORTS.includes(place))
  return (check === 'hoses' || check === 'couplers') && apart ? HOLD_TELLS : 0
}

/** Checks worth making now, the one with the most chance found per minute first. */
export function proposals(chances: Chances, bench: Bench, gramsPerYear: number): Proposal[] {
  const made = (check: LeakCheck) => bench.made.filter((m) => m.check === check).length
  const soaps = bench.made.flatMap((m) => (m.check === 'soap' ? [m] : []))
  // what bubbled is wiped and soaped once more; what did not is done
  const soaped = (place: LeakPlace) =>
    soaps.some((s) => s.at === place && !s.bubbles) || soaps.filter((s) => s.at === place).length > 1
  const plain = (check: LeakCheck): Proposal => ({
    check,
    minutes: CHECKS[check].minutes,
    found: chanceToFind(chances, check, gramsPerYear),
    shows: chanceToShow(chances, check, gramsPerYear),
  })
  const offers = ranked(chances)
    .filter(({ place }) => PLACES[place].reach !== 'inside' && !soaped(place))
    .slice(0, MOST_SOAPED)
    .map(({ place }) => ({
      check: 'soap' as const,
      at: place,
      minutes: CHECKS.soap.minutes,
      found: chanceToFind(chances, 'soap', gramsPerYear, place),
      shows: chanceToShow(chances, 'soap', gramsPerYear, place),
    }))
  const offered: Proposal[] = [
    ...(made('look') === 0 ? [plain('look')] : []),
    ...(bench.vacuum && made('couplers') === 0 ? [plain('couplers')] : []),
    ...(bench.hosesIn && made('hoses') === 0 ? [plain('hoses')] : []),
    ...(bench.pressure ? offers : nitrogen(chances, offers, bench.vacuum && bench.holds ? VACUUM_LOST_MIN : 0)),
    // no refrigerant is let out through a leak that nitrogen could have shown
    ...(made('soap') + made('nitrogen') > 0 && made('sniffer') < MOST_ROUNDS ? [plain('sniffer')] : []),
  ]
  return offered.filter(({ found }) => found > 0).sort((a, b) => b.found / b.minutes - a.found / a.minutes)
}

/** Nitrogen finds nothing by itself: it is worth what soap finds while it is in, on as many places as are worth it. */
function nitrogen(chances: Chances, soaps: readonly Proposal[], lostMin: number): Proposal[] {
  const before = [...chances.values()].reduce((sum, chance) => sum + chance ** 2, 0)
  const best = soaps
    .map((_s, i) => soaps.slice(0, i + 1))
    .map((some) => {
      const shows = some.reduce((sum, s) => sum + s.shows, 0)
      // what bubbles nowhere leaves each soaped place what its soap misses
      const left = [...chances].map(([place, chance]) => chance - (some.find((s) => s.at === place)?.shows ?? 0))
      const leftRight = left.reduce((sum, chance) => sum + chance ** 2, 0) / Math.max(1e-9, 1 - shows)
      return {
        check: 'nitrogen' as const,
        minutes: CHECKS.nitrogen.minutes + lostMin + CHECKS.soap.minutes * some.length,
        found: Math.max(0, shows + leftRight - before),
        shows,
        soaps: some.flatMap((s) => (s.at ? [s.at] : [])),
      }
    })
    .sort((a, b) => b.found / b.minutes - a.found / a.minutes)[0]
  return best ? [best] : []
}
