import type { LeakChecked, LeakPlace } from '../job/leak'
import { couplerOf, sidesOf, valveOf } from '../job/sides'
import type { JobState } from '../job/state'
import { W } from '../language/call/search-deeds'
import { PLACES } from '../leak/places'
import { type Call, type CallButton, type Deed, record, set } from './types'

/** A check that was made, as a deed. */
export const saw = (seen: LeakChecked): Deed => ({ kind: 'leak-checked', payload: seen })
/** A chance as people say it. */
export const percent = (chance: number): string => W.of100(Math.round(100 * chance))

/** What a check asks for; why it is next is said beside. */
export type Asked = Omit<Call, 'why'>
export const TAP = W.orTapThePlaceOn

/** Below this a check is not worth its minutes: the search has ended without a place (assumed). */
export const WORTH_SHOWN = 0.02

/** The search is given up, with its reason. */
export const OVER: CallButton = { label: W.endTheSearch, key: 'E', does: { do: 'way', at: 'search' } }

/** Hoses that hang off the car go on before nitrogen comes: valves shut first, couplers on, then open. */
export function hosesOn({ opened, rig }: Pick<JobState, 'opened' | 'rig'>): Deed[] {
  const off = sidesOf(opened.rig).filter((side) => rig[couplerOf(side)] !== 'open')
  if (off.length === 0) return []
  const open = (['low', 'high'] as const).filter((side) => rig[valveOf(side)] === 'open')
  return [
    ...open.map((side) => set(valveOf(side), 'closed')),
    ...off.flatMap((side) => [
      ...(rig[couplerOf(side)] === 'off' ? [set(couplerOf(side), 'on')] : []),
      set(couplerOf(side), 'open'),
    ]),
  ]
}

/** Soap on one place: it bubbles, or not. */
export const soapOn = (at: LeakPlace): Asked => ({
  sentence: W.soapOn(PLACES[at].name),
  watch: [],
  action: { label: W.noBubbles, key: 'N', does: record(saw({ check: 'soap', at, bubbles: false })) },
  plain: [{ label: W.itBubbles, key: 'B', does: record(saw({ check: 'soap', at, bubbles: true })) }],
  after: TAP,
})
