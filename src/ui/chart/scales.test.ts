import fc from 'fast-check'
import { expect, test } from 'vitest'
import { thin } from '../hooks/use-job-live'
import { linear, niceTicks, spread, timeTicks } from './scales'

test('labels moved apart keep their order, their distance and their field', () => {
  const labels = fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 1, maxLength: 10 })
  fc.assert(
    fc.property(labels, (ys) => {
      const placed = spread(
        ys.map((y) => ({ y })),
        20,
        0,
        300,
      )
      for (let i = 1; i < placed.length; i++) expect((placed[i]?.y ?? 0) - (placed[i - 1]?.y ?? 0)).toBeGreaterThanOrEqual(19.999)
      expect(placed[placed.length - 1]?.y).toBeLessThanOrEqual(300)
    }),
  )
})

test('ticks are round and within', () => {
  expect(niceTicks(103, 520, 4)).toEqual([200, 400])
  expect(niceTicks(0, 9, 4)).toEqual([0, 5])
})

test('times on the axis are whole and few', () => {
  const from = Date.parse('2026-03-02T10:07:00Z')
  const ticks = timeTicks(from, from + 90 * 60_000, 6)
  expect(ticks.length).toBeLessThanOrEqual(7)
  expect(ticks.every((t) => t % (15 * 60_000) === 0)).toBe(true)
})

test('a scale maps its ends to its ends', () => {
  const x = linear(10, 20, 100, 300)
  expect([x(10), x(15), x(20)]).toEqual([100, 200, 300])
})

test('a thinned curve keeps its deepest and its highest point', () => {
  const points = Array.from({ length: 1000 }, (_, i) => ({ at: i, value: i === 501 ? -5 : i === 502 ? 99 : 10 }))
  const kept = thin(points)
  expect(kept.length).toBeLessThanOrEqual(500)
  expect(kept.map((p) => p.value)).toEqual(expect.arrayContaining([-5, 99]))
  expect(kept.every((p, i) => i === 0 || p.at > (kept[i - 1]?.at ?? 0))).toBe(true)
})
