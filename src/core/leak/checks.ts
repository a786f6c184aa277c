import type { LeakCheck, LeakChecked, LeakPlace } from '../job/leak'
import { W } from '../language/leak/checks'
import { PLACES, type Reach } from './places'

/**
 * What a check is: what it takes, what it finds, and what it misses. Minutes are hands and waiting together
 * (assumed).
 */
type Facts = { name: string; minutes: number; needs: 'nothing' | 'vacuum' | 'pressure' | 'charge'; misses: string }

export const CHECKS: Record<LeakCheck, Facts> = {
  look: {
    name: W.lookForOilAndDye,
    minutes: 6,
    needs: 'nothing',
    misses: W.missesWhatSitsInsideThe,
  },
  couplers: {
    name: W.holdWithTheCouplersOff,
    minutes: 25,
    needs: 'vacuum',
    misses: W.tellsOfTheTwoCores,
  },
  hoses: {
    name: W.holdTheHosesAlone,
    minutes: 10,
    needs: 'nothing',
    misses: W.tellsOfTheHosesOnly,
  },
  nitrogen: {
    name: W.pressureTestWithDryNitrogen,
    minutes: 11,
    needs: 'nothing',
    misses: W.saysThatItLeaksNot,
  },
  soap: {
    name: W.soapOnOnePlace,
    minutes: 2,
    needs: 'pressure',
    misses: W.missesWhatABrushDoes,
  },
  sniffer: {
    name: W.snifferAfterAPartCharge,
    minutes: 25,
    needs: 'charge',
    misses: W.windCarriesItOffIt,
  },
  weigh: {
    name: W.chargeItWeighItAfter,
    minutes: 30,
    needs: 'charge',
    misses: W.saysOnlyThatItLeaks,
  },
}

/** How often a large leak shows itself to each check, by how well a hand gets there (assumed). */
export const HITS: Record<'look' | 'soap' | 'sniffer', Record<Reach, number>> = {
  look: { open: 0.45, behind: 0.35, inside: 0.03 },
  soap: { open: 0.92, behind: 0.55, inside: 0 },
  sniffer: { open: 0.85, behind: 0.75, inside: 0.6 },
}
/** A leak of so many grams a year shows itself half as often as a large one (assumed). */
export const HALF_AT_G: Record<keyof typeof HITS, number> = { look: 60, soap: 40, sniffer: 8 }
/** How fast that goes with size. */
const STEEP = 1.5
/** Old oil, foam, and drifting gas show at a place where nothing leaks, each place of each round (assumed). */
const FALSE: Record<keyof typeof HITS, number> = { look: 0.02, soap: 0.006, sniffer: 0.01 }
/** How surely a hold tells cores, couplers and hoses from the rest (assumed; a small leak takes a long hold). */
export const HOLD_TELLS = 0.92
const HOLD_FALSE = 0.03
/** Where a leak is, a pressure test of its planned soak shows it so often (assumed). */
const FALLS = 0.95
const FALLS_FALSE = 0.03
/** Seals that leak only while they turn are tight at rest (assumed). */
const SEAL_AT_REST = 0.6

/** How often a check of one of these kinds shows a leak of so many grams a year at a place. */
export function hitRate(check: keyof typeof HITS, place: LeakPlace, gramsPerYear: number): number {
  // nothing of the shop's hoses is oily, and no refrigerant is in them
  if (place === 'rig' && check !== 'soap') return 0
  const half = HALF_AT_G[check]
  return HITS[check][PLACES[place].reach] / (1 + (half / Math.max(1e-3, gramsPerYear)) ** STEEP)
}

/**
 * Chance of what a check showed, were the leak at a place.
 * @param places - how many places this car has
 * @param gramsPerYear - the leak that is looked for
 */
export function likelihood(seen: LeakChecked, place: LeakPlace, places: number, gramsPerYear: number): number {
  switch (seen.check) {
    case 'look':
    case 'sniffer': {
      const [hit, wrong] = [hitRate(seen.check, place, gramsPerYear), FALSE[seen.check]]
      if (seen.at === null) return Math.max(0.01, (1 - hit) * (1 - wrong * (places - 1)))
      return seen.at === place ? hit + wrong : wrong * (1 - hit)
    }
    case 'soap': {
      if (seen.at !== place) return seen.bubbles ? FALSE.soap : 1 - FALSE.soap
      const hit = hitRate('soap', place, gramsPerYear) + FALSE.soap
      return seen.bubbles ? hit : 1 - hit
    }
    case 'couplers':
      return couplersSay(seen.says, place)
    case 'hoses': {
      const rose = place === 'rig' ? HOLD_TELLS : HOLD_FALSE
      return seen.says === 'rose' ? rose : 1 - rose
    }
    case 'nitrogen': {
      if (seen.says === 'undecided') return 1
      const falls = place === 'rig' ? FALLS_FALSE : FALLS * (place === 'compressor-seal' ? SEAL_AT_REST : 1)
      return seen.says === 'falls' ? falls : 1 - falls
    }
    case 'weigh': {
      const lost = place === 'rig' ? FALLS_FALSE : FALLS
      return seen.says === 'lost' ? lost : 1 - lost
    }
    default: {
      const unknown: never = seen
      return unknown
    }
  }
}

/** The answer each place gives where the hold tells right. */
const COUPLERS_OWN: Partial<Record<LeakPlace, CouplersSaid>> = {
  'port-low': 'low-worse',
  'port-high': 'high-worse',
  rig: 'on-worse',
}
type CouplersSaid = Extract<LeakChecked, { check: 'couplers' }>['says']

function couplersSay(says: CouplersSaid, place: LeakPlace): number {
  // both are off and it rises more: either of them
  if (says === 'off-worse') return couplersSay('low-worse', place) + couplersSay('high-worse', place)
  const own = COUPLERS_OWN[place] ?? 'same'
  if (own === 'same') return says === 'same' ? 1 - 3 * HOLD_FALSE : HOLD_FALSE
  return says === own ? HOLD_TELLS : says === 'same' ? 1 - HOLD_TELLS - 2 * HOLD_FALSE : HOLD_FALSE
}
