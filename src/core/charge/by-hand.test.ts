import { expect, test } from 'vitest'
import { seededRandom } from '../units/seeded'
import { handFlow, type ReadWeight } from './by-hand'

const STEP = 5
const shown = (g: number) => Math.round(g / STEP) * STEP
/** Weights as they are read: 40 g a minute, at these seconds, each glance off by up to three seconds. */
function weights(at: readonly number[], random: () => number, flow = 40): ReadWeight[] {
  return at.map((s, i) => ({
    at: s * 1000,
    value: shown(474 - (flow / 60) * (s + (i > 0 ? (random() - 0.5) * 6 : 0))),
  }))
}

test('one weight says what is in, two a flow, three a time to close by', () => {
  const random = seededRandom(7)
  const [one, two, three] = [[0], [0, 90], [0, 90, 180]].map((at) => handFlow(weights(at, random), 250, STEP))
  expect(one).toMatchObject({ flowGMin: null, closeMs: null, read: null })
  expect(two?.flowGMin).toBeGreaterThan(33)
  expect(two?.closeMs).toBeNull()
  expect(three?.closeMs).toBeGreaterThan(300_000)
  expect(three?.closeMs).toBeLessThan(370_000)
})

test('the time to close lies within its own plus and minus as often as it says, and the next weight is foretold', () => {
  const random = seededRandom(11)
  let within = 0
  let told = 0
  for (let i = 0; i < 400; i++) {
    const flow = 20 + 60 * random()
    const found = handFlow(weights([0, 60, 120], random, flow), 250, STEP)
    if (!found?.closeMs || !found.plusMinusMs) continue
    const trueMs = ((474 - 250) / flow) * 60_000
    if (Math.abs(found.closeMs - trueMs) <= found.plusMinusMs) within += 1
    told += 1
    if (found.read) {
      const weighs = 474 - (flow / 60_000) * found.read.atMs
      expect(Math.abs(weighs - found.read.thenG)).toBeLessThan(30)
      expect(found.read.atMs).toBeLessThan(found.closeMs)
    }
  }
  expect(told).toBeGreaterThan(350)
  expect(within / told).toBeGreaterThan(0.9)
})

test('what stands still has no time to close, and weights a breath apart tell no flow', () => {
  const still = [0, 60, 120].map((s) => ({ at: s * 1000, value: 470 }))
  expect(handFlow(still, 250, STEP)).toMatchObject({ flowGMin: 0, closeMs: null, read: null })
  expect(
    handFlow(
      [
        { at: 0, value: 474 },
        { at: 3000, value: 430 },
      ],
      250,
      STEP,
    )?.flowGMin,
  ).toBeNull()
})
