import { beforeEach, expect, test } from 'vitest'
import { AIR_PA, by, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { airOfHold } from './air-of-hold'
import { typeReadings } from './type-reading'

let shop: Fixture
let jobId: string
const START = Date.now() - 5 * 3_600_000
const SPAN = { fromMs: START, toMs: START + 4 * 3_600_000 }
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician, new Date(START - 3_600_000))
})

const barometer = (hours: number, mbar: number) =>
  typeReadings(by(shop.technician), jobId, [
    {
      seq: Math.round(hours * 100) + 1000,
      channel: 'barometer',
      value: mbar,
      unit: 'mbar',
      at: new Date(START + hours * 3_600_000).toISOString(),
    },
  ])
const air = () => airOfHold(here(), jobId, SPAN, AIR_PA)

test('nothing read: the place’s one figure, and the weather stays in', async () => {
  const found = await air()
  expect([found.read, found.at(START + 3_600_000)]).toEqual([false, AIR_PA])
})

test('read at both ends the weather is taken out, straight between; twice at the beginning it is not', async () => {
  await barometer(-0.2, 1010)
  await barometer(0.2, 1010)
  expect((await air()).read).toBe(false)
  await barometer(4, 1002)
  const found = await air()
  expect(found.read).toBe(true)
  expect(found.at(START)).toBeCloseTo(101_000, 6)
  expect(found.at(START + 2.1 * 3_600_000)).toBeCloseTo(100_600, 6)
})

test('what was read long before the car was shut in, or after the hold, is not its air', async () => {
  await barometer(-0.9, 1030)
  await barometer(4.5, 980)
  expect((await air()).at(START)).toBe(AIR_PA)
})
