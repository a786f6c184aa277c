import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type BenchAction, BenchRun } from './bench-run'
import type { BenchTruth } from './bench-truth'

const TRUTH: BenchTruth = {
  volumeL: 2.5,
  line: { boreMm: 9.5, lengthM: 1.2, hoses: 2 },
  pumpCfm: 4,
  ultimateMicron: 25,
  leakPaM3S: 0,
  waterG: 0,
  boundG: 0,
  ambientC: 20,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  seed: 5,
}
const turn = (second: number, part: string, state: string) => ({ second, kind: 'turn', part, state }) as BenchAction
const PULLING = [turn(0, 'coupler-low', 'open'), turn(0, 'coupler-high', 'open'), turn(0, 'centre-hose', 'pump'), turn(0, 'pump', 'on')]
const SHUT = (second: number) => [turn(second, 'valve-low', 'closed'), turn(second, 'valve-high', 'closed')]

function play(truth: BenchTruth, actions: BenchAction[], until: number, from = -1) {
  const run = new BenchRun(truth, 2)
  return { run, readings: run.runTo(actions, until, from) }
}
const pressure = (truth: BenchTruth, actions: BenchAction[], until: number) => play(truth, actions, until).run.car.farPa

test('a dry, tight car comes down near the pump’s floor and never below it', () => {
  const micron = pressure(TRUTH, PULLING, 3600) / PA_PER_MICRON
  expect(micron).toBeGreaterThan(24.9)
  expect(micron).toBeLessThan(60)
})

test('shut in, a leak rises straight: the volume times the rise is the inflow', () => {
  const shut = [...PULLING, ...SHUT(900)]
  const rise = (leakPaM3S: number) => (pressure({ ...TRUTH, leakPaM3S }, shut, 1960) - pressure({ ...TRUTH, leakPaM3S }, shut, 960)) / 1000
  // the hoses give a little too: what the leak adds is the difference; 2.5 L and two ports of 10 mL are shut in
  expect(((rise(1e-4) - rise(0)) * 0.00252) / 1e-4).toBeCloseTo(1, 1.7)
})

test('shut in with water it rises to saturation at ambient and stops', () => {
  const level = pressure({ ...TRUTH, waterG: 2 }, [...PULLING, ...SHUT(60)], 6 * 3600)
  expect(level / waterSaturationPa(kelvin(20))).toBeCloseTo(1, 1.5)
})

test('the same bench played in pieces, or begun again after it died, gives the same readings without a seam', () => {
  const actions = [...PULLING, ...SHUT(200)]
  const whole = play(TRUTH, actions, 400).readings
  const pieces = new BenchRun(TRUTH, 2)
  expect([...pieces.runTo(actions, 170), ...pieces.runTo(actions, 171), ...pieces.runTo(actions, 400)]).toEqual(whole)
  expect(play(TRUTH, actions, 400, 170).readings).toEqual(whole.filter((r) => r.second > 170))
})

test('an open line without a running pump lets the air back in', () => {
  expect(pressure(TRUTH, [...PULLING, turn(600, 'pump', 'off')], 700)).toBeGreaterThan(90_000)
})

test('put back, the car is full of air again with what was hidden in it, and its hoses still on', () => {
  const reset: BenchAction = { second: 900, kind: 'reset', leakPaM3S: 3e-4, waterG: 0.02 }
  expect(pressure(TRUTH, [...PULLING, reset], 901)).toBeGreaterThan(20_000)
  expect(pressure(TRUTH, [...PULLING, reset], 1500)).toBeLessThan(100)
})

test('a container gives what the car gets, and keeps its heel', () => {
  const actions: BenchAction[] = [
    ...PULLING,
    ...SHUT(600),
    { second: 610, kind: 'turn', part: 'centre-hose', state: 'container' },
    { second: 610, kind: 'container-on', grossG: 472, tareG: 132 },
    turn(611, 'container-valve', 'open'),
    turn(611, 'valve-low', 'open'),
    turn(700, 'engine', 'on'),
  ]
  const { run } = play(TRUTH, actions, 4000)
  const left = (run.container?.grossG ?? 0) - 132
  expect(run.car.chargeG).toBeCloseTo(340 - left, 6)
  expect(left).toBeGreaterThan(3)
  expect(left).toBeLessThan(15)
})

test('the engine brings plausible sides and a vent, and the gauge’s steps are coarser higher up', () => {
  const full = play(
    TRUTH,
    [
      ...PULLING,
      ...SHUT(600),
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
  const wet = play({ ...TRUTH, waterG: 3 }, PULLING, 300)
    .readings.flatMap((s) => s.readings)
    .filter((r) => r.channel === 'vacuum' && r.value > 1100 && r.value < 4900)
  expect(wet.length).toBeGreaterThan(20)
  expect(wet.every((r) => r.value % 10 === 0)).toBe(true)
})
