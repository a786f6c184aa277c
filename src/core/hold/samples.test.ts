import { expect, test } from 'vitest'
import { airOverTime } from '../units/air-over-time'
import { PA_PER_INHG } from '../units/constants'
import { holdSamples } from './samples'

const AIR = 101_325
const CALM = airOverTime([], AIR)

test('a needle beyond its stop is lifted whole, so that its rise is judged and not cut at nothing', () => {
  // half an inch beyond what the air can give, and two inches of rise: stored pressures are cut at zero
  const inches = [30.4, 29.9, 28.4]
  const readings = inches.map((inHg, i) => ({ at: i * 600_000, value: Math.max(0, AIR - inHg * PA_PER_INHG), inHg }))
  const pa = holdSamples(readings, 0, Number.POSITIVE_INFINITY, CALM).map((s) => s.pressurePa)
  expect(pa[0]).toBeCloseTo(0, 6)
  expect((pa[2] ?? 0) / PA_PER_INHG).toBeCloseTo(2, 6)
})

test('readings of a gauge of its own are as they are stored, in order, from isolation on', () => {
  const readings = [300, 100, 200].map((s) => ({ at: s * 1000, value: s, inHg: null }))
  expect(holdSamples(readings, 150_000, 250_000, CALM)).toEqual([{ elapsedS: 50, pressurePa: 200 }])
})

test('a barometer that was read at both ends takes the weather out: a night’s fall is no rise of the car', () => {
  // the air falls by 1,000 Pa over ten hours, and the needle with it, by 0.3 inches: the car stands still at 4,000 Pa
  const hours = [0, 5, 10]
  const fallen = (h: number) => AIR - 100 * h
  const readings = hours.map((h) => {
    const inHg = (fallen(h) - 4000) / PA_PER_INHG
    return { at: h * 3_600_000, value: AIR - inHg * PA_PER_INHG, inHg }
  })
  const rise = (air: ReturnType<typeof airOverTime<number>>) => {
    const pa = holdSamples(readings, 0, Number.POSITIVE_INFINITY, air).map((s) => s.pressurePa)
    return (pa[2] ?? 0) - (pa[0] ?? 0)
  }
  expect(rise(CALM)).toBeCloseTo(1000, 6)
  const read = airOverTime(
    [0, 10].map((h) => ({ at: h * 3_600_000, pa: fallen(h) })),
    AIR,
  )
  expect(read.read).toBe(true)
  expect(rise(read)).toBeCloseTo(0, 6)
})
