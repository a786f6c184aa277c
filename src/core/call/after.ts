import { highIsSeen, leaveItemsOf } from '../job/sides'
import { proofPoints } from '../job/stage-now'
import type { JobState, LeaveItem } from '../job/state'
import { W } from '../language/call/after'
import { bandsFor } from '../prove/bands'
import { type Cause, diagnose } from '../prove/diagnose'
import { proofHistory } from '../prove/proof-history'
import { chanceWords } from '../units/chance'
import { MINUTE_MS } from '../units/constants'
import { turnDeeds } from './turns'
import { type Call, type CallButton, finish, type Live, record, sayOf, set } from './types'

/** The engine runs this long before a first reading says anything, minutes (practice: five to ten). */
const SETTLES_MIN = 5

export function callProve(state: JobState, live: Live): Call {
  const read = new Set(state.proofs.map((p) => p.engine ?? 'at-speed'))
  const points = proofPoints(state)
  if (points.every((point) => read.has(point))) return callProved(state, live)
  const first = state.proofs.length === 0
  const speed = points.find((point) => !read.has(point)) === 'idle' ? W.atIdle : W.at1500Rpm
  const waits = settlesMs(state)
  const early = first && waits !== null && live.nowMs < waits
  return {
    sentence: early
      ? W.letItRunReadIt
      : first
        ? highIsSeen(state)
          ? W.readBothSidesAndThe(speed)
          : W.readTheLowSideAnd(speed)
        : W.readItAgain(speed),
    ...(early && { figure: { text: live.clock(waits), caption: W.minutesAfterTheEngineWent(SETTLES_MIN) } }),
    why: [
      ...(state.rig.engine === 'off' ? [W.engineOnCoolingAtMaximum] : []),
      ...(live.running ?? []),
      ...(highIsSeen(state) ? [] : [W.nothingHangsOnTheHigh]),
      state.counted ? W.nothingWasWeighedTheseReadings : W.theWeightDecidesTwoNeedles,
    ],
    form: 'proof',
    watch: [W.hosesAndSleevesClearOf, W.engineExhaustLedOutBrake],
    action:
      state.rig.engine === 'off' && first
        ? { label: W.engineIsOn, key: 'E', does: record(set('engine', 'on')) }
        : { label: W.itIsRead, key: 'R', does: { do: 'send', form: 'proof' } },
    plain: first ? [] : [{ label: W.enoughCloseItUp, key: 'C', does: record(finish('prove')) }],
    after: points.length - read.size > 1 ? W.thenOnceMoreAt1 : W.thenLeaveTheCarAs,
  }
}

/** When a running engine has settled, ms of job time; null while it is off. */
function settlesMs({ rig, turnedAt }: JobState): number | null {
  return rig.engine === 'on' && turnedAt.engine ? Date.parse(turnedAt.engine) + SETTLES_MIN * MINUTE_MS : null
}

function callProved(state: JobState, live: Live): Call {
  const [first] = diagnose(
    state.proofs.map((reading) => ({ reading, bands: bandsFor(state, reading) })),
    proofHistory(state, live.cycling),
    sayOf(live),
  )
  const right = first === undefined || first.kind === 'as-it-should-be'
  return {
    sentence: right ? W.provedLeaveItInOrder : W.readAndNotAsIt,
    why: right
      ? [W.theReadingsAreInThe]
      : [W.likeliest(chanceWords(first.chance), first.sentence, first.next), W.neverACertaintyFromTwo],
    watch: [],
    ...provedButtons(state, right ? undefined : first),
  }
}

/** From this chance on what a cause leads to is the next action; below it, one to choose (assumed). */
const LEADS_FROM = 0.6

/** A car that is as it should be is closed up; one that is not goes where its likeliest cause leads. */
function provedButtons(state: JobState, first: Cause | undefined): Pick<Call, 'action' | 'plain'> {
  const close: CallButton = { label: W.closeItUp, key: 'C', does: record(finish('prove')) }
  const [turn] = first ? turnFor(state, first) : []
  if (!turn || !first) return { action: close, plain: [] }
  return first.chance >= LEADS_FROM
    ? { action: turn, plain: [{ ...close, label: W.closeItUpAllThe }] }
    : { action: close, plain: [turn] }
}

/** Where a cause leads: what cannot be mended with the charge inside is recovered first. */
function turnFor(state: JobState, { kind, sentence }: Cause): CallButton[] {
  if (kind === 'restriction' || kind === 'too-much' || kind === 'air')
    return [{ label: W.recoverItAndGoBack, key: 'B', does: record(...turnDeeds(state, 'zero', sentence)) }]
  return kind === 'short'
    ? [{ label: W.backToTheCharge, key: 'B', does: record(...turnDeeds(state, 'charge', sentence)) }]
    : []
}

/** What the hands do for each item of the closing list, in its order. */
export const LEAVE_WORDS: Record<LeaveItem, { task: string; done: string }> = {
  'cores-in': { task: W.coresBackInThroughThe, done: W.coresAreIn },
  'container-shut': { task: W.shutTheContainerDrawThe, done: W.containerIsShut },
  'low-coupler-off': { task: W.lowCouplerOffWhileIt, done: W.lowCouplerIsOff },
  'engine-off': { task: W.engineOffLetItRest, done: W.engineIsOff },
  'high-coupler-off': { task: W.highCouplerOffAfterThe, done: W.highCouplerIsOff },
  'caps-on': { task: W.capsOnTheCapIs, done: W.bothCapsAreOn },
  'pump-capped': { task: W.pumpCappedExhaustPlugIn, done: W.pumpIsCapped },
  'label-filled': { task: W.labelFilledInUnderThe, done: W.labelIsFilledIn },
}

export function callLeave(state: JobState): Call {
  const items = leaveItemsOf(state)
  const next = items.find((item) => !state.left.includes(item))
  if (next) {
    const words = LEAVE_WORDS[next]
    return {
      sentence: `${words.task}.`,
      why: [W.ofDone(state.left.length, items.length)],
      watch: next === 'high-coupler-off' ? [W.theHighSideNeedsIts] : next === 'cores-in' ? [W.noToolComesOffWhile] : [],
      action: {
        label: words.done,
        key: 'D',
        does: record({ kind: 'leave-tapped', payload: { item: next, done: true } }),
      },
      plain: [],
    }
  }
  return {
    sentence: W.signTheRecord,
    why: [W.everythingIsLoggedAfterThe],
    form: 'sign',
    watch: [],
    action: { label: W.sign, key: 'S', does: { do: 'send', form: 'sign' } },
    plain: [],
  }
}
