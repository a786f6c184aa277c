import fc from 'fast-check'
import { expect, test } from 'vitest'
import { callFor } from '../call/call'
import { cautionsBefore } from '../call/cautions'
import type { Deed } from '../call/types'
import { CERRO_LUMEN, OPENING } from '../tests/opening'
import { clockFactor, jobTimeMs, wallTimeMs } from './clock'
import { doingWords } from './doing'
import { EventDraftSchema, type JobEvent, type JobOpened } from './events'
import { PARTS, type Part } from './parts'
import { foldJob, reduceJob } from './reduce'
import { chargedG, currentHold, currentPull, type JobState } from './state'
import { summarise, waitEndsMs } from './summary'

const OPENED: JobOpened = {
  ...OPENING,
  car: { name: 'Shuttle 3', model: 'Halvorn Ridge 14', hybrid: false },
  label: { ...OPENING.label, lowG: 530, highG: 550, typed: '530-550 g' },
  place: CERRO_LUMEN,
}
const START = Date.parse('2026-03-02T10:00:00.000Z')
const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString()
const eventOf = (deed: Deed, minutes: number): JobEvent =>
  ({ id: `e${minutes}`, happenedAt: at(minutes), storedAt: at(minutes), by: 'Teo', ...deed }) as JobEvent
const opening = eventOf({ kind: 'job-opened', payload: OPENED }, 0)
const after = (...deeds: [minutes: number, deed: Deed][]): JobState =>
  foldJob([opening, ...deeds.map(([m, d]) => eventOf(d, m))])
const part = (name: Part, state: string): Deed => ({ kind: 'part-set', payload: { part: name, state } })
const zero = (pa: number): Deed => ({
  kind: 'zero-read',
  payload: { lowPaG: pa, highPaG: pa, errorPa: 7000, typed: '' },
})
const done = (step: JobState['step']): Deed => ({ kind: 'step-finished', payload: { step } })
const LIVE = { nowMs: START, clock: String }

/** Presses the call's own button `times` times, a minute apart. */
function follow(state: JobState, times: number, from: number): JobState {
  let now = state
  for (let i = 0; i < times; i++) {
    const { does } = callFor(now, { ...LIVE, nowMs: START + (from + i) * 60_000 }).action
    if (does.do !== 'record') throw new Error(`the call does not record: ${does.do}`)
    for (const deed of does.deeds) now = reduceJob(now, eventOf(deed, from + i))
  }
  return now
}

test('following the call from the zero check shuts the car in without one caution', () => {
  let state = after([1, zero(0)])
  for (let i = 0; i < 40 && state.step !== 'hold'; i++) {
    const live = { ...LIVE, nowMs: START + (10 + i) * 60_000, ...(state.step === 'pull' && { vacuumPa: 30 }) }
    const { does } = callFor(state, live).action
    const deeds: Deed[] =
      does.do === 'record'
        ? does.deeds
        : [{ kind: 'fix-logged', payload: { renewed: [], openHours: 1, oilOwedMl: 0, oilReason: '' } }, done('fix')]
    for (const deed of deeds) {
      expect(cautionsBefore(state, deed), JSON.stringify(deed)).toEqual([])
      state = reduceJob(state, eventOf(deed, 10 + i))
    }
  }
  expect(state.step).toBe('hold')
  expect(state.rig).toMatchObject({ 'valve-low': 'closed', 'valve-high': 'closed', pump: 'off', 'centre-hose': 'off' })
  expect(state.pulls).toHaveLength(1)
  expect(currentPull(state)?.endedAt).toBeDefined()
})

test('a fold in pieces is the fold of the whole', () => {
  const events = [opening, eventOf(zero(0), 1), eventOf(done('zero'), 2), eventOf(part('valve-low', 'closed'), 3)]
  expect(events.slice(2).reduce(reduceJob, foldJob(events.slice(0, 2)))).toEqual(foldJob(events))
})

