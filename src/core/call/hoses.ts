import { stageNow } from '../job/stage-now'
import type { JobState } from '../job/state'
import { W } from '../language/call/hoses'
import { MINUTE_MS } from '../units/constants'
import { type Call, type CallButton, type Live, record, set } from './types'

/** The hoses alone are held first, where the procedure says so; null where it does not, or they stood still. */
export function callHoses(state: JobState, live: Live): Call | null {
  const stage = stageNow(state)
  if (stage?.kind !== 'hoses' || state.step !== 'rig') return null
  const { rig, hosesShutAt, hosesHeld } = state
  const base = { watch: [W.couplersClosedOnNothingYet], plain: [] }
  if (hosesShutAt !== undefined) return callHeld(state, stage.minutes, hosesShutAt, live)
  if (rig.pump !== 'on')
    return {
      ...base,
      sentence: hosesHeld?.moved ? W.holdTheHosesOnceMore : W.firstTheHosesAlone,
      why: [...(hosesHeld?.moved ? [W.theyRoseSealsRenewedFittings] : []), W.aLeakingHoseInA],
      action: {
        label: W.itPullsOnTheHoses,
        key: 'P',
        does: record(
          set('centre-hose', 'pump'),
          set('exhaust-cap', 'off'),
          set('pump', 'on'),
          set('valve-low', 'open'),
          set('valve-high', 'open'),
        ),
      },
      after: W.aMinuteOrTwoIs,
    }
  return {
    ...base,
    sentence: W.shutThemIn,
    why: [W.bothValvesShutThenThe],
    action: {
      label: W.shutPumpOff,
      key: 'S',
      does: record(set('valve-low', 'closed'), set('valve-high', 'closed'), set('pump', 'off'), {
        kind: 'hoses-shut',
        payload: {},
      }),
    },
    after: W.thenMin(stage.minutes),
  }
}

function callHeld(state: JobState, minutes: number, shutAt: string, live: Live): Call {
  const endMs = Date.parse(shutAt) + minutes * MINUTE_MS
  const over = live.nowMs >= endMs
  const held = Math.max(0, (live.nowMs - Date.parse(shutAt)) / MINUTE_MS)
  const says = (label: string, key: string, moved: boolean): CallButton => ({
    label,
    key,
    does: record({ kind: 'hoses-held', payload: { minutes: held, moved } }),
  })
  const needle = state.opened.rig.gauge === 'needle'
  return {
    sentence: over ? W.didTheyRise : W.leaveThemLookAgainAt,
    ...(!over && { figure: { text: live.clock(endMs), caption: W.minTheHosesAlone(minutes) } }),
    why: [needle ? W.aNeedleThatMovesAt : W.aLittleRisesByThe],
    watch: [],
    action: over
      ? says(W.theyStoodStill, 'S', false)
      : { label: W.toTheBoard, key: 'G', does: { do: 'go', to: 'board' } },
    plain: [says(W.theyRose, 'R', true), ...(over ? [] : [says(W.stillEnough, 'S', false)])],
    after: W.thenTheCouplersOnThe,
  }
}
