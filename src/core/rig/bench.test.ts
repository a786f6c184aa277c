import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { GAS_CONSTANT, L_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import { type BenchTruth, benchStep } from './bench-car'
import { type BenchAction, runBench, startBench } from './bench-run'
import { pullFlow } from './pull-flow'

const TRUTH: BenchTruth = {
  volumeL: 2.5,
  line: { boreMm: 9.5, lengthM: 1.2, hoses: 2 },
  pumpCfm: 4,
  ultimateMicron: 25,
  leakPaM3S: 0,
  waterG: 0,
  boundG: 0,
  boundTauS: 1800,
  ambientC: 20,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  seed: 5,
}
const turn = (second: number, part: string, state: string) => ({ second, kind: 'turn', part, state }) as BenchAction
const PULLING = [turn(0, 'coupler-low', 'open'), turn(0, 'coupler-high', 'open'), turn(0, 'centre-hose', 'pump'), turn(0, 'pump', 'on')]
const SHUT = (second: number) => [turn(second, 'valve-low', 'closed'), turn(second, 'valve-high', 'closed')]
const total = (s: { airPa: number; waterPa: number }) => s.airPa + s.waterPa
const play = (truth: BenchTruth, actions: BenchAction[], until: number) => runBench(startBench(truth, 2), actions, until)

test('a dry, tight car comes down to the pump’s floor and no further', () => {
  const { run } = play(TRUTH, PULLING, 1800)
  expect(total(run.state) / PA_PER_MICRON).toBeGreaterThan(24.9)
  expect(total(run.state) / PA_PER_MICRON).toBeLessThan(28)
})

test('one 1.5 m hose of 4.8 mm passes 0.03 to 0.1 CFM at 500 micron from a 5 CFM pump', () => {
  const pa = 500 * PA_PER_MICRON
  const { flowPaM3S } = pullFlow(pa, { boreMm: 4.8, lengthM: 1.5, hoses: 1 }, (5 * L_S_PER_CFM) / 1000, 25 * PA_PER_MICRON)
  const cfm = ((flowPaM3S / pa) * 1000) / L_S_PER_CFM
  expect(cfm).toBeGreaterThan(0.03)
  expect(cfm).toBeLessThan(0.1)
})

test('the pump takes what the hose gives: one flow through both', () => {
  const speed = 1e-3
  const { flowPaM3S, pumpPa } = pullFlow(300, TRUTH.line, speed, 3)
  expect(flowPaM3S).toBeCloseTo(speed * (pumpPa - 3), 9)
  expect(pumpPa).toBeLessThan(300)
})

test('shut in, a leak rises straight: V dp/dt is the inflow', () => {
  const leak = { ...TRUTH, leakPaM3S: 1e-4 }
  const shut = [...PULLING, ...SHUT(900)]
  const from = total(play(leak, shut, 960).run.state)
  const to = total(play(leak, shut, 1960).run.state)
  expect(((to - from) / 1000) * 0.0025).toBeCloseTo(1e-4, 6)
})

test('shut in with water it rises to saturation at ambient and stops', () => {
  const wet = { ...TRUTH, waterG: 2 }
  const { run } = play(wet, [...PULLING, ...SHUT(60)], 6 * 3600)
  expect(run.state.waterPa / waterSaturationPa(kelvin(20))).toBeCloseTo(1, 2)
})

test('water that leaves the liquid is in the gas, gram for gram', () => {
  const wet = { ...TRUTH, waterG: 0.03, volumeL: 5 }
  const { run } = play(wet, [...PULLING, ...SHUT(20)], 4000)
  const before = play(wet, [...PULLING, ...SHUT(20)], 30).run.state
  const gained = ((run.state.waterPa - before.waterPa) * 0.005 * 18.015) / (GAS_CONSTANT * kelvin(20))
  expect(gained).toBeCloseTo(before.liquidG - run.state.liquidG, 4)
})

test('any step keeps every pressure positive and finite, from a hundredth of a second to ten', () => {
  const rig = { ...startBench(TRUTH, 2).rig, 'coupler-low': 'open', 'centre-hose': 'pump', pump: 'on' } as never
  for (const dt of [0.01, 1, 10]) {
    let state = startBench({ ...TRUTH, waterG: 3 }, 2).state
    for (let i = 0; i < 500; i++) {
      state = benchStep(state, { ...TRUTH, waterG: 3 }, rig, dt).state
      expect(state.airPa).toBeGreaterThan(0)
      expect(state.waterPa).toBeGreaterThan(0)
      expect(Number.isFinite(total(state))).toBe(true)
    }
  }
})

test('the same bench played in pieces gives the same readings, so one that was killed goes on without a seam', () => {
  const actions = [...PULLING, ...SHUT(200)]
  const whole = play(TRUTH, actions, 400).readings
  const first = play(TRUTH, actions, 170)
  const rest = runBench(first.run, actions, 400)
  expect([...first.readings, ...rest.readings]).toEqual(whole)
  const restarted = runBench(startBench(TRUTH, 2), actions, 400, 170)
  expect(restarted.readings).toEqual(whole.filter((r) => r.second > 170))
})

test('an open line without a pump lets the air back in', () => {
  const { run } = play(TRUTH, [...PULLING, turn(600, 'pump', 'off')], 660)
  expect(total(run.state)).toBeGreaterThan(90_000)
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
  expect(run.state.chargeG).toBeCloseTo(340 - left, 6)
  expect(left).toBeGreaterThan(3)
  expect(left).toBeLessThan(15)
})
