import { expect, test } from 'vitest'
import { foldJob } from '@/core/job/reduce'
import { CAR, eventAt, minutes, PULLING } from '@/core/tests/job-fixture'
import type { LiveJob } from '../hooks/use-job-live'
import type { Kept } from './store'
import { withWaiting } from './with-waiting'

const at = (m: number) => new Date(minutes(m)).toISOString()
const told: LiveJob = {
  events: [eventAt(0, { kind: 'job-opened', payload: CAR }), ...PULLING.map(([m, d]) => eventAt(m, d))],
  clock: [],
  latest: { vacuum: { value: 400, at: at(20), sentValue: 3000, sentUnit: 'micron', instrument: 'hand' } },
  vacuum: [{ at: minutes(20), value: 400 }],
  pump: [],
  scale: [],
  sides: { low: [], high: [], vent: [] },
  warmth: [],
  typed: [],
  benchTrouble: null,
  judged: null,
  forecast: null,
  rung: [],
  ringing: [],
  here: [],
}
const base = { n: 1, jobId: 'job', who: 'a', whoName: 'Teo Brisal', doneAtMs: 0, knew: [] }
const closed = (id: string, state: Kept['state'] = 'waiting'): Kept => ({
  ...base,
  state,
  kind: 'events',
  events: [{ id, happenedAt: at(30), seen: 5, kind: 'part-set', payload: { part: 'valve-low', state: 'closed' } }],
})
const typed = (m: number, value: number): Kept => ({
  ...base,
  state: 'waiting',
  kind: 'readings',
  readings: [{ seq: m, channel: 'vacuum', value, unit: 'micron', at: at(m) }],
})

test('a deed that waits counts as done, by who did it, until the server has it', () => {
  const shown = withWaiting(told, [closed('w-1')])
  expect(foldJob(shown.events).rig['valve-low']).toBe('closed')
  expect(shown.events.at(-1)).toMatchObject({ by: 'Teo Brisal', happenedAt: at(30) })
  const stored = { ...told, events: shown.events }
  expect(withWaiting(stored, [closed('w-1')]).events).toHaveLength(stored.events.length)
})

test('what is still being sent, or was refused, does not count', () => {
  expect(withWaiting(told, [closed('w-1', 'trying')])).toBe(told)
  expect(withWaiting(told, [closed('w-1', 'refused')])).toBe(told)
})

test('a reading that waits stands on its curve at its own time, and is the newest only where it is', () => {
  const shown = withWaiting(told, [typed(40, 1000), typed(10, 9000)])
  expect(shown.vacuum.map((p) => p.at)).toEqual([minutes(10), minutes(20), minutes(40)])
  // 1000 micron
  expect(shown.vacuum.at(-1)?.value).toBeCloseTo(133.3224, 3)
  expect(shown.latest.vacuum).toMatchObject({ at: at(40), sentValue: 1000, instrument: 'hand' })
})
