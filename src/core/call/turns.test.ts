import { describe, expect, test } from 'vitest'
import { chargePlanned, usualChoices } from '../charge/plan-for-job'
import { lossOf } from '../hold/loss'
import { doingWords } from '../job/doing'
import { refusalOf } from '../job/refusals'
import { chargedG, type JobState } from '../job/state'
import { summarise } from '../job/summary'
import { CAR, CYLINDER_PLANNED, done, HOLDING, job, later, minutes, part, rest } from '../tests/job-fixture'
import { USUAL_SAY } from '../units/say'
import { callFor } from './call'
import { cautionsBefore } from './cautions'
import { turnBack, turnsOf } from './turns'
import type { Call, Deed, Live } from './types'
import { chargeKnowingly, endingsOf, leakAhead, mayPark } from './ways-out'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const live = (m: number, more: Partial<Live> = {}): Live => ({ nowMs: minutes(m), clock, ...more })
const deedsOf = (call: Call): Deed[] => (call.action.does.do === 'record' ? call.action.does.deeds : [])

const HELD: Deed = {
  kind: 'hold-ended',
  payload: {
    verdict: 'leak',
    leak: 0.99,
    damp: 0.05,
    risePaS: 0.01,
    provesGramsPerYear: 40,
    leakGramsPerYear: 200,
    heldS: 1800,
    samples: 1800,
    reasons: ['straight'],
  },
}
const holding = job(CAR, ...HOLDING)
const PLAN = CYLINDER_PLANNED
/** 540 g in, read with the low side in a vacuum: a restriction. */
const charged = later(
  holding,
  75,
  { kind: 'hold-ended', payload: { ...HELD.payload, verdict: 'tight', leak: 0.01 } } as Deed,
  { kind: 'hold-decided', payload: { next: 'charge' } },
  PLAN,
  { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9000 } },
  { kind: 'container-ended', payload: { id: 'cylinder-7', grossG: 8460 } },
  done('charge'),
)
const proved = later(
  charged,
  90,
  part('engine', 'on'),
  ...(['idle', 'at-speed'] as const).map(
    (engine): Deed => ({
      kind: 'proof-read',
      payload: { lowPaG: -40_000, highPaG: 700_000, ventC: 22, ambientC: 24, note: '', engine },
    }),
  ),
)
const to = (state: JobState) => turnsOf(state, USUAL_SAY).map((t) => t.to)

describe('back to an earlier step', () => {
  test('every earlier step is offered with what it undoes, none before it or after', () => {
    expect(to(job(CAR))).toEqual([])
    expect(to(holding)).toEqual(['pull', 'rig', 'fix', 'zero'])
    const fix = turnsOf(holding, USUAL_SAY).find((t) => t.to === 'fix')
    expect(fix?.undoes.join(' ')).toMatch(/unjudged.*vacuum is lost/)
    expect(refusalOf(holding, turnBack('charge', 'x'))?.reason).toMatch(/lies not before it/)
  })

  test('a hold that is turned from ends there unjudged; the next pull has a hold of its own', () => {
    const back = later(holding, 60, turnBack('pull', 'a hose was off'))
    expect(back.step).toBe('pull')
    expect(back.holds[0]).toMatchObject({ left: { why: 'a hose was off' } })
    expect(callFor(back, live(61)).sentence).toBe('Pump on.')
    const again = later(
      back,
      62,
      part('centre-hose', 'pump'),
      part('pump', 'on'),
      part('valve-low', 'open'),
      part('valve-high', 'open'),
    )
    expect(again.pulls).toHaveLength(2)
  })

  test('with a charge inside the other ways are barred, and opening it is cautioned', () => {
    const turns = turnsOf(proved, USUAL_SAY)
    expect(turns.filter((t) => t.bars !== undefined).map((t) => t.to)).toEqual(['pull', 'rig', 'fix'])
    expect(turns.find((t) => t.to === 'zero')?.undoes[0]).toMatch(/540 g are in the car and have to be recovered/)
    expect(cautionsBefore(proved, turnBack('fix', 'x')).map((c) => c.code)).toEqual(['charge-inside'])
    expect(cautionsBefore(proved, turnBack('zero', 'x'))).toEqual([])
  })

  test('a restriction found in the proof: recovered, mended, pulled and charged again in one job', () => {
    const call = callFor(proved, live(91))
    // the likeliest cause leads: closing it up is what one may do all the same
    const way = call.action
    expect([way.label, call.plain[0]?.label]).toEqual(['Recover it and go back', 'Close it up all the same'])
    // nothing is read at rest while the engine runs
    expect(way?.does).toMatchObject({
      deeds: [part('engine', 'off'), { kind: 'turned-back', payload: { to: 'zero' } }],
    })
    let state = later(proved, 92, ...(way?.does.do === 'record' ? way.does.deeds : []))
    expect(state.rig.engine).toBe('off')
    expect(callFor(state, live(92)).sentence).toBe('Read both gauges at rest.')
    state = later(state, 93, rest(450_000))
    expect(callFor(state, live(93)).sentence).toBe('Recover it first.')
    state = later(state, 100, { kind: 'recovered', payload: { grams: 530 } }, rest(0))
    // what it had is spent; what it came with, and lost, is no other for it
    expect(chargedG(state)).toBe(0)
    expect(state.spent).toMatchObject([{ chargedG: 540, recoveredG: 530 }])
    expect(lossOf(state)).toBeNull()
    expect(state.proofs).toEqual([])
    state = later(state, 101, done('zero'), done('fix'), done('rig'))
    expect(state.step).toBe('pull')
    // the same cylinder goes on again
    state = later(state, 101, ...(['pull', 'isolate'] as const).map(done))
    state = later(state, 140, { kind: 'isolated', payload: {} }, { kind: 'hold-decided', payload: { next: 'charge' } })
    const replanned = later(state, 141, PLAN)
    expect(refusalOf(state, PLAN)).toBeNull()
    expect(refusalOf(replanned, { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 8460 } })).toBeNull()
  })
})

