import { expectedLater } from '../hold/expected-later'
import type { JobState } from '../job/state'
import { CLOSED_LINES } from '../job/summary'
import { type Call, type Live, record, sayOf } from './types'

/** A car that was left standing under its vacuum: until when, what the gauge should show then, and the way back in. */
export function callParked(state: JobState, parked: NonNullable<JobState['parked']>, live: Live): Call {
  const say = sayOf(live)
  const back = parked.comeBackAt === undefined ? null : Date.parse(parked.comeBackAt)
  const over = back !== null && live.nowMs >= back
  const expected = expectedLater(state, live, say)
  return {
    sentence:
      back === null ? 'Left under vacuum.' : over ? 'Its time is over. Take it up.' : 'Left under vacuum. Come back at',
    ...(back !== null && !over && { figure: { text: live.clock(back), caption: dayOf(back, live.nowMs) } }),
    why: [
      `${parked.why}; by ${parked.by}.`,
      parked.couplers === 'off'
        ? 'The couplers are off, closed before: the caps hold too.'
        : 'The couplers are on: hoses are in this hold.',
      ...expected,
    ],
    watch: ['Nobody starts this engine: there is nothing in it that carries oil.'],
    action: { label: 'Take it up again', key: 'T', does: record({ kind: 'taken-up', payload: {} }) },
    plain: [{ label: 'Board', key: 'G', does: { do: 'go', to: 'board' } }],
    after: parked.couplers === 'off' ? 'Then the couplers on again, closed, and read it.' : 'Then read it.',
  }
}

const DAY_MS = 24 * 3600_000
function dayOf(atMs: number, nowMs: number): string {
  const hours = Math.max(1, Math.round((atMs - nowMs) / 3600_000))
  return atMs - nowMs < DAY_MS ? `in ${hours} h` : `in ${Math.round(hours / 24)} days`
}

/** A job that ended before its last step: kept and signed as what it is, or opened again. */
export function callClosed(closed: NonNullable<JobState['closed']>): Call {
  const line = CLOSED_LINES[closed.as]
  return {
    sentence: `${line.charAt(0).toUpperCase()}${line.slice(1)}.`,
    why: [
      `${closed.why}; by ${closed.by}.`,
      'Everything up to here is kept. Signed, the record says what was done and what was not.',
    ],
    form: 'sign',
    watch: [],
    action: { label: 'Sign it as it is', key: 'S', does: { do: 'send', form: 'sign' } },
    plain: [
      {
        label: 'Open it again',
        key: 'O',
        does: { do: 'wait' },
        ask: {
          question: 'Why is it opened again?',
          kind: 'reopened',
          judge: false,
          stay: 'Leave it closed',
          go: 'Open it again',
          price: 'It stands on the board again, where it was left.',
        },
      },
    ],
  }
}
