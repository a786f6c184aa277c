import { certificateWords } from '../job/certificate'
import { searchNow } from '../job/search'
import type { JobState } from '../job/state'
import { W } from '../language/call/call'
import { searchView } from '../leak/search-view'
import { callLeave, callProve } from './after'
import { callFix, callZero } from './before'
import { callCharge } from './charge'
import { callHold } from './hold'
import { callClosed, callParked } from './rests'
import { awaitsCouplers, callRig } from './rig'
import { callSearch } from './search'
import type { Call, Live } from './types'
import { callIsolate, callPull } from './vacuum'

/** The call for a job as it stands: which sentence, why, and where the hand goes next. Pure. */
export function callFor(state: JobState, live: Live): Call {
  if (state.signed) {
    return {
      sentence: W.signedTheCarCanGo,
      why: [W.by(state.signed.by, certificateWords(state.signed.certificate)), W.changesFromHereOnAre],
      watch: [],
      action: { label: W.openTheRecord, key: 'O', does: { do: 'go', to: 'record' } },
      plain: [{ label: W.board, key: 'G', does: { do: 'go', to: 'board' } }],
    }
  }
  if (state.closed) return callClosed(state.closed)
  if (state.parked) return callParked(state, state.parked, live)
  switch (state.step) {
    case 'take-in':
    case 'zero':
      return callZero(state, live)
    case 'fix':
      return callFixOrSearch(state, live)
    case 'rig':
      return callRig(state, live)
    case 'pull':
      return callPull(state, live)
    case 'isolate':
      return callIsolate(state)
    case 'hold':
      return awaitsCouplers(state) ? callRig(state, live) : callHold(state, live)
    case 'charge':
      return callCharge(state, live)
    case 'prove':
      return callProve(state, live)
    case 'leave':
      return callLeave(state)
    default: {
      const unknown: never = state.step
      return unknown
    }
  }
}

function callFixOrSearch(state: JobState, live: Live): Call {
  const view = searchNow(state) && searchView(state, live.learned)
  return view ? callSearch(state, view, live) : callFix(state)
}