describe('what may follow a hold', () => {
  const leaking = later(holding, 71, HELD)

  test('a leak may be charged knowingly, with its life until the label is missed', () => {
    expect(callFor(leaking, live(72)).plain.map((b) => b.label)).toContain('Charge it knowingly')
    // 15 g of tolerance at 200 g a year are 27 days
    expect(leakAhead(leaking, USUAL_SAY)?.words).toMatch(/Up to 200 g a year.*after 27 days/)
    const on = later(leaking, 73, ...chargeKnowingly(200, 'for this summer', 'knows'))
    expect(on.step).toBe('charge')
    expect(on.accepted).toMatchObject({ gramsPerYear: 200, customer: 'knows' })
    expect(leakAhead(holding, USUAL_SAY)).toBeNull()
  })

  test('left under vacuum with its couplers off it wants nobody before its time, and they go on again first', () => {
    expect(mayPark(holding)).toBe(true)
    expect(mayPark(proved)).toBe(false)
    const parked = later(holding, 60, {
      kind: 'parked',
      payload: { why: 'the bay closes', couplers: 'off', comeBackAt: new Date(minutes(900)).toISOString() },
    })
    expect(parked.rig['coupler-low']).toBe('off')
    expect(summarise(parked)).toMatchObject({ rests: 'parked', doing: { code: 'parked' } })
    expect(doingWords(summarise(parked))).toBe('left under vacuum')
    const call = callFor(parked, live(61, { vacuumPa: 60 }))
    expect([call.sentence, call.figure?.text]).toEqual(['Left under vacuum. Come back at', '01:00'])
    const up = later(parked, 900, ...deedsOf(call))
    expect(callFor(up, live(900)).sentence).toBe('Push both couplers on, closed.')
    const on = later(up, 901, part('coupler-low', 'open'), part('coupler-high', 'open'))
    expect(callFor(on, live(901, { vacuumPa: 60 })).sentence).not.toMatch(/coupler/)
    expect(on.holds).toHaveLength(1)
  })

  test('a needle is told what it should show then, and what the weather makes of it', () => {
    const needle = job({ ...CAR, rig: { ...CAR.rig, gauge: 'needle' } }, ...HOLDING)
    const parked = later(needle, 60, { kind: 'parked', payload: { why: 'waits for a part', couplers: 'on' } })
    // 24.4 inHg of air at Cerro Lumen, 22 of them below it: 0.3 inHg less when the barometer falls by 10 mbar
    const { barometerPa } = CAR.place
    const inches = barometerPa / 3386.389
    const said = callFor(parked, live(61, { vacuumPa: barometerPa - 22 * 3386.389 })).why.join(' ')
    expect(inches).toBeGreaterThan(22)
    expect(said).toMatch(/should show 22\.0 inHg then.*; 21\.7 if the barometer falls/)
  })
})

