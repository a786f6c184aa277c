import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { signJob } from '../records/sign-job'
import { by, draft, type Fixture, freshShop, here, OPENING } from '../tests/shop-fixture'
import { selectCars } from './cars'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

async function came(name: string, plate?: string, more = {}): Promise<string> {
  const id = randomUUID()
  const car = { ...OPENING.car, name, ...(plate !== undefined && { plate }) }
  const payload = { ...OPENING, car, ...more }
  await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }))
  return id
}
const carOf = async (jobId: string) =>
  (await database().query<{ car: string }>('select car_id as car from job where id = $1', [jobId])).rows[0]?.car

test('a car that comes again is the same car: by name in any case, by plate where two share a name', async () => {
  const first = await carOf(await came('Shuttle 3'))
  expect(await carOf(await came('shuttle 3'))).toBe(first)
  // the plate is learned, and from then on tells two of one name apart
  expect(await carOf(await came('Shuttle 3', 'CL 14'))).toBe(first)
  const other = await carOf(await came('Shuttle 3', 'CL 15'))
  expect(other).not.toBe(first)
  expect(await carOf(await came('Shuttle 3', 'cl 14'))).toBe(first)
  expect((await selectCars(here())).map((c) => c.plate).sort()).toEqual(['CL 14', 'CL 15'])
})

test('two who take the same new car in at once make one car of it', async () => {
  await Promise.all(Array.from({ length: 6 }, () => came('Barge tender', 'PO 7')))
  expect(await selectCars(here())).toHaveLength(1)
})

test('what a signed job weighed in is the last charge; training leaves the car as it was', async () => {
  const charged = async (grams: number, more = {}) => {
    const id = await came('Shuttle 3', undefined, more)
    const container = { id: 'can-1', kind: 'can', grossG: 474, netG: 340 }
    await inTransaction(here(), (tx) =>
      appendEvents(tx, shop.technician, id, [
        ...(['zero', 'fix', 'rig', 'pull', 'isolate', 'hold'] as const).map((step) => draft('step-finished', { step })),
        draft('charge-planned', { targetG: grams, purgeEachG: 0, containers: [container], stops: [], bandG: [0, 999] }),
        draft('container-started', { id: 'can-1', grossG: 474 }),
        draft('container-ended', { id: 'can-1', grossG: 474 - grams }),
        draft('step-finished', { step: 'charge' }),
        draft('step-finished', { step: 'prove' }),
      ]),
    )
    await signJob(by(shop.technician), id, randomUUID(), 'T-1')
  }
  await charged(310)
  const [car] = await selectCars(here())
  expect(car).toMatchObject({ lastChargeG: 310, name: 'Shuttle 3' })
  expect(Math.abs(Date.parse(car?.lastChargedAt ?? '') - Date.now())).toBeLessThan(60_000)
  await charged(200, { purpose: 'training' })
  expect((await selectCars(here()))[0]?.lastChargeG).toBe(310)
})
