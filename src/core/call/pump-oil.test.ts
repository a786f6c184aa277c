import { expect, test } from 'vitest'
import { refusalOf } from '../job/refusals'
import { currentPull, type JobState } from '../job/state'
import { procedureWritten } from '../job/written'
import { SCHOOLS } from '../schools/schools'
import { CAR, job, later, minutes, PULLING, part, RIGGED } from '../tests/job-fixture'
import { callFor } from './call'
import { cautionsBefore } from './cautions'
import type { Call, Deed, Live } from './types'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const live = (m: number, more: Partial<Live> = {}): Live => ({ nowMs: minutes(m), clock, ...more })
const call = (state: JobState, m: number, more: Partial<Live> = {}) => callFor(state, live(m, more))
const pressed = (state: JobState, m: number, button: Call['action'] | undefined): JobState =>
  button?.does.do === 'record' ? later(state, m, ...button.does.deeds) : expect.fail(`${button?.label} records nothing`)
const codes = (state: JobState, deed: Deed, m = 0) =>
  cautionsBefore(state, { ...deed, happenedAt: new Date(minutes(m)).toISOString() }).map((c) => c.code)
const OIL_BEGUN: Deed = { kind: 'pump-oil', payload: { stage: 'begun' } }

test('oil changed in the middle of a pull: valves shut, pump off, then the pull goes on', () => {
  const pulling = job(CAR, ...PULLING)
  const change = call(pulling, 30, { vacuumPa: 300 }).plain.find((b) => b.label === 'Change the pump’s oil')
  const shut = pressed(pulling, 30, change)
  expect([shut.rig['valve-low'], shut.rig['valve-high'], shut.rig.pump]).toEqual(['closed', 'closed', 'off'])
  expect(currentPull(shut)?.endedAt).toBeDefined()
  expect(call(shut, 31).sentence).toBe('Change its oil.')
  // a pump without oil is not started
  expect(codes(shut, part('pump', 'on'))).toContain('pump-without-oil')
  const filled = pressed(shut, 40, call(shut, 40).action)
  expect(codes(filled, part('pump', 'on'))).not.toContain('pump-without-oil')
  expect(call(filled, 41).sentence).toBe('Pump on.')
  const on = pressed(filled, 41, call(filled, 41).action)
  const again = pressed(on, 43, call(on, 43).action)
  expect(again.pulls).toHaveLength(2)
  expect(again.step).toBe('pull')
  expect(call(again, 44, { vacuumPa: 300 }).sentence).toBe('Leave it. Come back at')
})

test('the old oil may stay; a change that nobody began is refused, and one that is running too', () => {
  const begun = later(job(CAR, ...PULLING), 30, OIL_BEGUN)
  expect(refusalOf(begun, OIL_BEGUN)?.reason).toMatch(/being changed already/)
  expect(refusalOf(job(CAR, ...PULLING), { kind: 'pump-oil', payload: { stage: 'done' } })?.reason).toMatch(
    /nobody began/,
  )
  const left = pressed(begun, 31, call(begun, 31).plain[0])
  expect(left.oilOut).toBeUndefined()
})

test('oil drained with the car open to the pump is spoken of before', () => {
  const pulling = job(CAR, ...PULLING)
  expect(codes(pulling, OIL_BEGUN)).toEqual(['oil-without-valve'])
  const shut = later(pulling, 30, part('valve-low', 'closed'), part('valve-high', 'closed'), part('pump', 'off'))
  expect(codes(shut, OIL_BEGUN)).toEqual([])
})

test('a change of oil between two pulls with a sweep behind is no end of the pull', () => {
  const school = SCHOOLS.find((s) => s.name.startsWith('Triple')) ?? expect.fail('no triple')
  const { proves: _p, ...procedure } = school
  const pulling = job({ ...CAR, procedure: procedureWritten(procedure) }, ...PULLING)
  const change = call(pulling, 10, { vacuumPa: 900 }).plain.find((b) => b.label === 'Change the pump’s oil')
  const filled = pressed(pressed(pulling, 10, change), 15, call(pressed(pulling, 10, change), 15).action)
  expect(call(filled, 16).sentence).toBe('Pump on.')
})

test('in the cold a pump that was just started is not opened onto the car', () => {
  const cold = job({ ...CAR, place: { ...CAR.place, ambientC: 4 } }, ...RIGGED, [6, part('pump', 'on')])
  expect(codes(cold, part('valve-low', 'open'), 6.5)).toContain('pump-cold')
  expect(codes(cold, part('valve-low', 'open'), 7.5)).not.toContain('pump-cold')
  const warm = job(CAR, ...RIGGED, [6, part('pump', 'on')])
  expect(codes(warm, part('valve-low', 'open'), 6.1)).not.toContain('pump-cold')
})

test('nitrogen goes in no higher than this car’s label allows, whatever the procedure asks', () => {
  const school = SCHOOLS.find((s) => s.name.startsWith('Triple')) ?? expect.fail('no triple')
  const { proves: _p, ...procedure } = school
  const shut = later(
    job({ ...CAR, procedure: procedureWritten(procedure) }, ...PULLING),
    30,
    part('valve-low', 'closed'),
    part('valve-high', 'closed'),
    part('pump', 'off'),
  )
  expect(call(shut, 31).sentence).toMatch(/to 20 kPa/)
  expect(call(shut, 31).why[0]).toMatch(/nobody has said yet/)
  const told = later(shut, 31, { kind: 'car-told', payload: { nitrogenLimitPaG: 12_000 } })
  expect(call(told, 31).sentence).toMatch(/to 12 kPa/)
  expect(call(told, 31).why[0]).toMatch(/asks for 20 kPa.*allows 12 kPa/)
  const swept = (pressurePaG: number) =>
    refusalOf(told, { kind: 'nitrogen-swept', payload: { passes: 1, pressurePaG } })
  expect(swept(20_000)).toMatchObject({ path: 'pressurePaG', reason: expect.stringMatching(/12 kPa this car’s label/) })
  expect(swept(12_000)).toBeNull()
  const after = pressed(told, 32, call(told, 32).action)
  expect(after.sweeps[0]?.pressurePaG).toBe(12_000)
})
