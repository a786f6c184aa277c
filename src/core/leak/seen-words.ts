import type { LeakChecked } from '../job/leak'
import { lengthWords } from '../units/duration'
import { PLACES } from './places'

const COUPLERS = {
  'off-worse': 'it rose more: a core',
  'low-worse': 'it rose more at the low port: its core',
  'high-worse': 'it rose more at the high port: its core',
  same: 'it rose the same',
  'on-worse': 'it rose less: a coupler, or the hoses',
} as const
const NITROGEN = { falls: 'it falls', stands: 'it stands', undecided: 'not to be told' } as const

/** A check and what it showed, as trail and record say it. */
export function seenWords(seen: LeakChecked): string {
  const note = seen.note ? `; ${seen.note}` : ''
  switch (seen.check) {
    case 'look':
      return `Looked for oil and dye: ${seen.at ? PLACES[seen.at].name : 'nothing seen'}${note}`
    case 'sniffer':
      return `Sniffer: ${seen.at ? PLACES[seen.at].name : 'nothing found'}${note}`
    case 'soap':
      return `Soap on ${PLACES[seen.at].name}: ${seen.bubbles ? 'it bubbles' : 'no bubbles'}${note}`
    case 'couplers':
      return `Held with the couplers off: ${COUPLERS[seen.says]}${note}`
    case 'hoses':
      return `Hoses alone: ${seen.says === 'rose' ? 'they rose' : 'they stood still'}${note}`
    case 'nitrogen':
      return `Pressure test, ${lengthWords(60 * seen.minutes)}: ${NITROGEN[seen.says]}${note}`
    case 'weigh':
      return `Weighed again: ${seen.says === 'lost' ? 'it lost' : 'it kept its weight'}${note}`
    default: {
      const unknown: never = seen
      return unknown
    }
  }
}
