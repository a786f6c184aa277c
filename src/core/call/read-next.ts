import { currentHold, currentPull, holdEndsMs, type JobState, openContainer } from '../job/state'
import { W } from '../language/call/read-next'
import { nextReadMs } from '../readings/read-times'
import { MINUTE_MS } from '../units/constants'
import { findingOf } from './finding'
import { type CallButton, type Live, sayOf } from './types'

/** A reading that is to be taken by eye: when, job time in ms, and what is said of it. */
export type ReadNext = { id: string; atMs: number; words: string; due: boolean }

/**
 * When a hand is to read next, and why; null where an instrument reports by itself, or no reading would help. */
export function readNext(state: JobState, live: Live): ReadNext | null {
  if (state.signed) return null
  if (state.step === 'charge') return weighNext(state, live)
  if (!gaugeByHand(state, live)) return null
  const since = state.step === 'pull' ? pullSince(state) : state.step === 'hold' ? holdSince(state, live) : null
  return since && gaugeNext(since, live)
}

/** The hand goes to the pad: a reading is due. */
export const TYPE_IT: CallButton = { label: W.typeWhatItShows, key: 'T', does: { do: 'type' } }

/** Whether this car's vacuum is read by eye: what was read last was typed, or nothing is there that could report. */
export function gaugeByHand({ opened, hung }: JobState, { vacuumPa, vacuumByHand }: Live): boolean {
  if (vacuumPa !== undefined) return vacuumByHand === true
  return !opened.simulated && !hung.some((h) => h.kind === 'vacuum')
}

type Since = { id: string; fromMs: number; endMs: number; decidesMs: number | null }

function pullSince(state: JobState): Since | null {
  const pull = currentPull(state)
  if (!pull || pull.endedAt) return null
  const fromMs = Date.parse(pull.startedAt)
  const endMs = fromMs + state.opened.procedure.pullMinutes * MINUTE_MS
  return { id: `pull:${state.pulls.length}`, fromMs, endMs, decidesMs: null }
}

function holdSince(state: JobState, live: Live): Since | null {
  const hold = currentHold(state)
  if (!hold || hold.ended || (live.judgement && findingOf(live.judgement))) return null
  const fromMs = Date.parse(hold.isolatedAt)
  const { judgement: judged } = live
  const expectedS = judged?.verdict === 'undecided' ? judged.decisionExpectedS : null
  return {
    id: `hold:${state.holds.length}`,
    fromMs,
    endMs: holdEndsMs(hold),
    decidesMs: expectedS === null || expectedS === undefined ? null : fromMs + expectedS * 1000,
  }
}

function gaugeNext({ id, fromMs, endMs, decidesMs }: Since, live: Live): ReadNext | null {
  const lastMs = Math.max(fromMs, live.vacuumAtMs ?? fromMs)
  if (live.nowMs >= endMs) return null
  const planned = nextReadMs(fromMs, lastMs, endMs)
  const decides = decidesMs !== null && decidesMs > lastMs && decidesMs <= planned
  const atMs = decides ? decidesMs : planned
  const due = live.nowMs >= atMs
  const words = due ? W.readTheGaugeNowAnd : W.readItAgainAt(live.clock(atMs), decides ? W.oneMoreReadingDecides : '')
  return { id: `read:${id}:${Math.round((atMs - fromMs) / MINUTE_MS)}`, atMs, words, due }
}

function weighNext(state: JobState, live: Live): ReadNext | null {
  const open = openContainer(state)
  const flow = live.handFlow
  if (!open || !flow) return null
  // near the end the eye stays on the scale: there is nothing to come back for
  const next = flow.read
  if (!next) return null
  const due = live.nowMs >= next.atMs
  const about = W.aboutThen(sayOf(live).mass(next.thenG))
  return {
    id: `read:scale:${open.id}:${Math.round(next.atMs / 1000)}`,
    atMs: next.atMs,
    words: due ? W.readTheScaleNowAnd : W.readTheScaleAt(live.clock(next.atMs), about),
    due,
  }
}
