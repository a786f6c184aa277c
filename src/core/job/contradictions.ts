import { canonicalJson } from '../entry/canonical'
import type { EventDraft, JobEvent } from './events'

/**
 * What a deed is about: two deeds about the same thing, done without knowing of each other, contradict; others merely
 * happened beside.
 */
function subjectsOf({ kind, payload }: Pick<EventDraft, 'kind' | 'payload'> & EventDraft): string[] {
  switch (kind) {
    case 'part-set':
      return [`part ${payload.part}`]
    case 'leave-tapped':
      return [`leave ${payload.item}`]
    case 'alarm-answered':
      return [`alarm ${payload.alarm}`]
    case 'step-finished':
      return ['step']
    case 'isolated':
    case 'hold-ended':
    case 'hold-shortened':
      return ['hold']
    case 'hold-skipped':
    case 'hold-decided':
    case 'turned-back':
      return ['hold', 'step']
    case 'zero-read':
    case 'recovered':
    case 'zero-explained':
      return ['zero']
    case 'charge-planned':
    case 'container-started':
    case 'container-ended':
    case 'cans-planned':
    case 'can-emptied':
      return ['charge']
    case 'parked':
    case 'taken-up':
    case 'closed':
    case 'reopened':
      return ['step', 'rest']
    case 'search-begun':
    case 'nitrogen-in':
    case 'nitrogen-out':
    case 'leak-found':
    case 'search-ended':
      return ['search']
    case 'hoses-shut':
    case 'hoses-held':
      return ['hoses']
    case 'charge-nodded':
    case 'car-given':
    case 'leak-accepted':
    case 'label-set':
    case 'fix-logged':
    case 'priors-set':
    case 'container-warmed':
    case 'before-read':
    case 'rest-read':
    case 'maker-bands-set':
    case 'nitrogen-swept':
    case 'pump-oil':
    case 'signed':
      return [kind]
    case 'deed-chosen':
      return [`aside ${payload.eventId}`]
    case 'corrected':
      return [`corrected ${payload.eventId}`]
    // what several people may say beside each other: only the very same twice is one too many
    case 'looked-at':
    case 'leak-checked':
    case 'part-charge':
    case 'noted':
    case 'car-told':
    case 'rig-taken':
    case 'proof-read':
      return [`${kind} ${canonicalJson(payload)}`]
    // said by the server, or beside a deed that speaks for itself
    case 'job-opened':
    case 'caution-passed':
    case 'bench-set':
    case 'hold-lengthened':
    case 'instrument-hung':
    case 'instrument-off':
    case 'pictured':
    case 'clock-set-back':
    case 'set-aside':
      return []
    default: {
      const unknown: never = kind
      return unknown
    }
  }
}

/**
 * What happened while a hand did not know of it, and is about the same thing as its deed; null when nothing did.
 * @param unseen - events stored since the hand last saw the job, in order
 */
export function contradictionOf(unseen: readonly JobEvent[], draft: EventDraft): JobEvent | null {
  const about = subjectsOf(draft)
  return unseen.find((event) => subjectsOf(event).some((subject) => about.includes(subject))) ?? null
}
