import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { BENCH_TRUTH, PULLING, shut, turn } from '../tests/bench-fixture'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type BenchAction, BenchRun } from './run'
import type { BenchTruth } from './truth'

function play(truth: BenchTruth, actions: BenchAction[], until: number, from = -1) {
  const run = new BenchRun(truth, 2)
  return { run, readings: run.runTo(actions, until, from) }
}
const pressure = (truth: BenchTruth, actions: BenchAction[], until: number) => play(truth, actions, until).run.car.farPa

test('a dry, tight car comes down near the pump’s floor and never below it', () => {
  const micron = pressure(BENCH_TRUTH, PULLING, 3600) / PA_PER_MICRON
  expect(micron).toBeGreaterThan(24.9)
  expect(micron).toBeLessThan(60)
})

test('shut in, a leak rises straight: the volume times the rise is the inflow', () => {
  const held = [...PULLING, ...shut(900)]
  const rise = (leakPaM3S: number) =>
    (pressure({ ...BENCH_TRUTH, leakPaM3S }, held, 1960) - pressure({ ...BENCH_TRUTH, leakPaM3S }, held, 960)) / 1000
  // the hoses give a little too: what the leak adds is the difference; 2.5 L and two ports of 10 mL are shut in
  expect(((rise(1e-4) - rise(0)) * 0.00252) / 1e-4).toBeCloseTo(1, 1.7)
})

test('shut in with water it rises to saturation at ambient and stops', () => {
  const level = pressure({ ...BENCH_TRUTH, waterG: 2 }, [...PULLING, ...shut(60)], 6 * 3600)
  expect(level / waterSaturationPa(kelvin(20))).toBeCloseTo(1, 1.5)
})

test('the same bench played in pieces, or begun again after it died, gives the same readings without a seam', () => {
  const actions = [...PULLING, ...shut(200)]
  const whole = play(BENCH_TRUTH, actions, 400).readings
  const pieces = new BenchRun(BENCH_TRUTH, 2)
  expect([...pieces.runTo(actions, 170), ...pieces.runTo(actions, 171), ...pieces.runTo(actions, 400)]).toEqual(whole)
  expect(play(BENCH_TRUTH, actions, 400, 170).readings).toEqual(whole.filter((r) => r.second > 170))
})

test('an open line without a running pump lets the air back in', () => {
  expect(pressure(BENCH_TRUTH, [...PULLING, turn(600, 'pump', 'off')], 700)).toBeGreaterThan(90_000)
})

test('put back, the car is full of air again with what was hidden in it, and its hoses still on', () => {
  const reset: BenchAction = { second: 900, kind: 'reset', leakPaM3S: 3e-4, waterG: 0.02 }
  expect(pressure(BENCH_TRUTH, [...PULLING, reset], 901)).toBeGreaterThan(20_000)
  expect(pressure(BENCH_TRUTH, [...PULLING, reset], 1500)).toBeLessThan(100)
})

test('a container gives what the car gets, and keeps its heel', () => {
  const actions: BenchAction[] = [
    ...PULLING,
    ...shut(600),
    { second: 610, kind: 'turn', part: 'centre-hose', state: 'container' },
    { second: 610, kind: 'container-on', grossG: 472, tareG: 132 },
    turn(611, 'container-valve', 'open'),
    turn(611, 'valve-low', 'open'),
    turn(700, 'engine', 'on'),
  ]
  const { run } = play(BENCH_TRUTH, actions, 4000)
  const left = (run.container?.grossG ?? 0) - 132
  expect(run.car.chargeG).toBeCloseTo(340 - left, 6)
  expect(left).toBeGreaterThan(3)
  expect(left).toBeLessThan(15)
})

test('the engine brings plausible sides and a vent, and the gauge’s steps are coarser higher up', () => {
  const full = play(
    BENCH_TRUTH,
    [
      ...PULLING,
      ...shut(600),
      { second: 610, kind: 'container-on', grossG: 510, tareG: 100 },
      turn(610, 'centre-hose', 'container'),
      turn(611, 'container-valve', 'open'),
      turn(611, 'valve-low', 'open'),
      turn(620, 'engine', 'on'),
    ],
    1200,
  )
  const last = full.readings[full.readings.length - 1]
  const shown = Object.fromEntries(full.readings.slice(-6).flatMap((s) => s.readings.map((r) => [r.channel, r.value])))
  expect(last?.readings.some((r) => r.channel === 'vacuum')).toBe(false)
  // 170 to 310 kPa and 1000 to 1750 kPa on a warm day; at 20 C somewhat below
  expect(shown.low as number).toBeGreaterThan(20)
  expect(shown.low as number).toBeLessThan(45)
  expect(shown.high as number).toBeGreaterThan(100)
  expect(shown.high as number).toBeLessThan(200)
  const wet = play({ ...BENCH_TRUTH, waterG: 3 }, PULLING, 300)
    .readings.flatMap((s) => s.readings)
    .filter((r) => r.channel === 'vacuum' && r.value > 1100 && r.value < 4900)
  expect(wet.length).toBeGreaterThan(20)
  expect(wet.every((r) => r.value % 10 === 0)).toBe(true)
})
