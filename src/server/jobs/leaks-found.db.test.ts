import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import type { JobOpened } from '@/core/job/events'
import { inTransaction } from '../db/scope'
import { draft, type Fixture, freshShop, here, OPENING } from '../tests/shop-fixture'
import { appendEvents } from './append-events'
import { selectLeaksFound } from './leaks-found'
import { openJob } from './open-job'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

const at = new Date('2026-04-01T10:00:00Z')
async function leaked(place: string | null, opening: Partial<JobOpened> = {}): Promise<string> {
  const id = randomUUID()
  const payload = { ...OPENING, ...opening }
  await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }, at))
  const found = place ? [draft('leak-found', { at: place, done: 'new seal', sure: 0.95 }, at)] : []
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.technician, id, [
      draft('step-finished', { step: 'zero' }, at),
      draft('search-begun', { why: 'empty' }, at),
      ...found,
    ]),
  )
  return id
}

test('a search begins with what the shop found, and with what this very car had; training teaches nothing', async () => {
  const other = { car: { ...OPENING.car, name: 'Grader' } }
  await leaked('condenser', other)
  await leaked('condenser', other)
  await leaked('switch', { purpose: 'training' })
  await leaked('port-low')
  const now = await leaked(null)
  expect(await selectLeaksFound(here(), now)).toEqual({
    shop: { condenser: 2, 'port-low': 1 },
    car: [{ at: 'port-low', when: at.toISOString(), done: 'new seal' }],
  })
})
