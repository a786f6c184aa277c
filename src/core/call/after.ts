import { highIsSeen, leaveItemsOf } from '../job/sides'
import { proofPoints } from '../job/stage-now'
import type { JobState, LeaveItem } from '../job/state'
import { bandsFor } from '../prove/bands'
import { type Cause, diagnose } from '../prove/diagnose'
import { proofHistory } from '../prove/proof-history'
import { chanceWords } from '../units/chance'
import { turnDeeds } from './turns'
import { type Call, type CallButton, finish, type Live, record, sayOf, set } from './types'

/** The engine runs this long before a first reading says anything, minutes (practice: five to ten). */
const SETTLES_MIN = 5

export function callProve(state: JobState, live: Live): Call {
  const read = new Set(state.proofs.map((p) => p.engine ?? 'at-speed'))
  const points = proofPoints(state)
  if (points.every((point) => read.has(point))) return callProved(state, live)
  const first = state.proofs.length === 0
  const speed = points.find((point) => !read.has(point)) === 'idle' ? 'at idle' : 'at 1,500 rpm'
  const waits = settlesMs(state)
  const early = first && waits !== null && live.nowMs < waits
  return {
    sentence: early
      ? 'Let it run. Read it from'
      : first
        ? highIsSeen(state)
          ? `Read both sides and the vent, ${speed}.`
          : `Read the low side and the vent, ${speed}.`
        : `Read it again ${speed}.`,
    ...(early && { figure: { text: live.clock(waits), caption: `${SETTLES_MIN} minutes after the engine went on` } }),
    why: [
      ...(state.rig.engine === 'off' ? ['Engine on, cooling at maximum, recirculation, air over the condenser.'] : []),
      ...(live.running ?? []),
      ...(highIsSeen(state)
        ? []
        : ['Nothing hangs on the high port: what it does stays unread, and the record says so.']),
      state.counted
        ? 'Nothing was weighed: these readings decide more than usual; the maker’s chart comes first.'
        : 'The weight decides. Two needles only cross-check it; the maker’s chart comes first.',
    ],
    form: 'proof',
    watch: ['Hoses and sleeves clear of the fan.', 'Engine exhaust led out, brake on, out of gear.'],
    action:
      state.rig.engine === 'off' && first
        ? { label: 'Engine is on', key: 'E', does: record(set('engine', 'on')) }
        : { label: 'It is read', key: 'R', does: { do: 'send', form: 'proof' } },
    plain: first ? [] : [{ label: 'Enough, close it up', key: 'C', does: record(finish('prove')) }],
    after: points.length - read.size > 1 ? 'Then once more at 1,500 rpm.' : 'Then leave the car as it should be.',
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
    sayOf(live),
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
    ...provedButtons(state, right ? undefined : first),
  }
}

/** From this chance on what a cause leads to is the next action; below it, one to choose (assumed). */
const LEADS_FROM = 0.6

/** A car that is as it should be is closed up; one that is not goes where its likeliest cause leads. */
function provedButtons(state: JobState, first: Cause | undefined): Pick<Call, 'action' | 'plain'> {
  const close: CallButton = { label: 'Close it up', key: 'C', does: record(finish('prove')) }
  const [turn] = first ? turnFor(state, first) : []
  if (!turn || !first) return { action: close, plain: [] }
  return first.chance >= LEADS_FROM
    ? { action: turn, plain: [{ ...close, label: 'Close it up all the same' }] }
    : { action: close, plain: [turn] }
}

/** Where a cause leads: what cannot be mended with the charge inside is recovered first. */
function turnFor(state: JobState, { kind, sentence }: Cause): CallButton[] {
  if (kind === 'restriction' || kind === 'too-much' || kind === 'air')
    return [{ label: 'Recover it and go back', key: 'B', does: record(...turnDeeds(state, 'zero', sentence)) }]
  return kind === 'short'
    ? [{ label: 'Back to the charge', key: 'B', does: record(...turnDeeds(state, 'charge', sentence)) }]
    : []
}

/** What the hands do for each item of the closing list, in its order. */
export const LEAVE_WORDS: Record<LeaveItem, { task: string; done: string }> = {
  'cores-in': { task: 'Cores back in through the tools, at a little pressure', done: 'Cores are in' },
  'container-shut': { task: 'Shut the container, draw the line down', done: 'Container is shut' },
  'low-coupler-off': { task: 'Low coupler off while it runs', done: 'Low coupler is off' },
  'engine-off': { task: 'Engine off, let it rest', done: 'Engine is off' },
  'high-coupler-off': { task: 'High coupler off after the rest', done: 'High coupler is off' },
  'caps-on': { task: 'Caps on: the cap is the real seal', done: 'Both caps are on' },
  'pump-capped': { task: 'Pump capped, exhaust plug in, oil drained warm if due', done: 'Pump is capped' },
  'label-filled': { task: 'Label filled in under the hood', done: 'Label is filled in' },
}

export function callLeave(state: JobState): Call {
  const items = leaveItemsOf(state)
  const next = items.find((item) => !state.left.includes(item))
  if (next) {
    const words = LEAVE_WORDS[next]
    return {
      sentence: `${words.task}.`,
      why: [`${state.left.length} of ${items.length} done.`],
      watch:
        next === 'high-coupler-off'
          ? ['The high side needs its rest: it was at full pressure.']
          : next === 'cores-in'
            ? ['No tool comes off while its core is out: everything inside would follow it.']
            : [],
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
