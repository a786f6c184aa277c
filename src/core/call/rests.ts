import { expectedLater } from '../hold/expected-later'
import { CLOSED_LINES } from '../job/doing'
import type { JobState } from '../job/state'
import { W } from '../language/call/rests'
import { DAY_MS } from '../units/constants'
import { type Call, type Live, record, sayOf } from './types'

/** A car that was left standing under its vacuum: until when, what the gauge should show then, and the way back in. */
export function callParked(state: JobState, parked: NonNullable<JobState['parked']>, live: Live): Call {
  const say = sayOf(live)
  const back = parked.comeBackAt === undefined ? null : Date.parse(parked.comeBackAt)
  const over = back !== null && live.nowMs >= back
  const expected = expectedLater(state, live, say)
  return {
    sentence: back === null ? W.leftUnderVacuum : over ? W.itsTimeIsOverTake : W.leftUnderVacuumComeBack,
    ...(back !== null && !over && { figure: { text: live.clock(back), caption: dayOf(back, live.nowMs) } }),
    why: [
      W.by(parked.why, parked.by),
      parked.couplers === 'off' ? W.theCouplersAreOffClosed : W.theCouplersAreOnHoses,
      ...expected,
    ],
    watch: [W.nobodyStartsThisEngineThere],
    action: { label: W.takeItUpAgain, key: 'T', does: record({ kind: 'taken-up', payload: {} }) },
    plain: [{ label: W.board, key: 'G', does: { do: 'go', to: 'board' } }],
    after: parked.couplers === 'off' ? W.thenTheCouplersOnAgain : W.thenReadIt,
  }
}

function dayOf(atMs: number, nowMs: number): string {
  const hours = Math.max(1, Math.round((atMs - nowMs) / 3600_000))
  return atMs - nowMs < DAY_MS ? W.inH(hours) : W.inDays(Math.round(hours / 24))
}

/** A job that ended before its last step: kept and signed as what it is, or opened again. */
export function callClosed(closed: NonNullable<JobState['closed']>): Call {
  const line = CLOSED_LINES[closed.as]
  return {
    sentence: `${line.charAt(0).toUpperCase()}${line.slice(1)}.`,
    why: [W.by(closed.why, closed.by), W.everythingUpToHereIs],
    form: 'sign',
    watch: [],
    action: { label: W.signItAsItIs, key: 'S', does: { do: 'send', form: 'sign' } },
    plain: [
      {
        label: W.openItAgain,
        key: 'O',
        does: { do: 'wait' },
        ask: {
          question: W.whyIsItOpenedAgain,
          kind: 'reopened',
          judge: false,
          stay: W.leaveItClosed,
          go: W.openItAgain,
          price: W.itStandsOnTheBoard,
        },
      },
    ],
  }
}
