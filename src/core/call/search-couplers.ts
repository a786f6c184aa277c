import { currentHold, type JobState } from '../job/state'
import { W } from '../language/call/search-couplers'
import { offSince, type SearchView } from '../leak/search-view'
import { MINUTE_MS } from '../units/constants'
import { OVER, saw, TAP } from './search-deeds'
import { type Call, type CallButton, type Live, record, sayOf, set } from './types'

/** The couplers have to be off so long before the gauge says something of the cores, ms (assumed). */
const OFF_MS = 15 * 60_000

const BOARD: CallButton = { label: W.toTheBoard, key: 'G', does: { do: 'go', to: 'board' } }

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
  const told = before === null || before === undefined ? '' : W.withTheCouplersOnIt(say.rate(Math.max(0, before)))
  return {
    sentence: over ? W.doesItRiseMoreWithout : W.leaveThemOffLookAt,
    ...(!over && {
      figure: { text: live.clock(dueMs), caption: W.inMin(Math.max(1, Math.round((dueMs - live.nowMs) / MINUTE_MS))) },
    }),
    why: [
      ...(now === undefined ? [W.typeWhatTheGaugeShows] : [W.itRisesByNow(say.rate(now), told)]),
      W.moreWithoutThemACore,
    ],
    watch: [W.aGaugeOnTheManifold],
    action: over ? says(W.more, 'M', 'off-worse') : BOARD,
    plain: [
      ...(over ? [] : [says(W.more, 'M', 'off-worse')]),
      says(W.theSame, 'S', 'same'),
      says(W.less, 'L', 'on-worse'),
    ],
    after: view.search.seen.length === 0 ? TAP : W.thenTheNextCheck,
  }
}

/** Both are off and it rises more: one goes back on, and what the gauge does says which core it is. */
export function callWhichPort(live: Live): Call {
  const now = live.fallPaS
  return {
    sentence: W.lowCouplerBackOnAnd,
    why: [...(now === undefined ? [] : [W.itRisesByNow2(sayOf(live).rate(now))]), W.pushedOnItSealsThe],
    watch: [W.itsValveShutNothingIs],
    action: {
      label: W.itStoppedTheLowCore,
      key: 'L',
      does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'low-worse' })),
    },
    plain: [
      {
        label: W.itRisesOnTheHigh,
        key: 'H',
        does: record(set('coupler-low', 'on'), saw({ check: 'couplers', says: 'high-worse' })),
      },
      OVER,
    ],
    after: W.theOtherCoreIsThe,
  }
}
