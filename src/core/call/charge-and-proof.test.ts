import { describe, expect, test } from 'vitest'
import { chargePlanned, usualChoices } from '../charge/plan-for-job'
import type { JobState } from '../job/state'
import { CAR, done, HOLDING, job, later, minutes, part } from '../tests/job-fixture'
import { callFor } from './call'
import { cautionsBefore } from './cautions'
import type { Call, Deed, Live } from './types'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const live = (m: number, more: Partial<Live> = {}): Live => ({ nowMs: minutes(m), clock, ...more })
const deedsOf = (call: Call): Deed[] => (call.action.does.do === 'record' ? call.action.does.deeds : [])

describe('the ways of letting it in', () => {
  const start = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
  const begun = (way: 'first-high' | 'liquid-high') => {
    const payload = chargePlanned(start, [{ id: 'cylinder-7', kind: 'cylinder', grossG: 9120, tareG: 3410 }], {
      ...usualChoices(start),
      way,
    })
    return later(
      start,
      71,
      { kind: 'charge-planned', payload },
      { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9120 } },
      part('line', 'purged'),
    )
  }
  /** Presses the call's button and records what it stands for, without one caution. */
  const press = (state: JobState, m: number, more: object = {}): JobState => {
    const deeds = deedsOf(callFor(state, live(m, more)))
    for (const deed of deeds) {
      const before = deeds.slice(0, deeds.indexOf(deed))
      expect(cautionsBefore(later(state, m, ...before), deed).map((c) => c.code)).toEqual(
        deed.kind === 'part-set' && deed.payload.part === 'valve-high' && deed.payload.state === 'open'
          ? ['high-open-charge']
          : [],
      )
    }
    return later(state, m, ...deeds)
  }

  test('liquid: the container inverted, the high valve only, the engine never called for', () => {
    const state = begun('liquid-high')
    expect(callFor(state, live(72)).sentence).toMatch(/Invert it/)
    const open = press(state, 72)
    expect(open.rig).toMatchObject({
      'container-pose': 'inverted',
      'valve-high': 'open',
      'valve-low': 'closed',
      engine: 'off',
    })
    const flowing = callFor(open, live(74, { scaleG: 8900, flowGMin: 60 }))
    expect(flowing.sentence).toMatch(/Hand on the high valve/)
    expect(flowing.plain).toEqual([])
    // the pressures meet before the weight is in: named, and the rest goes another way, after its rest
    const early = callFor(open, live(74, { scaleG: 8900, flowGMin: 1 }))
    expect([early.sentence, early.plain]).toEqual(['The liquid stopped early.', []])
    expect(early.why.join(' ')).toMatch(/stands 10 minutes/)
    const shut = press(open, 75, { scaleG: 8577, flowGMin: 60 })
    expect(shut.rig['valve-high']).toBe('closed')
    const weighed = later(shut, 76, { kind: 'container-ended', payload: { id: 'cylinder-7', grossG: 8577 } })
    const stands = callFor(weighed, live(77))
    expect(stands.watch.join()).toMatch(/never start against liquid/)
    expect([stands.sentence, stands.figure?.text]).toEqual([expect.stringMatching(/engine from$/), '11:26'])
    // ten minutes on the engine may start; before them it is cautioned
    const at = (m: number) => ({ ...part('engine', 'on'), happenedAt: new Date(minutes(m)).toISOString() })
    expect(cautionsBefore(weighed, at(80)).map((c) => c.code)).toEqual(['start-against-liquid'])
    expect(cautionsBefore(weighed, at(87))).toEqual([])
    expect(callFor(weighed, live(87)).sentence).toMatch(/Prove it/)
  })

  test('the first charge through both: the high valve is shut by the same press that starts the engine', () => {
    const open = press(begun('first-high'), 72)
    expect(open.rig).toMatchObject({ 'container-pose': 'upright', 'valve-high': 'open', 'valve-low': 'open' })
    const stalled = callFor(open, live(74, { scaleG: 9000, flowGMin: 1 }))
    expect(stalled.action.label).toBe('High shut, engine on')
    // whoever would rather shut it shuts both: an open high valve is not forgotten
    const plainly = stalled.plain[0]?.does
    expect(plainly?.do === 'record' && later(open, 74, ...plainly.deeds).rig).toMatchObject({
      'valve-low': 'closed',
      'valve-high': 'closed',
    })
    const running = later(open, 74, ...deedsOf(stalled))
    expect(running.rig).toMatchObject({ 'valve-high': 'closed', engine: 'on', 'valve-low': 'open' })
    expect(cautionsBefore(later(open, 74, part('valve-high', 'closed')), part('engine', 'on'))).toEqual([])
  })
})