describe('ended early', () => {
  test('as what it is: charged without proof, for leaks only, handed over, given up; and opened again', () => {
    expect(endingsOf(charged, USUAL_SAY)[0]).toMatchObject({ as: 'without-proof' })
    expect(endingsOf(charged, USUAL_SAY)[0]?.leaves).toMatch(/540 g stay in the car/)
    expect(endingsOf(holding, USUAL_SAY).map((e) => e.as)).toEqual(['without-charge', 'handed-over', 'given-up'])
    expect(endingsOf(job(CAR), USUAL_SAY).map((e) => e.as)).toEqual(['handed-over', 'given-up'])
    const closed = later(charged, 80, { kind: 'closed', payload: { as: 'without-proof', why: 'no battery' } })
    expect(summarise(closed)).toMatchObject({ rests: 'closed', doing: { code: 'without-proof' }, comeBackAt: null })
    expect(doingWords(summarise(closed))).toBe('closed without proof')
    const call = callFor(closed, live(81))
    expect([call.sentence, call.form, call.plain[0]?.label]).toEqual(['Closed without proof.', 'sign', 'Open it again'])
    expect(turnsOf(closed, USUAL_SAY)).toEqual([])
    const open = later(closed, 82, { kind: 'reopened', payload: { why: 'the battery came' } })
    expect(callFor(open, live(83)).sentence).toMatch(/Read both sides/)
    expect(refusalOf(open, { kind: 'reopened', payload: { why: 'x' } })?.reason).toMatch(/not closed/)
  })
})

describe('the rig that is there', () => {
  const walk = (opened: typeof CAR, from: number) => {
    let state = job(opened, [1, rest(0)], [2, done('zero')], [3, done('fix')])
    const said: string[] = []
    for (let m = from; state.step === 'rig' || state.step === 'pull'; m++) {
      const call = callFor(state, live(m))
      said.push(call.sentence)
      if (deedsOf(call).length === 0 || said.length > 12) break
      for (const deed of deedsOf(call)) {
        expect(cautionsBefore(state, deed), call.sentence).toEqual([])
        state = later(state, m, deed)
      }
    }
    return { state, said }
  }

  test('one hose on the low port asks for nothing of the high side, and says what stays unproved', () => {
    const { state, said } = walk({ ...CAR, rig: { ...CAR.rig, hoses: 1 } }, 4)
    expect(said).toContain('Push the low coupler on, closed.')
    expect(said).toContain('Open the low valve.')
    expect(state.rig).toMatchObject({ 'coupler-high': 'off', 'valve-high': 'closed', 'valve-low': 'open' })
    expect(state.pulls).toHaveLength(1)
    const held = later(state, 60, done('pull'))
    expect(deedsOf(callFor(held, live(60))).map((d) => d.kind)).toContain('isolated')
    const proving = later(held, 61, done('isolate'), { kind: 'hold-skipped', payload: { why: 'x' } }, done('charge'))
    expect(callFor(proving, live(62)).sentence).toBe('Read the low side and the vent, at idle.')
    const leaving = later(proving, 63, done('prove'))
    const tasks: string[] = []
    for (let s = leaving; callFor(s, live(64)).form !== 'sign'; s = later(s, 64, ...deedsOf(callFor(s, live(64)))))
      tasks.push(callFor(s, live(64)).sentence)
    expect(tasks.join(' ')).not.toMatch(/High coupler/)
    expect(tasks).toHaveLength(6)
  })

  test('core tools without a manifold: tools, cores out, pull; cores go in before a tool comes off', () => {
    const { pumpHose: _none, ...rig } = CAR.rig
    const { state, said } = walk({ ...CAR, rig: { ...rig, cores: 'out' } }, 4)
    expect(said.slice(0, 4)).toEqual([
      'Shut the tools’ valves.',
      'Tools on both ports.',
      'Cores out, through the tools.',
      'Hoses to the pump.',
    ])
    expect(state.rig.cores).toBe('out')
    const leaving = later(
      state,
      60,
      ...(['pull', 'isolate'] as const).map(done),
      { kind: 'hold-skipped', payload: { why: 'x' } },
      ...(['charge', 'prove'] as const).map(done),
    )
    const first = callFor(leaving, live(61))
    expect(first.sentence).toMatch(/^Cores back in/)
    expect(later(leaving, 61, ...deedsOf(first)).rig.cores).toBe('in')
  })

  test('a fourth port: the container hangs from the start, and there is nothing to purge', () => {
    const opened = { ...CAR, rig: { ...CAR.rig, fourPort: true as const } }
    const four = later(job(opened, ...HOLDING), 75, { kind: 'hold-skipped', payload: { why: 'x' } })
    const three = later(holding, 75, { kind: 'hold-skipped', payload: { why: 'x' } })
    const purges = (state: JobState) => {
      const containers = [{ id: 'cylinder-7', kind: 'cylinder' as const, grossG: 9000, tareG: 4000 }]
      const payload = chargePlanned(state, containers, usualChoices(state))
      const begun = later(
        state,
        76,
        { kind: 'charge-planned', payload },
        { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9000 } },
      )
      return [payload.stops[0]?.purgeG, callFor(begun, live(77)).sentence]
    }
    expect(purges(four)).toEqual([0, 'Open the container and the low valve.'])
    expect(purges(three)).toEqual([3, 'Purge the line.'])
  })

  test('couplers that open by themselves are not asked to be opened', () => {
    const { said } = walk({ ...CAR, rig: { ...CAR.rig, couplers: 'auto' } }, 4)
    expect(said).toContain('Push both couplers on.')
    expect(said.join(' ')).not.toMatch(/Open the coupler/)
  })
})

