import { expect, test } from 'vitest'
import { BenchRun } from '../bench/run'
import type { BenchTruth } from '../bench/truth'
import { BENCH_TRUTH } from '../tests/bench-fixture'
import { cyclingOf, runningWords, ventTrend } from './trend'

const points = (values: readonly number[], everyS = 5) => values.map((value, i) => ({ at: i * everyS * 1000, value }))
const line = (from: number, perMinute: number, minutes: number) =>
  points(Array.from({ length: minutes * 12 }, (_, i) => from + (perMinute * i) / 12))

test('a vent that still falls, that is steady, and that rises again', () => {
  expect(ventTrend(line(20, -1.5, 4))).toMatchObject({ kind: 'falling', perMinuteK: expect.closeTo(-1.5, 6) })
  expect(ventTrend(line(8, 0.1, 4))?.kind).toBe('steady')
  expect(ventTrend(line(8, 0.9, 4))).toMatchObject({ kind: 'rising', lowestC: 8 })
  expect(ventTrend(points([9, 9]))).toBeUndefined()
})

test('only the last two minutes count: what fell before and is level now is steady', () => {
  const fell = [...Array.from({ length: 60 }, (_, i) => 25 - i * 0.25), ...Array.from({ length: 36 }, () => 10)]
  expect(ventTrend(points(fell))?.kind).toBe('steady')
})

test('cycling is counted from rises beyond a third and two thirds: a trembling needle is none', () => {
  const saw = Array.from({ length: 60 }, (_, i) => 300_000 + 100_000 * Math.abs(((i / 6) % 2) - 1))
  expect(cyclingOf(points(saw))).toMatchObject({
    periodS: expect.closeTo(60, 6),
    fromPa: expect.closeTo(315_000, -4.3),
    toPa: expect.closeTo(385_000, -4.3),
  })
  expect(cyclingOf(points(Array.from({ length: 60 }, (_, i) => 300_000 + 20_000 * (i % 2))))).toBeNull()
  // twice up is a restart, not a habit
  expect(cyclingOf(points(saw.slice(0, 26)))).toBeNull()
  // engaged once and running since: a fall is no habit
  expect(cyclingOf(points(Array.from({ length: 60 }, (_, i) => 300_000 + 200_000 * Math.exp(-i / 6))))).toBeNull()
})

/** Low side of a bench car that was filled and started, every fifth second of ten minutes. */
function lowSide(truth: Partial<BenchTruth>) {
  const bench = new BenchRun({ ...BENCH_TRUTH, ambientC: 25, ...truth }, 2)
  bench.rig = { ...bench.rig, engine: 'on', 'coupler-low': 'open', 'centre-hose': 'container' }
  bench.car.chargeG = 400
  return bench
    .runTo([], 600)
    .flatMap((s) =>
      s.readings
        .filter((r) => r.channel === 'low')
        .map((r) => ({ at: s.second * 1000, value: r.value * 6894.757 + 101_325 })),
    )
}

test('a switch that opens early makes the bench’s compressor cycle, a good one does not', () => {
  const early = lowSide({ pressureSwitch: 'early' })
  expect(cyclingOf(early.filter((p) => p.at > 60_000))).toMatchObject({ cycles: expect.any(Number) })
  expect(runningWords(undefined, cyclingOf(early), 101_325).join()).toMatch(
    /goes on and off every \d+ s, the low side between \d+ and \d+ kPa/,
  )
  expect(cyclingOf(lowSide({}).filter((p) => p.at > 60_000))).toBeNull()
})
