import { stageNow } from '../job/stage-now'
import type { JobState } from '../job/state'
import { type Call, type CallButton, type Live, record, set } from './types'

/** The hoses alone are held first, where the procedure says so; null where it does not, or they stood still. */
export function callHoses(state: JobState, live: Live): Call | null {
  const stage = stageNow(state)
  if (stage?.kind !== 'hoses' || state.step !== 'rig') return null
  const { rig, hosesShutAt, hosesHeld } = state
  const base = { watch: ['Couplers closed, on nothing yet: their ends seal.'], plain: [] }
  if (hosesShutAt !== undefined) return callHeld(state, stage.minutes, hosesShutAt, live)
  if (rig.pump !== 'on')
    return {
      ...base,
      sentence: hosesHeld?.moved ? 'Hold the hoses once more.' : 'First the hoses alone.',
      why: [
        ...(hosesHeld?.moved ? ['They rose: seals renewed, fittings snugged?'] : []),
        'A leaking hose in a hold looks like a leaking car. Centre hose to the pump, exhaust cap off, pump on, both valves open.',
      ],
      action: {
        label: 'It pulls on the hoses',
        key: 'P',
        does: record(
          set('centre-hose', 'pump'),
          set('exhaust-cap', 'off'),
          set('pump', 'on'),
          set('valve-low', 'open'),
          set('valve-high', 'open'),
        ),
      },
      after: 'A minute or two is enough: there is nothing in them.',
    }
  return {
    ...base,
    sentence: 'Shut them in.',
    why: ['Both valves shut, then the pump off: what the gauge does now, the hoses do.'],
    action: {
      label: 'Shut, pump off',
      key: 'S',
      does: record(set('valve-low', 'closed'), set('valve-high', 'closed'), set('pump', 'off'), {
        kind: 'hoses-shut',
        payload: {},
      }),
    },
    after: `Then ${stage.minutes} min.`,
  }
}

function callHeld(state: JobState, minutes: number, shutAt: string, live: Live): Call {
  const endMs = Date.parse(shutAt) + minutes * 60_000
  const over = live.nowMs >= endMs
  const held = Math.max(0, (live.nowMs - Date.parse(shutAt)) / 60_000)
  const says = (label: string, key: string, moved: boolean): CallButton => ({
    label,
    key,
    does: record({ kind: 'hoses-held', payload: { minutes: held, moved } }),
  })
  const needle = state.opened.rig.gauge === 'needle'
  return {
    sentence: over ? 'Did they rise?' : 'Leave them. Look again at',
    ...(!over && { figure: { text: live.clock(endMs), caption: `${minutes} min, the hoses alone` } }),
    why: [
      needle
        ? 'A needle that moves at all is a hose that leaks.'
        : 'A little rises by the hoses’ own gas; what goes on straight is a leak.',
    ],
    watch: [],
    action: over
      ? says('They stood still', 'S', false)
      : { label: 'To the board', key: 'G', does: { do: 'go', to: 'board' } },
    plain: [says('They rose', 'R', true), ...(over ? [] : [says('Still, enough', 'S', false)])],
    after: 'Then the couplers on the car.',
  }
}
