import { expect, test } from 'vitest'
import type { JobState } from '../job/state'
import type { PullForecast } from '../pull/forecast'
import { CAR, job } from '../tests/job-fixture'
import { movedAlarm, thoughtMs, toldOfThisPull } from './moved'
import type { Live } from './types'

const T0 = Date.parse('2026-03-01T10:00:00.000Z')
const MINUTE = 60_000
const pulling = (): JobState => {
  const state = job(CAR)
  const procedure = { ...state.opened.procedure, pullMinutes: 30 }
  return {
    ...state,
    opened: { ...state.opened, procedure },
    step: 'pull',
    pulls: [{ startedAt: new Date(T0).toISOString() }],
  }
}
const ends = (minutes: number): Live => ({
  nowMs: T0 + 5 * MINUTE,
  clock: (ms) => new Date(ms).toISOString().slice(11, 16),
  forecast: { p50Ms: T0 + minutes * MINUTE, p90Ms: null } as PullForecast,
})

test('a pull that ends much later than thought is told with its time, a little later is not', () => {
  expect(movedAlarm(pulling(), ends(38), [])).toBeNull()
  expect(movedAlarm(pulling(), ends(75), [])?.sentence).toBe('The pull ends 45 min later than thought, at 11:15.')
  // half an hour later is worth a word when two hours were thought of, a few minutes are not
  const told = [`moved:1:${T0 + 125 * MINUTE}`]
  expect(movedAlarm(pulling(), ends(112), told)).toBeNull()
  expect(movedAlarm(pulling(), ends(95), told)?.sentence).toContain('30 min earlier')
})

test('what was told last is what is thought now; another pull begins anew', () => {
  const rung = [`moved:1:${T0 + 75 * MINUTE}`, 'target:1', `moved:1:${T0 + 60 * MINUTE}`]
  expect(thoughtMs(pulling(), rung)).toBe(T0 + 60 * MINUTE)
  expect(movedAlarm(pulling(), ends(61), rung)).toBeNull()
  const second = { ...pulling(), pulls: [...pulling().pulls, { startedAt: new Date(T0 + 60 * MINUTE).toISOString() }] }
  expect(thoughtMs(second, rung)).toBe(T0 + 90 * MINUTE)
  expect(toldOfThisPull(second, rung[0] as string)).toBe(false)
  expect(thoughtMs({ ...pulling(), step: 'hold' }, rung)).toBeNull()
})
