import { expect, test } from 'vitest'
import { recentSlope } from './slope'

const line = (n: number, perS: number, from = 0) =>
  Array.from({ length: n }, (_, i) => ({ at: from + i * 1000, value: 500 + perS * i }))

test('a straight line has its slope, a level one none', () => {
  expect(recentSlope(line(60, -2), 30_000)).toBeCloseTo(-2, 9)
  expect(recentSlope(line(60, 0), 30_000)).toBe(0)
})

test('one bumped reading moves nothing', () => {
  const points = line(60, -2)
  points[50] = { at: 50_000, value: 9000 }
  expect(recentSlope(points, 30_000)).toBeCloseTo(-2, 9)
})

test('only what is recent counts, and too little is nothing', () => {
  const bend = [...line(60, -10), ...line(60, 3, 60_000)]
  expect(recentSlope(bend, 30_000)).toBeCloseTo(3, 9)
  expect(recentSlope(line(3, 1), 30_000)).toBeUndefined()
  expect(recentSlope([], 30_000)).toBeUndefined()
})