test('the way of one hose takes the manifold off first, without one caution, and leaves the high side to be read again', () => {
  const start = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
  const payload = chargePlanned(start, [{ id: 'cylinder-7', kind: 'cylinder', grossG: 9120, tareG: 3410 }], {
    ...usualChoices(start),
    line: 'single-hose',
  })
  let state = later(start, 71, { kind: 'charge-planned', payload })
  const call = callFor(state, live(72))
  expect(call.sentence).toBe('Manifold off. One hose on the low port.')
  for (const deed of deedsOf(call)) {
    expect(cautionsBefore(state, deed).map((c) => c.code)).toEqual([])
    state = later(state, 72, deed)
  }
  expect(state.rig).toMatchObject({
    'coupler-high': 'off',
    'coupler-low': 'open',
    'valve-low': 'closed',
    'valve-high': 'closed',
  })
  expect(callFor(state, live(73)).sentence).toBe('cylinder-7 on the scale.')
})

test('two grams that a scale can hardly tell are no reason to put another container on', () => {
  const start = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
  const containers = [
    { id: 'cylinder-6', kind: 'cylinder' as const, grossG: 4000, tareG: 3460 },
    { id: 'cylinder-7', kind: 'cylinder' as const, grossG: 9120, tareG: 3410 },
  ]
  const planned = later(
    start,
    71,
    { kind: 'charge-planned', payload: chargePlanned(start, containers) },
    { kind: 'container-started', payload: { id: 'cylinder-6', grossG: 4000 } },
  )
  const ended = (grossG: number) =>
    callFor(later(planned, 80, { kind: 'container-ended', payload: { id: 'cylinder-6', grossG } }), live(81)).sentence
  expect(ended(3459)).toBe('538 g is in. Prove it.')
  expect(ended(3480)).toBe('cylinder-7 on the scale.')
})

describe('the proof', () => {
  const proving = later(
    job(CAR, ...HOLDING),
    70,
    { kind: 'hold-decided', payload: { next: 'charge' } },
    part('engine', 'on'),
    done('charge'),
  )
  const read = (engine: 'idle' | 'at-speed', lowPaG = 230_000): Deed => ({
    kind: 'proof-read',
    payload: { lowPaG, highPaG: 800_000, ventC: 8, ambientC: 11, note: '', engine },
  })

  test('a car that has just been started is left to run, and read from a time that is said', () => {
    expect(callFor(proving, live(72))).toMatchObject({
      sentence: 'Let it run. Read it from',
      figure: { text: expect.any(String) },
    })
    expect(callFor(proving, live(76)).sentence).toBe('Read both sides and the vent, at idle.')
    expect(callFor(later(proving, 72, part('engine', 'off')), live(76)).action).toMatchObject({ label: 'Engine is on' })
  })

  test('idle, then speed, then it is closed up; whoever has enough after one may go on', () => {
    const once = later(proving, 76, read('idle'))
    expect(callFor(once, live(77))).toMatchObject({
      sentence: 'Read it again at 1,500 rpm.',
      plain: [{ label: 'Enough, close it up' }],
    })
    const twice = later(once, 80, read('at-speed'))
    expect(callFor(twice, live(81))).toMatchObject({
      sentence: 'Proved. Leave it in order.',
      action: { label: 'Close it up' },
    })
  })

  test('readings that are not as they should be say what is likeliest, and never for certain', () => {
    const off = later(proving, 76, read('idle', -20_000), read('at-speed', -30_000))
    const call = callFor(off, live(81))
    expect(call.sentence).toBe('Read, and not as it should be.')
    expect(call.why.join(' ')).toMatch(/Likeliest, \d\d %: A restriction.*Never a certainty/)
  })
})
