import { expect, test } from 'vitest'
import { stopNow } from '../charge/plan-for-job'
import { reduceJob } from '../job/reduce'
import type { JobState } from '../job/state'
import { CAR, CYLINDER_PLANNED, HOLDING, job } from '../tests/job-fixture'
import { PA_PER_MICRON } from '../units/constants'
import { recentLeap } from '../units/slope'
import { alarmsOf } from './alarms'
import type { Live } from './types'

const T0 = Date.parse('2026-03-01T10:00:00.000Z')
const iso = (minutes: number) => new Date(T0 + minutes * 60_000).toISOString()
const live = (minutes: number, more: Partial<Live> = {}): Live => ({
  nowMs: T0 + minutes * 60_000,
  clock: (ms) => new Date(ms).toISOString().slice(11, 16),
  vacuumAtMs: T0 + minutes * 60_000,
  ...more,
})
const pulling = (): JobState => ({ ...job(CAR), step: 'pull', pulls: [{ startedAt: iso(0) }] })
const holding = (): JobState => ({
  ...job(CAR),
  step: 'hold',
  pulls: [{ startedAt: iso(-60), endedAt: iso(0) }],
  holds: [{ isolatedAt: iso(0), plannedMinutes: 30 }],
})
const ids = (state: JobState, now: Live) => alarmsOf(state, now).map((a) => a.id)

test('a pull that reaches its target calls once, and not again when it was seen', () => {
  const state = pulling()
  const deep = live(20, { vacuumPa: state.opened.procedure.targetPa - PA_PER_MICRON })
  expect(ids(state, deep)).toEqual(['target:1'])
  const seen = reduceJob(state, {
    id: 'a',
    kind: 'alarm-answered',
    happenedAt: iso(20),
    storedAt: iso(20),
    by: 'Teo',
    payload: { alarm: 'target:1', answer: 'seen', minutes: 0 },
  })
  expect(ids(seen, deep)).toEqual([])
})

test('an alarm put off comes back when its minutes are over', () => {
  const state = reduceJob(holding(), {
    id: 'a',
    kind: 'alarm-answered',
    happenedAt: iso(31),
    storedAt: iso(31),
    by: 'Teo',
    payload: { alarm: 'back:hold:1:30', answer: 'snoozed', minutes: 5 },
  })
  expect(ids(state, live(33))).toEqual([])
  expect(ids(state, live(37))).toEqual(['back:hold:1:30'])
})

test('a gauge that says nothing is silent after a minute and a half, later on a fast clock', () => {
  const state = holding()
  const quiet = live(10, { vacuumPa: 50, vacuumAtMs: T0 + 7 * 60_000 })
  expect(ids(state, quiet)[0]).toMatch(/^silent:/)
  expect(alarmsOf(state, quiet, 60)).toEqual([])
  expect(ids(state, live(10, { vacuumPa: 50 }))).toEqual([])
})

test('a hold that runs away calls at any time', () => {
  expect(ids(holding(), live(2, { vacuumPa: 400, fallPaS: 1 }))).toContain('runaway:hold:1')
  expect(ids(holding(), live(2, { vacuumPa: 400, fallPaS: 0.01 }))).toEqual([])
})

test('a weight past its stop while it still flows calls; shut, it does not', () => {
  const planned = job(CAR, ...HOLDING, [200, CYLINDER_PLANNED])
  const id = planned.plan?.containers[0]?.id as string
  const startGrossG = planned.plan?.containers[0]?.grossG as number
  const charging: JobState = { ...planned, step: 'charge', containers: [{ id, startGrossG, startedAt: iso(0) }] }
  const open = { ...charging, rig: { ...charging.rig, 'valve-low': 'open', 'container-valve': 'open' } } as JobState
  const stop = stopNow(open, id)?.stopGrossG as number
  expect(ids(open, live(5, { scaleG: stop - 1, scaleByHand: true }))).toEqual([])
  expect(ids(open, live(5, { scaleG: stop - 9, scaleByHand: true }))).toEqual([`past:${id}`])
  expect(ids(charging, live(5, { scaleG: stop - 9, scaleByHand: true }))).toEqual([])
})

test('a job that ended calls nobody; one left standing only at its time', () => {
  const late = live(40, { vacuumPa: 50, vacuumAtMs: T0 })
  expect(ids({ ...holding(), closed: { as: 'given-up', why: 'x', at: iso(1), by: 'Teo' } } as JobState, late)).toEqual(
    [],
  )
  const parked = {
    ...holding(),
    parked: { comeBackAt: iso(60), why: 'x', at: iso(1), by: 'Teo' },
  } as unknown as JobState
  expect(ids(parked, late)).toEqual([])
  expect(ids(parked, live(61, { vacuumPa: 50, vacuumAtMs: T0 }))).toEqual([`back:parked:${iso(60)}`])
})

test('a leap of a few readings calls at once; one bad reading, or two, do not', () => {
  const flat = Array.from({ length: 20 }, (_, i) => ({ at: T0 + i * 1000, value: 60 + (i % 2) }))
  const then = (...values: number[]) => [...flat, ...values.map((value, i) => ({ at: T0 + (20 + i) * 1000, value }))]
  const leapt = (points: ReturnType<typeof then>) =>
    ids(holding(), live(2, { vacuumPa: 60, leaptPa: recentLeap(points) ?? 0 }))
  expect(leapt(then(900, 1400, 1900))).toEqual(['runaway:hold:1'])
  expect(leapt(then(900, 61, 60))).toEqual([])
  expect(leapt(then(61, 900, 1400))).toEqual([])
  // a slow rise is no leap
  expect(leapt(then(62, 64, 66))).toEqual([])
})
