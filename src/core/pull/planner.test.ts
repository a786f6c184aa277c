import { expect, test } from 'vitest'
import { CUBIC_METRES_S_PER_CFM, PA_PER_MICRON } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { linkCosts, type PullQuestion, planPull, whatIfs } from './planner'
import { depthShare, strataOf } from './strata'
import { drawWater, medianWater } from './water-inventory'

const CHARGING = {
  name: 'Cart P1',
  boreM: 0.0048,
  lengthM: 1.5,
  hoses: 2,
  pumpM3S: 5 * CUBIC_METRES_S_PER_CFM,
  ultimatePa: 60 * PA_PER_MICRON,
  gauge: 'electronic' as const,
  scaleStepG: 5,
}
const STRAIGHT = { ...CHARGING, name: 'Cart P2', boreM: 0.0095, lengthM: 1.2 }
const QUESTION: PullQuestion = {
  car: { volumeL: 2.5, evaporators: 1 },
  rig: CHARGING,
  story: { opened: 'component', openHours: 3, drierReplaced: true },
  ambientC: 20,
  barometerPa: 101_325,
  targetPa: 500 * PA_PER_MICRON,
  draws: 40,
  seed: 7,
  horizonS: 14_400,
}

test('the three times stand in order and the seed decides them', () => {
  const plan = planPull(QUESTION)
  expect(plan.p10S as number).toBeLessThan(plan.p50S as number)
  expect(plan.p50S as number).toBeLessThan(plan.p90S as number)
  expect(planPull(QUESTION)).toEqual(plan)
  for (const [i, low] of plan.band.lowPa.entries()) expect(low).toBeLessThanOrEqual(plan.band.highPa[i] as number)
})

test('the wetter the story, the longer the pull', () => {
  const time = (opened: PullQuestion['story']['opened']) =>
    planPull({ ...QUESTION, draws: 20, story: { ...QUESTION.story, opened } }).p50S ?? Number.POSITIVE_INFINITY
  expect(time('cap-or-core')).toBeLessThan(time('component'))
  expect(time('component')).toBeLessThan(time('overnight'))
})

test('straight wide hoses are several times faster than charging hoses through a manifold', () => {
  const charging = planPull({ ...QUESTION, draws: 20 }).p50S as number
  const straight = planPull({ ...QUESTION, draws: 20, rig: STRAIGHT }).p50S as number
  expect(charging / straight).toBeGreaterThan(2)
})

test('some link of a charging rig costs minutes, and cores out or wider hoses win them back', () => {
  const costs = linkCosts(QUESTION)
  expect(costs[0]?.savesS as number).toBeGreaterThan(60)
  const best = whatIfs(QUESTION)[0]
  expect(['cores out', 'hoses of 1/2 in', 'warm the bay by 10 K']).toContain(best?.name)
  expect(best?.savesS as number).toBeGreaterThan(60)
})

test('ballast left open cannot reach 250 micron: its floor is 300', () => {
  const gain = whatIfs({ ...QUESTION, targetPa: 250 * PA_PER_MICRON }).find((g) => g.name === 'ballast open')
  expect(gain?.savesS).toBeNull()
})

test('nine of ten draws of water lie within the story’s range', () => {
  const random = seededRandom(3)
  const story = { opened: 'component' as const, openHours: 3, drierReplaced: false }
  const draws = Array.from({ length: 4000 }, () => drawWater(story, normalPair(random)))
  const inside = draws.filter((d) => d.liquidG >= 0.1 && d.liquidG <= 1).length / draws.length
  expect(inside).toBeGreaterThan(0.88)
  expect(inside).toBeLessThan(0.92)
  const below = draws.filter((d) => d.boundG < medianWater(story).boundG).length / draws.length
  expect(below).toBeCloseTo(0.5, 1)
})

test('the strata of a cold high place: water boils below what a needle sees, in a warm one above', () => {
  expect(strataOf(75_815, 9, 500, 25).waterBoilsPa).toBeLessThan(strataOf(75_815, 9, 500, 25).needleLimitPa)
  expect(strataOf(101_325, 25, 500, 25).waterBoilsPa).toBeGreaterThan(strataOf(101_325, 25, 500, 25).needleLimitPa)
  expect(depthShare(75_815, 75_815, 2)).toBe(0)
  expect(depthShare(0, 75_815, 2)).toBe(1)
  expect(depthShare(500 * PA_PER_MICRON, 75_815, 2)).toBeGreaterThan(depthShare(5000 * PA_PER_MICRON, 75_815, 2))
})