describe('mistakes at the moment they can be undone', () => {
  const codes = (state: JobState, name: string, to: string) => cautionsBefore(state, part(name, to)).map((c) => c.code)
  const pulling = later(holding, 50, part('centre-hose', 'pump'), part('valve-low', 'open'))
  const atCharge = later(holding, 75, { kind: 'hold-skipped', payload: { why: 'x' } }, PLAN)

  test.each([
    ['the centre hose off with a valve open', pulling, 'centre-hose', 'off', 'hose-off-valve-open'],
    ['a coupler off that still presses the core', holding, 'coupler-low', 'off', 'coupler-off-open'],
    ['the engine on with nothing in it', atCharge, 'engine', 'on', 'engine-in-vacuum'],
    ['the gauge still on when pressure comes', atCharge, 'container-valve', 'open', 'gauge-under-pressure'],
  ])('%s', (_name, state, name, to, code) => {
    expect(codes(state, name, to)).toContain(code)
  })

  test('a hose of the recovery machine is warned of where the hose goes to the pump, and at no other moment', () => {
    let state = job(CAR, [1, rest(0)], [2, done('zero')], [3, done('fix')])
    const warned: string[] = []
    while (state.step === 'rig') {
      const call = callFor(state, live(4))
      if (call.why.join(' ').includes('recovery machine')) warned.push(call.sentence)
      state = later(state, 4, ...deedsOf(call))
    }
    expect(warned).toEqual(['Centre hose to the pump.'])
  })

  test('a core of a size these ports do not take', () => {
    const fixed = (what: 'core-small' | 'core-large', count: number, ports?: object) =>
      cautionsBefore(job(CAR), {
        kind: 'fix-logged',
        payload: { renewed: [{ what, count }], openHours: 1, oilOwedMl: 0, oilReason: '', ...(ports && { ports }) },
      } as Deed).map((c) => c.code)
    expect(fixed('core-large', 1, { low: 'small', high: 'small' })).toEqual(['core-size'])
    expect(fixed('core-small', 2, { low: 'small', high: 'large' })).toEqual(['core-size'])
    expect(fixed('core-small', 1, { low: 'small', high: 'large' })).toEqual([])
    expect(fixed('core-large', 2)).toEqual([])
  })

  test('none of them where the hand did it right', () => {
    const shut = later(holding, 50, part('centre-hose', 'pump'))
    expect(codes(shut, 'centre-hose', 'off')).toEqual([])
    expect(codes(later(holding, 50, part('coupler-low', 'on')), 'coupler-low', 'off')).toEqual([])
    expect(codes(later(atCharge, 76, part('gauge-valve', 'closed')), 'container-valve', 'open')).toEqual([])
    const started = later(atCharge, 76, { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9000 } })
    expect(codes(started, 'engine', 'on')).toEqual([])
  })
})
