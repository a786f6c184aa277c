import { expect, test } from 'vitest'
import type { HoldResult } from '../hold/types'
import type { JobState } from '../job/state'
import { CAR, job } from '../tests/job-fixture'
import { alarmsOf } from './alarms'
import { callFor } from './call'
import { readNext } from './read-next'
import type { Live } from './types'

const T0 = Date.parse('2026-03-01T10:00:00.000Z')
const iso = (minutes: number) => new Date(T0 + minutes * 60_000).toISOString()
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const typed = (now: number, last: number, more: Partial<Live> = {}): Live => ({
  nowMs: T0 + now * 60_000,
  clock,
  vacuumPa: 60,
  vacuumByHand: true,
  vacuumAtMs: T0 + last * 60_000,
  ...more,
})
const holding = (plannedMinutes = 60): JobState => ({
  ...job(CAR),
  step: 'hold',
  holds: [{ isolatedAt: iso(0), plannedMinutes }],
})

test('a gauge that is read by eye is asked for often at first, then seldom, and last at the end of the hold', () => {
  const state = holding()
  const asked: number[] = []
  for (let last = 0; last < 60; ) {
    const next = readNext(state, typed(last, last))
    if (!next) break
    expect(next.due).toBe(false)
    expect(next.words).toBe(`Read it again at ${clock(next.atMs)}.`)
    last = (next.atMs - T0) / 60_000
    asked.push(last)
  }
  expect(asked).toEqual([1, 3, 6, 10, 15, 20, 30, 45, 60])
})

test('a reading that is due rings once, until it is typed; one an instrument sends never does', () => {
  const state = holding()
  const late = typed(11, 6.2)
  expect(readNext(state, late)).toMatchObject({ due: true, words: expect.stringContaining('Read the gauge now') })
  expect(alarmsOf(state, late).map((a) => a.id)).toEqual(['read:hold:1:10'])
  // the hand goes to the pad, not away from the car
  const call = callFor(state, late)
  expect([call.sentence, call.action.does.do, call.figure]).toEqual(['Read the gauge.', 'type', undefined])
  expect(alarmsOf(state, typed(11, 11))).toEqual([])
  expect(readNext(state, { ...late, vacuumByHand: false })).toBeNull()
})

test('where one more reading decides, it is asked for at that time; after the finding none is', () => {
  const judgement = {
    verdict: 'undecided',
    decisionExpectedS: 1500,
    heldS: 1260,
    probability: { leak: 0.4, damp: 0.1 },
  }
  const next = readNext(holding(), typed(21, 21, { judgement: judgement as HoldResult }))
  expect(next?.words).toBe('Read it again at 10:25; one more reading decides.')
  const leak = { ...judgement, verdict: 'leak', probability: { leak: 0.99, damp: 0.01 } }
  expect(readNext(holding(), typed(22, 21, { judgement: leak as HoldResult }))).toBeNull()
})

test('nothing hangs on a real car and nothing was read: a hand is asked; with a gauge hung on it is not', () => {
  const { vacuumPa: _p, vacuumByHand: _b, vacuumAtMs: _a, ...nothing } = typed(2, 0)
  expect(readNext(holding(), nothing)).toMatchObject({ due: true })
  const gauge = { instrument: 'vacuum-1', name: 'Gauge', kind: 'vacuum' as const, seat: 'far' as const }
  expect(readNext({ ...holding(), hung: [gauge] }, nothing)).toBeNull()
})
