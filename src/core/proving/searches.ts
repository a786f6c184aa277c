import type { LeakCheck, LeakChecked, LeakPlace } from '../job/leak'
import { type Chances, chancesAfter, chancesBefore, namedPlace } from '../leak/chances'
import { CHECKS } from '../leak/checks'
import { clueOfHold } from '../leak/clues'
import { type Bench, proposals } from '../leak/next-check'
import { PLACES, PORTS, type Reach } from '../leak/places'
import { normalPair, seededRandom } from '../units/seeded'

/**
 * A leak of known place, with what a hand, a bubble and a sniffer make of it. None of this is drawn from the search's
 * own rates: a trace of oil grows with what was lost, a bubble and a sniffer have thresholds, each place is seen well
 * or badly all along, and where leaks sit is another mixture than the one the search begins with.
 */
export type Planted = {
  place: LeakPlace
  gramsPerYear: number
  oilSeen: boolean
  bubbles: boolean
  sniffed: (round: number) => boolean
  /** it opens under pressure only, or sits at a core under its coupler: the hold was tight */
  holdTight: boolean
  /** where old oil, foam or drifting gas mislead, if anywhere */
  oldOil: LeakPlace | null
  foamAt: LeakPlace | null
  drift: LeakPlace | null
}

const REACHED: Record<'oil' | 'soap' | 'sniff', Record<Reach, number>> = {
  oil: { open: 0.55, behind: 0.4, inside: 0.02 },
  soap: { open: 0.95, behind: 0.5, inside: 0 },
  sniff: { open: 0.9, behind: 0.8, inside: 0.6 },
}
const LEAST_G = 20
const MOST_G = 5000
/** Grams a year at which half show: lognormal, with its spread; oil is seen by what it left behind. */
const OIL = { g: 90, spread: 0.9 }
const BUBBLE = { g: 35, spread: 0.8 }
const SNIFF = { g: 7, spread: 0.7 }
const OLD_OIL = 0.18
const FOAM = 0.08
const DRIFT = 0.1
const PRESSURE_ONLY = 0.08
/** How far the real shares of places lie from the assumed ones, lognormal. */
const OTHERWISE = 0.6

/** A leak of a seed among these places. */
export function plant(seed: number, places: readonly LeakPlace[]): Planted {
  const random = seededRandom(seed * 104_729 + 7)
  for (let i = 0; i < 5; i++) random()
  const normal = () => normalPair(random)[0]
  const pick = (among: readonly LeakPlace[]) => among[Math.floor(random() * among.length)] as LeakPlace
  const weights = places.map((p) => PLACES[p].weight * Math.exp(OTHERWISE * normal()))
  const ends = weights.map((_w, i) => weights.slice(0, i + 1).reduce((a, b) => a + b, 0))
  const at = random() * (ends[ends.length - 1] ?? 0)
  const place = places[ends.findIndex((end) => at <= end)] ?? (places[0] as LeakPlace)
  const gramsPerYear = LEAST_G * (MOST_G / LEAST_G) ** random()
  const { reach } = PLACES[place]
  const shows = ({ g, spread }: typeof OIL) => gramsPerYear > g * Math.exp(spread * normal())
  const rig = place === 'rig'
  const sniffs = [0, 1].map(() => !rig && shows(SNIFF) && random() < REACHED.sniff[reach])
  const visible = places.filter((p) => PLACES[p].reach !== 'inside' && p !== 'rig' && p !== place)
  const port = PORTS.includes(place)
  return {
    place,
    gramsPerYear,
    oilSeen: !rig && shows(OIL) && random() < REACHED.oil[reach],
    bubbles: shows(BUBBLE) && random() < REACHED.soap[reach],
    sniffed: (round) => sniffs[round] ?? false,
    holdTight: port || (!rig && random() < PRESSURE_ONLY),
    oldOil: random() < OLD_OIL ? pick(visible) : null,
    foamAt: random() < FOAM ? pick(visible) : null,
    drift: random() < DRIFT ? pick(visible) : null,
  }
}

