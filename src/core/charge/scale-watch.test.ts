import { expect, test } from 'vitest'
import { type ScaleReading, watchScale } from './scale-watch'

const STEP = 2
const flowing = (n: number, from = 900, gramsPerS = 1.5): ScaleReading[] =>
  Array.from({ length: n }, (_, i) => ({ tS: i, grams: Math.round((from - gramsPerS * i) / STEP) * STEP }))
const changed = (readings: ScaleReading[], from: number, to: number, change: (grams: number) => number) =>
  readings.map((r) => (r.tS >= from && r.tS < to ? { ...r, grams: change(r.grams) } : r))
const end = (readings: ScaleReading[]) => readings.at(-1)?.grams ?? Number.NaN

test('a quiet scale is left as it is', () => {
  const readings = flowing(200)
  expect(watchScale(readings, STEP)).toEqual({ readings, offsetG: 0, events: [] })
})

test('a bump is left out and the total stays right', () => {
  const watched = watchScale(
    changed(flowing(200), 80, 82, (g) => g + 120),
    STEP,
  )
  expect(watched.events.map((e) => e.kind)).toEqual(['bumped'])
  expect(end(watched.readings)).toBe(end(flowing(200)))
})

test('a hose that leans on is counted out, and off again too', () => {
  const watched = watchScale(
    changed(flowing(300), 100, 220, (g) => g + 34),
    STEP,
  )
  expect(watched.events.map((e) => e.kind)).toEqual(['leaning', 'leaning'])
  expect(Math.abs(end(watched.readings) - end(flowing(300)))).toBeLessThanOrEqual(2 * STEP)
  expect(watched.events[0]?.words).toMatch(/\+3\d g and stays/)
  // while it leans too the container weighs what it weighs
  for (const [i, r] of watched.readings.entries())
    expect(Math.abs(r.grams - (flowing(300)[i] as ScaleReading).grams)).toBeLessThanOrEqual(2 * STEP)
})

test('a container lifted off and put back, a little askew, keeps its weight', () => {
  const held = flowing(120)
  const shut = Array.from({ length: 60 }, (_, i) => ({ tS: 120 + i, grams: end(held) }))
  const lifted = changed([...held, ...shut], 130, 145, () => 0).map((r) =>
    r.tS >= 145 ? { ...r, grams: r.grams + 12 } : r,
  )
  const watched = watchScale(lifted, STEP)
  expect(watched.events.map((e) => e.kind)).toEqual(['lifted'])
  expect(Math.abs(end(watched.readings) - end(held))).toBeLessThanOrEqual(STEP)
})

test('a scale switched to ounces is read as ounces, and back', () => {
  const watched = watchScale(
    changed(flowing(200), 90, 150, (g) => Math.round((g / 28.349523) * 20) / 20),
    STEP,
  )
  expect(watched.events.map((e) => e.kind)).toEqual(['other-unit', 'other-unit'])
  expect(watched.events[0]?.words).toMatch(/ounces/)
  for (const [i, r] of watched.readings.entries())
    expect(Math.abs(r.grams - (flowing(200)[i] as ScaleReading).grams)).toBeLessThan(4)
})

test('a scale that creeps with the valve shut is named', () => {
  const held = Array.from({ length: 180 }, (_, i) => ({ tS: i, grams: Math.round((800 - (i * 6) / 60) / STEP) * STEP }))
  expect(watchScale(held, STEP, [[0, 180]]).events.map((e) => e.kind)).toEqual(['drifting'])
  expect(watchScale(held, STEP, []).events).toEqual([])
})
