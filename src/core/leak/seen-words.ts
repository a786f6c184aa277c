import type { LeakChecked } from '../job/leak'
import { W } from '../language/leak/seen-words'
import { lengthWords } from '../units/duration'
import { PLACES } from './places'

const COUPLERS = {
  'off-worse': W.itRoseMoreACore,
  'low-worse': W.itRoseMoreAtThe,
  'high-worse': W.itRoseMoreAtTheHigh,
  same: W.itRoseTheSame,
  'on-worse': W.itRoseLessACoupler,
} as const
const NITROGEN = { falls: W.itFalls, stands: W.itStands, undecided: W.notToBeTold } as const

/** A check and what it showed, as trail and record say it. */
export function seenWords(seen: LeakChecked): string {
  const note = seen.note ? `; ${seen.note}` : ''
  switch (seen.check) {
    case 'look':
      return W.lookedForOilAndDye(seen.at ? PLACES[seen.at].name : W.nothingSeen, note)
    case 'sniffer':
      return W.sniffer(seen.at ? PLACES[seen.at].name : W.nothingFound, note)
    case 'soap':
      return W.soapOn(PLACES[seen.at].name, seen.bubbles ? W.itBubbles : W.noBubbles, note)
    case 'couplers':
      return W.heldWithTheCouplersOff(COUPLERS[seen.says], note)
    case 'hoses':
      return W.hosesAlone(seen.says === 'rose' ? W.theyRose : W.theyStoodStill, note)
    case 'nitrogen':
      return W.pressureTest(lengthWords(60 * seen.minutes), NITROGEN[seen.says], note)
    case 'weigh':
      return W.weighedAgain(seen.says === 'lost' ? W.itLost : W.itKeptItsWeight, note)
    default: {
      const unknown: never = seen
      return unknown
    }
  }
}
