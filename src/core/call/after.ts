import { LEAVE_ITEMS } from '../procedure/events'
import type { JobState, LeaveItem } from '../procedure/state'
import { type Call, finish, record } from './types'

export function callProve(state: JobState): Call {
  if (!state.proof) {
    return {
      sentence: 'Read both sides and the vent.',
      why: ['After five to ten minutes, at idle and at 1,500 rpm, cooling at maximum.', 'The weight decides. Two needles only cross-check it; the maker’s chart comes first.'],
      form: 'proof',
      watch: ['Hoses and sleeves clear of the fan.', 'Engine exhaust led out, brake on, out of gear.'],
      action: { label: 'It is read', key: 'R', does: { do: 'send', form: 'proof' } },
      plain: [],
      after: 'Then leave the car as it should be.',
    }
  }
  return {
    sentence: 'Proved. Leave it in order.',
    why: ['The readings are in the record beside the typical bands.'],
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
      action: { label: words.done, key: 'D', does: record({ kind: 'leave-tapped', payload: { item: next, done: true } }) },
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
