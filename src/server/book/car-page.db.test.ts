import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { anotherShop, draft, freshShop, here, OPENING } from '../tests/shop-fixture'
import { carPage } from './car-page'

test('a car’s page has every job of it in order, none of another car, and nothing of another shop', async () => {
  const { technician } = await freshShop()
  const open = async (name: string, daysAgo: number, purpose?: 'training') => {
    const id = randomUUID()
    const payload = { ...OPENING, car: { ...OPENING.car, name }, ...(purpose && { purpose }) }
    const at = new Date(Date.now() - daysAgo * 86_400_000)
    await inTransaction(here(), async (tx) => {
      await openJob(tx, technician, { id, eventId: randomUUID(), payload }, at)
      await appendEvents(tx, technician, id, [draft('recovered', { grams: 500 - daysAgo / 10 }, at)])
    })
    return id
  }
  const second = await open('Ambulance', 100)
  const first = await open('Ambulance', 400)
  await open('Ambulance', 50, 'training')
  await open('Hybrid', 10)
  const { rows } = await here().query<{ id: string }>(`select id from car where name = 'Ambulance'`)
  const id = rows[0]?.id ?? ''
  const page = await carPage(here(), id)
  expect(page?.car.name).toBe('Ambulance')
  expect(page?.visits.map((v) => [v.jobId, v.recoveredG])).toEqual([
    [first, 460],
    [second, 490],
  ])
  expect(await carPage(here(), randomUUID())).toBeNull()
  expect(await carPage(await anotherShop(), id)).toBeNull()
})