/** What a check shows of a planted leak. */
function shown(leak: Planted, check: LeakCheck, at: LeakPlace | undefined, round: number): LeakChecked {
  switch (check) {
    case 'look':
      return { check, at: leak.oilSeen ? leak.place : leak.oldOil }
    case 'sniffer':
      return { check, at: leak.sniffed(round) ? leak.place : round === 0 ? leak.drift : null }
    case 'soap':
      return { check, at: at as LeakPlace, bubbles: bubblesAt(leak, at as LeakPlace) }
    case 'couplers': {
      const says = { 'port-low': 'low-worse', 'port-high': 'high-worse', rig: 'on-worse' } as const
      return { check, says: leak.place in says ? says[leak.place as 'rig'] : 'same' }
    }
    case 'hoses':
      return { check, says: leak.place === 'rig' ? 'rose' : 'still' }
    case 'nitrogen':
      return {
        check,
        says: leak.place === 'rig' ? 'stands' : 'falls',
        gramsPerYear: null,
        showsGramsPerYear: null,
        minutes: 15,
      }
    case 'weigh':
      return { check, says: 'lost' }
    default: {
      const unknown: never = check
      return unknown
    }
  }
}

export type Searched = { minutes: number; named: LeakPlace | null }

/** A search is given up when nothing worth doing is left, or after so long, min. */
const GIVEN_UP_MIN = 240

/** Follows what the search says, until a place is named or nothing is left to do. */
export function follow(leak: Planted, places: readonly LeakPlace[]): Searched {
  let chances = begun(leak, places)
  const made: LeakChecked[] = []
  let minutes = 0
  let [pressure, opened] = [false, false]
  while (minutes < GIVEN_UP_MIN) {
    const named = namedPlace(chances)
    if (named) return { minutes, named: named.place }
    const bench: Bench = {
      vacuum: !opened,
      holds: leak.holdTight,
      pressure,
      charge: false,
      hosesIn: !leak.holdTight,
      made,
    }
    const [next] = proposals(chances, bench, leak.gramsPerYear)
    if (!next) break
    minutes += next.check === 'nitrogen' ? CHECKS.nitrogen.minutes : next.minutes
    const seen = shown(leak, next.check, next.at, made.filter((m) => m.check === next.check).length)
    made.push(seen)
    // what is in stays in for the soap
    pressure ||= next.check === 'nitrogen' || next.check === 'sniffer'
    opened ||= pressure
    chances = chancesAfter(chances, seen, leak.gramsPerYear)
  }
  return { minutes, named: null }
}

/**
 * The fixed order: look, cores, nitrogen with soap all along the circuit, then everything with a sniffer. It believes
 * what it sees as the search does, and stops when a place is as sure.
 */
export function fixedOrder(leak: Planted, places: readonly LeakPlace[]): Searched {
  const soaped = places.filter((p) => PLACES[p].reach !== 'inside')
  const order: [check: LeakCheck, at?: LeakPlace][] = [
    ['look'],
    ['couplers'],
    ['nitrogen'],
    // what bubbles is wiped and soaped once more
    ...soaped.flatMap((at): [LeakCheck, LeakPlace][] => [
      ['soap', at],
      ...(bubblesAt(leak, at) ? [['soap', at] as [LeakCheck, LeakPlace]] : []),
    ]),
    ['sniffer'],
    ['sniffer'],
  ]
  let chances = begun(leak, places)
  let minutes = 0
  for (const [i, [check, at]] of order.entries()) {
    const round = order.slice(0, i).filter(([c]) => c === check).length
    minutes += CHECKS[check].minutes
    chances = chancesAfter(chances, shown(leak, check, at, round), leak.gramsPerYear)
    const named = namedPlace(chances)
    if (named) return { minutes, named: named.place }
  }
  return { minutes, named: null }
}

const bubblesAt = (leak: Planted, at: LeakPlace): boolean => (at === leak.place ? leak.bubbles : at === leak.foamAt)

const begun = (leak: Planted, places: readonly LeakPlace[]): Chances =>
  chancesBefore(places, {}, [clueOfHold(leak.holdTight ? 'tight' : 'leak', true)])
