import { describe, expect, test } from 'vitest'
import { PA_PER_MICRON } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { clean } from './problems'
import type { HoldContext, HoldSample } from './types'

const CONTEXT: HoldContext = {
  volumeL: 2.5,
  instrument: 'electronic',
  resolutionPa: PA_PER_MICRON,
  ambientC: 22,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  plannedS: 3600,
}
const read = (times: readonly number[], micron: (s: number) => number): HoldSample[] =>
  times.map((elapsedS) => ({ elapsedS, pressurePa: micron(elapsedS) * PA_PER_MICRON }))
const every = (stepS: number, untilS: number): number[] =>
  Array.from({ length: untilS / stepS + 1 }, (_, i) => i * stepS)
const codes = (samples: readonly HoldSample[]): string[] => clean(samples, CONTEXT).problems.map((p) => p.code)
const rounded = (to: number, value: number): number => to * Math.round(value / to)

describe('what is no fault of the record', () => {
  test('a bend that flattens between readings minutes apart: every one stands above the one before', () => {
    const bend = (s: number) => 600 + 2500 * (1 - Math.exp(-s / 500)) + s / 20
    expect(codes(read(every(160, 7200), bend))).toEqual([])
  })

  test('a gauge that rests on a step of a hundred micron, at the level where a wet car ends', () => {
    const random = seededRandom(4)
    let slow = 0
    const rests = (s: number) => {
      slow = 0.97 * slow + 12 * normalPair(random)[0]
      return rounded(100, 13_150 - 12_000 * Math.exp(-s / 180) + slow)
    }
    for (const hours of [1, 4]) expect(codes(read(every(1, hours * 3600), rests))).toEqual([])
  })
})

describe('what is', () => {
  test('a fall under a pump that was shut off later, however smoothly it ends; gas that equalises falls less', () => {
    const random = seededRandom(11)
    const falls = (to: number) => (s: number) =>
      (60 + (s < 320 ? (60 / to - 60) * (Math.exp(-s / 110) - Math.exp(-320 / 110)) : 0.004 * (s - 320))) *
      (1 + 0.01 * normalPair(random)[0])
    const [late] = clean(read(every(2, 1800), falls(0.35)), CONTEXT).problems
    expect(late?.code).toBe('isolated-late')
    expect(Math.abs((late?.toS ?? 0) - 320)).toBeLessThan(90)
    const equalises = (s: number) => (60 + 26 * Math.exp(-s / 90) + 0.004 * s) * (1 + 0.01 * normalPair(random)[0])
    expect(codes(read(every(2, 1800), equalises))).toEqual([])
  })

  test('a gauge at its limit, which it reached and stays at', () => {
    const leaks = (s: number) => Math.min(20_000, rounded(100, 2000 + 12 * s))
    expect(codes(read(every(2, 2400), leaks))).toContain('over-range')
  })

  test('a jump of three steps of a gauge that rests, in a record of a reading a second for four hours', () => {
    const knocked = (s: number) => rounded(100, 5640 + (s > 9000 ? 400 : 0))
    const { problems } = clean(read(every(1, 14_400), knocked), CONTEXT)
    expect(problems).toMatchObject([{ code: 'jump', fromS: expect.any(Number) }])
    expect(Math.abs((problems[0]?.fromS ?? 0) - 9000)).toBeLessThan(10)
  })
})