test('no order of taps is forbidden, and every part keeps a state it has', () => {
  const parts = Object.keys(PARTS) as Part[]
  const taps = fc.array(
    fc.constantFrom(...parts).chain((p) => fc.constantFrom(...PARTS[p]).map((s) => part(p, s))),
    { maxLength: 40 },
  )
  fc.assert(
    fc.property(taps, (deeds) => {
      const state = after(...deeds.map((d, i): [number, Deed] => [i + 1, d]))
      for (const p of parts) expect(PARTS[p] as readonly string[]).toContain(state.rig[p])
      for (const pull of state.pulls.slice(0, -1)) expect(pull.endedAt).toBeDefined()
    }),
  )
})

test('a pull counts from the pump running and a valve open, in either order, and ends with either', () => {
  const ready = follow(after([1, zero(0)]), 1, 2)
  const rigged: [number, Deed][] = [
    [5, done('fix')],
    [6, done('rig')],
    [7, part('centre-hose', 'pump')],
    [8, part('valve-low', 'closed')],
    [8, part('valve-high', 'closed')],
  ]
  const state = rigged.reduce((s, [m, d]) => reduceJob(s, eventOf(d, m)), ready)
  expect(state.pulls).toHaveLength(0)
  const on = reduceJob(reduceJob(state, eventOf(part('pump', 'on'), 10)), eventOf(part('valve-low', 'open'), 12))
  expect(currentPull(on)).toEqual({ startedAt: at(12) })
  expect(currentPull(reduceJob(on, eventOf(part('pump', 'off'), 40)))).toEqual({ startedAt: at(12), endedAt: at(40) })
})

test('a hold ends when its procedure says, and holding on adds the same again', () => {
  const held = after(
    [1, done('zero')],
    [2, done('fix')],
    [3, done('rig')],
    [4, done('pull')],
    [5, { kind: 'isolated', payload: {} }],
    [6, done('isolate')],
  )
  expect(waitEndsMs(held)).toBe(START + 35 * 60_000)
  const ended = {
    verdict: 'undecided',
    leak: 0.4,
    damp: 0.4,
    risePaS: null,
    provesGramsPerYear: null,
    leakGramsPerYear: null,
    heldS: 1800,
    samples: 9,
    reasons: [],
  } as const
  const judged = reduceJob(held, eventOf({ kind: 'hold-ended', payload: { ...ended, reasons: [] } }, 35))
  expect(waitEndsMs(judged)).toBeNull()
  const longer = reduceJob(judged, eventOf({ kind: 'hold-decided', payload: { next: 'hold' } }, 36))
  expect(currentHold(longer)?.ended).toBeUndefined()
  expect(waitEndsMs(longer)).toBe(START + 65 * 60_000)
  const again = reduceJob(judged, eventOf({ kind: 'hold-decided', payload: { next: 'pull' } }, 36))
  expect(again.step).toBe('pull')
  expect(again.visits.filter((v) => v.step === 'pull')).toHaveLength(2)
})

test('grams in the car are what left the containers less what was purged', () => {
  const stops = [
    { id: 'can-1', stopGrossG: 144, takenG: 328, purgeG: 3 },
    { id: 'can-2', stopGrossG: 250, takenG: 218, purgeG: 3 },
  ]
  const containers = [{ id: 'can-1', kind: 'can' as const, grossG: 472, netG: 340 }]
  const state = after(
    [1, { kind: 'charge-planned', payload: { targetG: 540, purgeEachG: 3, containers, stops, bandG: [530, 550] } }],
    [2, { kind: 'container-started', payload: { id: 'can-1', grossG: 472 } }],
    [3, { kind: 'container-ended', payload: { id: 'can-1', grossG: 144 } }],
    [4, { kind: 'container-started', payload: { id: 'can-2', grossG: 468 } }],
  )
  expect(chargedG(state)).toBe(325)
  expect(chargedG(state, 300)).toBe(325 + 165)
  expect(state.rig['centre-hose']).toBe('container')
})

