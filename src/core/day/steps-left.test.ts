import { expect, test } from 'vitest'
import type { JobState } from '../job/state'
import type { Step } from '../job/steps'
import type { PullForecast } from '../pull/forecast'
import { CAR, job } from '../tests/job-fixture'
import { ASSUMED_HANDS_MIN, handsAt, type Learned } from './hands'
import { type CarNow, stepsLeft } from './steps-left'

const T0 = Date.parse('2026-03-01T10:00:00.000Z')
const at = (minutes: number) => new Date(T0 + minutes * 60_000).toISOString()
const hands = (step: Step) => ({ hands: ASSUMED_HANDS_MIN[step] })
const start = job(CAR)
const state = (more: Partial<JobState>, rig: Partial<JobState['opened']['rig']> = {}): JobState => {
  const procedure = { ...start.opened.procedure, pullMinutes: 60, holdMinutes: 30 }
  return { ...start, opened: { ...start.opened, procedure, rig: { ...start.opened.rig, ...rig } }, ...more }
}
const now = (more: Partial<CarNow> & { state: JobState }): CarNow => ({
  nowMs: T0,
  factor: 1,
  forecast: null,
  found: null,
  decisionExpectedS: null,
  pull: {},
  ...more,
})
const said = (car: CarNow) =>
  stepsLeft(car, hands).map((s) => `${s.step} ${s.hands ?? `waits ${Math.round(s.wait ?? 0)}`}`)

test('what is left of a car is what comes after the step it is at', () => {
  expect(said(now({ state: state({ step: 'fix' }) }))).toEqual([
    'fix 30',
    'rig 8',
    'pull 2',
    'pull waits 60',
    'isolate 3',
    'hold waits 30',
    'charge 20',
    'prove 12',
    'leave 8',
  ])
  expect(said(now({ state: state({ step: 'leave' }) }))).toEqual(['leave 8'])
  expect(said(now({ state: state({ step: 'leave', signed: {} as never }) }))).toEqual([])
  // a pull that is still to come takes what its rig and story say, never less than its procedure
  const car = now({ state: state({ step: 'rig' }), pull: { P1: { p50: 150, p90: 210 }, P2: { p50: 85, p90: 140 } } })
  expect(stepsLeft(car, hands)[2]).toMatchObject({ wait: 85, waitP90: 140, waitBy: { P1: 150, P2: 85 } })
})

test('a running pull ends when it is foretold to, on the wall’s clock', () => {
  const pulling = state({ step: 'pull', pulls: [{ startedAt: at(-20) }] })
  expect(said(now({ state: pulling }))[0]).toBe('pull waits 40')
  const forecast = { pull: 0, p50Ms: T0 + 75 * 60_000, p90Ms: T0 + 130 * 60_000 } as PullForecast
  expect(stepsLeft(now({ state: pulling, forecast }), hands)[0]).toMatchObject({ wait: 75, waitP90: 130 })
  // a simulated clock runs sixty times as fast: the hands wait for a sixtieth
  expect(stepsLeft(now({ state: pulling, forecast, factor: 60 }), hands)[0]?.wait).toBeCloseTo(1.25, 6)
  // before its pump runs, hands begin it
  expect(said(now({ state: state({ step: 'pull' }) })).slice(0, 2)).toEqual(['pull 2', 'pull waits 60'])
})

test('a hold that is found out early is over now, and what was found says what follows', () => {
  const holding = state({ step: 'hold', holds: [{ isolatedAt: at(-10), plannedMinutes: 30 }] })
  expect(said(now({ state: holding }))).toEqual(['hold waits 20', 'charge 20', 'prove 12', 'leave 8'])
  expect(said(now({ state: holding, found: 'tight' }))[0]).toBe('hold waits 0')
  // wet: it is pulled once more, by the rig that hangs on it
  expect(said(now({ state: holding, found: 'damp' })).slice(0, 4)).toEqual([
    'hold waits 0',
    'pull 2',
    'pull waits 60',
    'isolate 3',
  ])
  // its hoses came off at the core tools: they go on again
  const freed = state({ step: 'hold', holds: holding.holds }, { cores: 'out' })
  expect(said(now({ state: freed, found: 'damp' })).slice(0, 3)).toEqual(['hold waits 0', 'rig 8', 'pull 2'])
  expect(said(now({ state: holding, found: 'leak' })).slice(0, 3)).toEqual(['hold waits 0', 'fix 30', 'rig 8'])
  expect(stepsLeft(now({ state: holding, decisionExpectedS: 3600 }), hands)[0]).toMatchObject({ wait: 20, waitP90: 50 })
})

test('shut at the core tools a rig is free while its car holds', () => {
  const isolates = (cores: 'in' | 'out') =>
    stepsLeft(now({ state: state({ step: 'isolate' }, { cores }) }), hands).find((s) => s.step === 'isolate')?.freesRig
  expect([isolates('out'), isolates('in')]).toEqual([true, undefined])
})

test('how long hands take is what this shop’s own jobs say: by car and person, by car, by person, by all', () => {
  const row = (model: string | null, person: string | null, jobs: number, medianMin: number): Learned => ({
    step: 'charge',
    model,
    person,
    jobs,
    medianMin,
  })
  const people = ['teo', 'anouk']
  expect(handsAt([], 'charge', 'Pelmira 3', people)).toEqual({ hands: 20, assumed: true })
  // four jobs are not enough
  expect(handsAt([row(null, null, 4, 31)], 'charge', 'Pelmira 3', people)).toMatchObject({ hands: 20, assumed: true })
  const learned = [
    row(null, null, 30, 24),
    row('Pelmira 3', null, 8, 16),
    row(null, 'teo', 12, 18),
    row('Pelmira 3', 'anouk', 6, 28),
  ]
  expect(handsAt(learned, 'charge', 'Dorsk MW-6', people)).toEqual({ hands: 24, handsBy: { teo: 18 }, assumed: false })
  // of this car the shop knows more than of the person
  expect(handsAt(learned, 'charge', 'Pelmira 3', people)).toEqual({ hands: 16, handsBy: { anouk: 28 }, assumed: false })
})
