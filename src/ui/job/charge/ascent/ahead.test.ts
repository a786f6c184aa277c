import { expect, test } from 'vitest'
import type { Deed, Live } from '@/core/call/types'
import { levelsOf } from '@/core/charge/levels'
import { chargePlanned } from '@/core/charge/plan-for-job'
import { watchContainer } from '@/core/charge/watch-container'
import { CAR, HOLDING, job, later, minutes } from '@/core/tests/job-fixture'
import { aheadOf, ascentOf, lensRange } from './ahead'

const start = later(job(CAR, ...HOLDING), 70, { kind: 'hold-decided', payload: { next: 'charge' } })
const containers = [
  { id: 'can-1', kind: 'can' as const, grossG: 474, netG: 340 },
  { id: 'cylinder-7', kind: 'cylinder' as const, grossG: 9120, tareG: 3410 },
]
const planned = later(start, 71, { kind: 'charge-planned', payload: chargePlanned(start, containers) })
const on = (id: string, grossG: number): Deed => ({ kind: 'container-started', payload: { id, grossG } })
const live = (scaleG: number, flowGMin?: number): Live => ({
  nowMs: minutes(80),
  clock: String,
  scaleG,
  ...(flowGMin !== undefined && { flowGMin }),
})

test('the next closing comes when this flow has brought what this container owes, and an open valve is over later still', () => {
  const last = later(
    planned,
    72,
    on('can-1', 474),
    { kind: 'container-ended', payload: { id: 'can-1', grossG: 171 } },
    on('cylinder-7', 9120),
  )
  // 300 g are in, 540 are wanted: 100 of 240 have left the cylinder with 3 g purged
  const ahead = aheadOf(last, live(9017, 60), levelsOf(last))
  expect(ahead).toMatchObject({ nowG: 400, goalG: 540, mostG: 555, last: true })
  expect(ahead.closeMs).toBeCloseTo(minutes(80) + (140 / 60) * 60_000, 3)
  expect(ahead.overMs).toBeCloseTo(minutes(80) + (155 / 60) * 60_000, 3)
})

test('a can on the way is closed at its own share, and nothing is foretold of a valve that is left open', () => {
  const first = later(planned, 72, on('can-1', 474))
  const ahead = aheadOf(first, live(374, 60), levelsOf(first))
  expect(ahead.last).toBe(false)
  expect(ahead.goalG).toBeLessThan(340)
  expect(lensRange(ahead, 15, 540).high).toBeLessThan(400)
})

test('without a flow no time is told, and a charge past its goal has no closing left', () => {
  const first = later(planned, 72, on('can-1', 474))
  expect(aheadOf(first, live(374), levelsOf(first))).toMatchObject({ closeMs: null, overMs: null })
  expect(aheadOf(first, live(120, 60), levelsOf(first)).closeMs).toBeNull()
})

test('the curve counts out what the call counts out: a hose that leans, a bump, and nothing else', () => {
  const first = later(planned, 72, on('can-1', 474))
  const at = (s: number) => minutes(72) + s * 1000
  // a gram a second; a bump at 20 s, a hose of 42 g from 40 s on
  const scale = Array.from({ length: 60 }, (_, s) => ({
    at: at(s),
    value: 474 - s + (s === 20 ? 85 : 0) + (s >= 40 ? 42 : 0),
  }))
  const curve = ascentOf(first, scale, 1)
  for (const p of curve.slice(1))
    expect(Math.abs(p.value - Math.max(0, (p.at - minutes(72)) / 1000 - 3))).toBeLessThan(3)
  expect(curve.length).toBeGreaterThan(55)
})

test('at ten times the wall’s clock the curve counts out what the call counts out: a hose that is taken off is no refrigerant', () => {
  const first = later(planned, 72, on('can-1', 474))
  // two seconds of the job between two readings are a fifth of a second of the hand: nothing flows 42 g in that
  const scale = Array.from({ length: 60 }, (_, i) => ({
    at: minutes(72) + i * 2000,
    value: 474 - i * 0.2 - (i >= 30 ? 42 : 0),
  }))
  expect(ascentOf(first, scale, 10).at(-1)?.value).toBeLessThan(15)
  expect(watchContainer(scale, { fromMs: minutes(72) }, 10, 2).events.map((e) => e.kind)).toEqual(['leaning'])
  // the same weights a second apart on a clock of the wall's own could be a flow
  expect(ascentOf(first, scale, 1).at(-1)?.value).toBeGreaterThan(40)
})

test('the lens always holds what is in now, and never begins below nothing', () => {
  const first = later(planned, 72, on('can-1', 474))
  for (const scaleG of [474, 400, 300, 140, 100]) {
    const ahead = aheadOf(first, live(scaleG, 60), levelsOf(first))
    const { low, high } = lensRange(ahead, 15, 540)
    expect(low).toBeGreaterThanOrEqual(0)
    expect(low).toBeLessThanOrEqual(ahead.nowG)
    expect(high).toBeGreaterThan(ahead.nowG)
  }
})