test.each([
  ['pump under pressure', [[1, zero(300_000)]], part('pump', 'on'), 'pump-under-pressure'],
  ['pump with nobody having read the gauges', [], part('pump', 'on'), 'zero-not-read'],
  ['pump with its cap on', [[1, zero(0)]], part('pump', 'on'), 'exhaust-cap-on'],
  ['engine in a vacuum', [[1, zero(0)]], part('engine', 'on'), 'engine-in-vacuum'],
  ['high coupler off a running engine', [[1, part('engine', 'on')]], part('coupler-high', 'off'), 'high-off-running'],
  [
    'coupler straight to open',
    [
      [1, part('valve-low', 'closed')],
      [2, part('valve-high', 'closed')],
    ],
    part('coupler-low', 'open'),
    'coupler-sense',
  ],
] as [string, [number, Deed][], Deed, string][])('%s is named before it is recorded', (_name, before, deed, code) => {
  expect(cautionsBefore(after(...before), deed).map((c) => c.code)).toContain(code)
})

test('after recovery and a second look at zero the pump is no danger', () => {
  const state = after(
    [1, zero(300_000)],
    [2, { kind: 'recovered', payload: { grams: 400 } }],
    [3, zero(0)],
    [4, part('exhaust-cap', 'off')],
  )
  expect(cautionsBefore(state, part('pump', 'on'))).toEqual([])
  expect(state.recoveredG).toBe(400)
})

test('leaving taps turn the parts they speak of, and can be taken back', () => {
  const state = after(
    [1, part('engine', 'on')],
    [2, { kind: 'leave-tapped', payload: { item: 'engine-off', done: true } }],
  )
  expect(state.rig.engine).toBe('off')
  const back = reduceJob(state, eventOf({ kind: 'leave-tapped', payload: { item: 'engine-off', done: false } }, 3))
  expect(back.left).toEqual([])
})

test('the board’s row follows the fold', () => {
  expect(doingWords(summarise(after()))).toBe('read both gauges')
  // a row from before codes were kept says it by itself
  expect(doingWords({ line: 'rig up' })).toBe('rig up')
  expect(summarise(after([1, zero(0)], [2, done('zero')]))).toMatchObject({
    step: 'fix',
    comeBackAt: null,
    signed: false,
  })
})

test('an event of unknown kind or with a stray field is refused by name', () => {
  const good = {
    id: '11111111-1111-4111-8111-111111111111',
    kind: 'recovered',
    happenedAt: at(1),
    payload: { grams: 5 },
  }
  expect(EventDraftSchema.safeParse(good).success).toBe(true)
  const stray = EventDraftSchema.safeParse({ ...good, payload: { grams: 5, ounces: 1 } })
  expect(stray.error?.issues[0]?.message).toMatch(/ounces/)
  expect(EventDraftSchema.safeParse({ ...good, kind: 'vented' }).success).toBe(false)
  expect(
    EventDraftSchema.safeParse({ ...good, kind: 'part-set', payload: { part: 'pump', state: 'sideways' } }).error
      ?.issues[0]?.path,
  ).toEqual(['payload', 'state'])
})

test('a job’s clock and its inverse agree on every segment', () => {
  const clock = [
    { wallMs: 0, jobMs: 0, factor: 60 },
    { wallMs: 1000, jobMs: 60_000, factor: 10 },
    { wallMs: 5000, jobMs: 100_000, factor: 300 },
  ]
  expect(jobTimeMs(clock, 3000)).toBe(80_000)
  expect(clockFactor(clock)).toBe(300)
  const same = (wall: number) => Math.abs(wallTimeMs(clock, jobTimeMs(clock, wall)) - wall) < 1e-6
  fc.assert(fc.property(fc.integer({ min: 0, max: 20_000 }), same))
})
