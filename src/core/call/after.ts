import { LEAVE_ITEMS } from '../job/events'
import type { JobState, LeaveItem } from '../job/state'
import { bandsFor } from '../prove/bands'
import { diagnose } from '../prove/diagnose'
import { proofHistory } from '../prove/proof-history'
import { chanceWords } from '../units/chance'
import { type Call, finish, type Live, record, set } from './types'

/** The engine runs this long before a first reading says anything, minutes (practice: five to ten). */
const SETTLES_MIN = 5

export function callProve(state: JobState, live: Live): Call {
  const read = new Set(state.proofs.map((p) => p.engine ?? 'at-speed'))
  if (read.has('idle') && read.has('at-speed')) return callProved(state, live)
  const first = state.proofs.length === 0
  const speed = read.has('idle') ? 'at 1,500 rpm' : 'at idle'
  const waits = settlesMs(state)
  const early = first && waits !== null && live.nowMs < waits
  return {
    sentence: early
      ? 'Let it run. Read it from'
      : first
        ? `Read both sides and the vent, ${speed}.`
        : `Read it again ${speed}.`,
    ...(early && { figure: { text: live.clock(waits), caption: `${SETTLES_MIN} minutes after the engine went on` } }),
    why: [
      ...(state.rig.engine === 'off' ? ['Engine on, cooling at maximum, recirculation, air over the condenser.'] : []),
      ...(live.running ?? []),
      'The weight decides. Two needles only cross-check it; the maker’s chart comes first.',
    ],
    form: 'proof',
    watch: ['Hoses and sleeves clear of the fan.', 'Engine exhaust led out, brake on, out of gear.'],
    action:
      state.rig.engine === 'off' && first
        ? { label: 'Engine is on', key: 'E', does: record(set('engine', 'on')) }
        : { label: 'It is read', key: 'R', does: { do: 'send', form: 'proof' } },
    plain: first ? [] : [{ label: 'Enough, close it up', key: 'C', does: record(finish('prove')) }],
    after: first ? 'Then once more at 1,500 rpm.' : 'Then leave the car as it should be.',
  }
}

/** When a running engine has settled, ms of job time; null while it is off. */
function settlesMs({ rig, turnedAt }: JobState): number | null {
  return rig.engine === 'on' && turnedAt.engine ? Date.parse(turnedAt.engine) + SETTLES_MIN * 60_000 : null
}

function callProved(state: JobState, live: Live): Call {
  const [first] = diagnose(
    state.proofs.map((reading) => ({ reading, bands: bandsFor(state, reading) })),
    proofHistory(state, live.cycling),
  )
  const right = first === undefined || first.kind === 'as-it-should-be'
  return {
    sentence: right ? 'Proved. Leave it in order.' : 'Read, and not as it should be.',
    why: right
      ? ['The readings are in the record beside the bands they were held against.']
      : [
          `Likeliest, ${chanceWords(first.chance)}: ${first.sentence} ${first.next}`,
          'Never a certainty from two needles. The readings are in the record.',
        ],
    watch: [],
    action: { label: 'Close it up', key: 'C', does: record(finish('prove')) },
    plain: [],
  }
}

/** What the hands do for each item of the closing list, in its order. */
export const LEAVE_WORDS: Record<LeaveItem, { task: string; done: string }> = {
  'container-shut': { task: 'Shut the container, draw the line down', done: 'Container is shut' },
  'low-coupler-off': { task: 'Low coupler off while it runs', done: 'Low coupler is off' },
  'engine-off': { task: 'Engine off, let it rest', done: 'Engine is off' },
  'high-coupler-off': { task: 'High coupler off after the rest', done: 'High coupler is off' },
  'caps-on': { task: 'Caps on: the cap is the real seal', done: 'Both caps are on' },
  'pump-capped': { task: 'Pump capped, exhaust plug in, oil drained warm if due', done: 'Pump is capped' },
  'label-filled': { task: 'Label filled in under the hood', done: 'Label is filled in' },
}

export function callLeave(state: JobState): Call {
  const next = LEAVE_ITEMS.find((item) => !state.left.includes(item))
  if (next) {
    const words = LEAVE_WORDS[next]
    return {
      sentence: `${words.task}.`,
      why: [`${state.left.length} of ${LEAVE_ITEMS.length} done.`],
      watch: next === 'high-coupler-off' ? ['The high side needs its rest: it was at full pressure.'] : [],
      action: {
        label: words.done,
        key: 'D',
        does: record({ kind: 'leave-tapped', payload: { item: next, done: true } }),
      },
      plain: [],
    }
  }
  return {
    sentence: 'Sign the record.',
    why: ['Everything is logged. After the signature changes are corrections on top.'],
    form: 'sign',
    watch: [],
    action: { label: 'Sign', key: 'S', does: { do: 'send', form: 'sign' } },
    plain: [],
  }
}
