import { expect, test } from 'vitest'
import { PA_PER_INHG } from '../units/constants'
import { holdSamples } from './samples'

const AIR = 101_325

test('a needle beyond its stop is lifted whole, so that its rise is judged and not cut at nothing', () => {
  // half an inch beyond what the air can give, and two inches of rise: stored pressures are cut at zero
  const inches = [30.4, 29.9, 28.4]
  const readings = inches.map((inHg, i) => ({ at: i * 600_000, value: Math.max(0, AIR - inHg * PA_PER_INHG), inHg }))
  const pa = holdSamples(readings, 0, Number.POSITIVE_INFINITY, AIR).map((s) => s.pressurePa)
  expect(pa[0]).toBeCloseTo(0, 6)
  expect((pa[2] ?? 0) / PA_PER_INHG).toBeCloseTo(2, 6)
})

test('readings of a gauge of its own are as they are stored, in order, from isolation on', () => {
  const readings = [300, 100, 200].map((s) => ({ at: s * 1000, value: s, inHg: null }))
  expect(holdSamples(readings, 150_000, 250_000, AIR)).toEqual([{ elapsedS: 50, pressurePa: 200 }])
})
