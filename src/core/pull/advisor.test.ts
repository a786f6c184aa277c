import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { composeRig, farNode, type RigOptions } from '../rig/compose'
import { simulate } from '../rig/simulate'
import { CUBIC_METRES_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { kelvin } from '../units/temperature'
import type { PullLook } from './advice'
import { adviseOnPull } from './advisor'
import { flowOf } from './flow'
import { type PullQuestion, planPull } from './planner'
import { medianWater, mostLiquidG, type Water } from './water-inventory'

const QUESTION: PullQuestion = {
  car: { volumeL: 2.5, evaporators: 1 },
  rig: {
    name: 'Cart P2',
    boreM: 0.0095,
    lengthM: 1.2,
    hoses: 2,
    pumpM3S: 5 * CUBIC_METRES_S_PER_CFM,
    ultimatePa: 40 * PA_PER_MICRON,
    gauge: 'electronic',
    scaleStepG: 5,
  },
  story: { opened: 'component', openHours: 3, drierReplaced: true },
  ambientC: 20,
  barometerPa: 101_325,
  targetPa: 300 * PA_PER_MICRON,
  draws: 30,
  seed: 7,
  horizonS: 5400,
}

/** A pull whose truth is known, read without noise every five seconds once the gauge is in its range. */
function pull(
  question: PullQuestion,
  minutes: number,
  truth: { water?: Water; leakPaM3S?: number; options?: RigOptions; at?: 'far' | 'pump' } = {},
) {
  const { water = { liquidG: 0, boundG: 0 }, leakPaM3S = 0, at = 'far' } = truth
  const rig = composeRig({ ...question, water, leakPaM3S, ...(truth.options && { options: truth.options }) })
  const run = simulate(rig, { seconds: minutes * 60, everyS: 5 })
  const far = run.nodes.indexOf(farNode(question.car))
  const node = at === 'far' ? far : run.nodes.indexOf('pump')
  const readings = run.samples
    .map((s) => ({ tS: s.tS, pressurePa: s.totalPa[node] as number }))
    .filter((r) => r.pressurePa < 20_000 * PA_PER_MICRON)
  const plan = planPull(question)
  const look: PullLook = {
    readings,
    targetPa: question.targetPa,
    waterBoilsPa: waterSaturationPa(kelvin(question.ambientC)),
    instrument: 'electronic',
    gaugeAt: at,
    ballastOpen: false,
    volumeL: question.car.volumeL,
    waterG: medianWater(question.story).liquidG,
    waterMostG: mostLiquidG(question.story),
    ambientC: question.ambientC,
    ultimatePa: question.rig.ultimatePa,
    plan,
  }
  return { look, advice: adviseOnPull(look), farPa: run.samples.at(-1)?.totalPa[far] as number }
}

test('a dry tight car is on course and is told its time', () => {
  const { advice, look } = pull(QUESTION, 2)
  expect(advice.options[0]?.kind).toBe('on-course')
  const reached = pull(QUESTION, 60)
  expect(reached.advice.toTargetS).toBe(0)
  // the time left is right within a factor of two and a half: the story's water is only guessed at
  const whole = simulate(composeRig({ ...QUESTION, water: { liquidG: 0, boundG: 0 } }), {
    seconds: 5400,
    everyS: 5400,
    until: { node: farNode(QUESTION.car), pressurePa: look.targetPa },
  })
  const left = (whole.reachedS as number) - 120
  if (left > 60) expect((advice.toTargetS as number) / left).toBeLessThan(6)
})

test('much water at the coldest place is called boiling, with what still comes off', () => {
  const water = { liquidG: 6, boundG: 0 }
  const { advice } = pull({ ...QUESTION, story: { opened: 'days', openHours: 100, drierReplaced: true } }, 20, {
    water,
  })
  expect(advice.options[0]?.kind).toBe('boiling')
  expect(advice.options[0]?.next).toMatch(/ballast/)
  expect(advice.incomingPaM3S as number).toBeGreaterThan(0)
  // the same from a car that was open for an hour: more than its story can have, so air is suspected beside it
  const told = pull(QUESTION, 40, { water }).advice.options
  expect(told.find((o) => o.kind === 'leak')?.probability ?? 0).toBeGreaterThan(0.2)
})

test('a hole that holds it up for half an hour is called stuck, and the flow balance finds its size', () => {
  const { advice } = pull(QUESTION, 40, { leakPaM3S: 0.06 })
  expect(['leak', 'pump']).toContain(advice.options[0]?.kind)
  expect(advice.options.find((o) => o.kind === 'leak')?.probability).toBeGreaterThan(0.4)
  // the balance counts what passes the far gauge: of a hole on the high side, which has a hose of its own, less does
  expect((advice.incomingPaM3S as number) / 0.06).toBeGreaterThan(0.12)
  expect((advice.incomingPaM3S as number) / 0.06).toBeLessThan(1.1)
  expect(advice.toTargetS).toBeNull()
})

test('what comes in at the far side itself is found by the balance within a tenth', () => {
  // below a hundredth the gas of the hoses themselves is no longer small beside it
  for (const flowPaM3S of [0.015, 0.05, 0.5]) {
    const rig = composeRig({ ...QUESTION, water: { liquidG: 0, boundG: 0 } })
    const far = farNode(QUESTION.car)
    const run = simulate(
      { ...rig, sources: { ...rig.sources, leaks: [{ at: far, air_Pa_m3_s: flowPaM3S }] } },
      { seconds: 2400, everyS: 10 },
    )
    const readings = run.samples.map((s) => ({ tS: s.tS, pressurePa: s.totalPa[run.nodes.indexOf(far)] as number }))
    const found = flowOf(readings, planPull({ ...QUESTION, draws: 20 }).dry, QUESTION.car.volumeL, 1)
    expect(Math.abs((found.incomingPaM3S as number) / flowPaM3S - 1), `${flowPaM3S}`).toBeLessThan(0.1)
  }
})

test('a pump that does not reach its own ultimate is suspected, and the blank-off is what tells', () => {
  const { advice } = pull(QUESTION, 60, { options: { ultimatePa: 500 * PA_PER_MICRON } })
  const pump = advice.options.find((o) => o.kind === 'pump')
  expect(pump?.probability).toBeGreaterThan(0.2)
  expect(pump?.next).toMatch(/Blank it off/)
  expect(advice.options[0]?.kind).not.toBe('on-course')
})

test('old hoses that hold up the far side above the target are named', () => {
  const rig = {
    ...QUESTION.rig,
    boreM: 0.0048,
    lengthM: 1.8,
    hoseKind: 'rubber-old' as const,
    ultimatePa: 60 * PA_PER_MICRON,
  }
  const question = { ...QUESTION, rig, targetPa: 60 * PA_PER_MICRON, horizonS: 7200 }
  const { advice, look } = pull(question, 110)
  expect(Math.min(...look.plan.dry.farPa)).toBeGreaterThan(look.targetPa)
  expect(advice.options[0]?.kind).toBe('hoses')
})

test('a gauge at the pump reads ahead of the far side, and the estimate of the far side holds it', () => {
  const { advice, farPa, look } = pull({ ...QUESTION, rig: { ...QUESTION.rig, boreM: 0.0048, lengthM: 1.5 } }, 6, {
    at: 'pump',
    water: medianWater(QUESTION.story),
  })
  const read = look.readings.at(-1)?.pressurePa as number
  expect(farPa / read).toBeGreaterThan(1.5)
  expect(advice.ahead).toBeGreaterThan(1.3)
  expect(farPa).toBeGreaterThan(0.5 * (advice.far?.lowPa as number))
  expect(farPa).toBeLessThan(2 * (advice.far?.highPa as number))
})

test('a needle and a gauge over its range tell nothing, and it is said', () => {
  const { look } = pull(QUESTION, 2)
  expect(adviseOnPull({ ...look, instrument: 'needle' }).blind).toMatch(/needle/)
  expect(adviseOnPull({ ...look, readings: [] }).blind).toMatch(/over its range/)
})

test('probabilities are shares of one', () => {
  const { advice } = pull(QUESTION, 12, { water: { liquidG: 1, boundG: 0 } })
  const sum = advice.options.reduce((s, o) => s + o.probability, 0)
  expect(sum).toBeGreaterThan(0.8)
  expect(sum).toBeLessThanOrEqual(1 + 1e-9)
})
