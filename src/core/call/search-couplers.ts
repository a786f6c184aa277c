import { currentHold, type JobState } from '../job/state'
import { offSince, type SearchView } from '../leak/search-view'
import { OVER, saw, TAP } from './search-deeds'
import { type Call, type CallButton, type Live, record, sayOf, set } from './types'

/** The couplers have to be off so long before the gauge says something of the cores, ms (assumed). */
const OFF_MS = 15 * 60_000

const BOARD: CallButton = { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } }

/** Couplers are off: the gauge at the car shows whether it rises more without them. */
export function callCouplersOff(state: JobState, view: SearchView, live: Live): Call {
  const say = sayOf(live)
  const since = offSince(state) ?? live.nowMs
  const dueMs = since + OFF_MS
  const over = live.nowMs >= dueMs
  const before = currentHold(state)?.ended?.risePaS
  const says = (label: string, key: string, what: 'off-worse' | 'same' | 'on-worse'): CallButton => ({
    label,
    key,
    does: record(saw({ check: 'couplers', says: what })),
  })
  const now = live.fallPaS
  const told =
    before === null || before === undefined ? '' : `; with the couplers on it was ${say.rate(Math.max(0, before))}`
  return {
    sentence: over ? 'Does it rise more without them?' : 'Leave them off. Look at',
    ...(!over && {
      figure: { text: live.clock(dueMs), caption: `in ${Math.max(1, Math.round((dueMs - live.nowMs) / 60_000))} min` },
    }),
    why: [
      ...(now === undefined
        ? ['Type what the gauge shows, twice, minutes apart.']
        : [`It rises by ${say.rate(now)} now${told}.`]),
      'More without them: a core, which its coupler sealed. The same: neither core nor coupler. Less: a coupler, or our own hoses.',
    ],
    watch: ['A gauge on the manifold sees nothing of the car meanwhile: put them back on after the time, and compare.'],
    action: over ? says('More', 'M', 'off-worse') : BOARD,
    plain: [
      ...(over ? [] : [says('More', 'M', 'off-worse')]),
      says('The same', 'S', 'same'),
      says('Less', 'L', 'on-worse'),
    ],
    after: view.search.seen.length === 0 ? TAP : 'Then the next check.',
  }
}

/** Both are off and it rises more: one goes back on, and what the gauge does says which core it is. */
export function callWhichPort(live: Live): Call {
  const now = live.fallPaS
  return {
    sentence: 'Low coupler back on, and watch it.',
    why: [
      ...(now === undefined ? [] : [`It rises by ${sayOf(live).rate(now)} now.`]),
      'Pushed on it seals the low core. Five to ten minutes tell: it rises on, or it stops.',
    ],
    watch: ['Its valve shut: nothing is let in.'],
    action: {
      label: 'It stopped: the low core',
      key: 'L',
      does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'low-worse' })),
    },
    plain: [
      {
        label: 'It rises on: the high core',
        key: 'H',
        does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'high-worse' })),
      },
      OVER,
    ],
    after: 'The other core is the one then.',
  }
}
