import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { balancesOf } from '@/core/charge/ledger'
import { database, transaction } from '../db/pool'
import { selectShelf, upsertEquipment } from '../equipment/shelf'
import { appendEvents } from '../jobs/append-events'
import { draft, type Fixture, freshShop, jobWithGauge } from '../tests/shop-fixture'
import { bookByHand, bookOpening, selectLedger } from './ledger'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

const CYLINDER = {
  id: randomUUID(),
  name: 'Cylinder 7',
  kind: 'container' as const,
  retired: false,
  spec: { containerKind: 'cylinder' as const, refrigerant: 'R-134a' as const, grossG: 9120, tareG: 3410 },
}
const ledger = () => selectLedger(database(), null, null, 100)

async function onShelf(): Promise<void> {
  await upsertEquipment(database(), CYLINDER)
  await bookOpening(database(), shop.lead, CYLINDER)
}

/** A charge from the cylinder: planned, put on, taken off. */
async function charged(endGrossG: number): Promise<{ jobId: string; ended: ReturnType<typeof draft> }> {
  const jobId = await jobWithGauge(shop.lead)
  const plan = {
    targetG: 500,
    purgeEachG: 3,
    containers: [{ id: 'Cylinder 7', kind: 'cylinder', grossG: 9120, tareG: 3410, stockId: CYLINDER.id }],
    stops: [{ id: 'Cylinder 7', stopGrossG: 8617, takenG: 503, purgeG: 3 }],
    bandG: [495, 505],
  }
  const ended = draft('container-ended', { id: 'Cylinder 7', grossG: endGrossG })
  await transaction(database(), (tx) => appendEvents(tx, shop.lead, jobId, [draft('charge-planned', plan), draft('container-started', { id: 'Cylinder 7', grossG: 9120 }), ended]))
  return { jobId, ended }
}

test('a charge is booked with its purge in the event’s own transaction, and the shelf weighs what the scale showed', async () => {
  await onShelf()
  const { jobId, ended } = await charged(8617)
  const entries = await ledger()
  expect(entries.map((e) => [e.kind, e.grams, e.container])).toEqual(
    expect.arrayContaining([
      ['bought', 5710, 'Cylinder 7'],
      ['charged', -500, 'Cylinder 7'],
      ['purged', -3, 'Cylinder 7'],
    ]),
  )
  expect(balancesOf(entries)).toMatchObject([{ container: 'Cylinder 7', grams: 5207 }])
  const shelf = await selectShelf(database())
  expect(shelf.find((s) => s.id === CYLINDER.id)?.spec).toMatchObject({ grossG: 8617 })
  // the same event again books nothing again
  await transaction(database(), (tx) => appendEvents(tx, shop.lead, jobId, [ended]))
  expect((await ledger()).length).toBe(entries.length)
})

test('an event that is refused leaves no line behind', async () => {
  await onShelf()
  const jobId = await jobWithGauge(shop.lead)
  const id = randomUUID()
  await transaction(database(), (tx) => appendEvents(tx, shop.lead, jobId, [{ ...draft('recovered', { grams: 200 }), id }]))
  await expect(transaction(database(), (tx) => appendEvents(tx, shop.lead, jobId, [{ ...draft('recovered', { grams: 300 }), id }]))).rejects.toThrow(/another content/)
  expect((await ledger()).filter((e) => e.kind === 'recovered').map((e) => e.grams)).toEqual([200])
})

test('a book that has less than was weighed out is never negative: a correction says so by name', async () => {
  await onShelf()
  await bookByHand(database(), shop.lead, {
    id: randomUUID(),
    kind: 'corrected',
    refrigerant: 'R-134a',
    container: 'Cylinder 7',
    equipmentId: CYLINDER.id,
    grams: -5500,
    why: 'weighed again',
  })
  await charged(8617)
  const entries = await ledger()
  expect(balancesOf(entries)[0]?.grams).toBeCloseTo(0, 6)
  expect(entries.find((e) => e.kind === 'corrected' && e.grams > 0)).toMatchObject({ grams: 293, why: expect.stringMatching(/more was weighed out/) })
})
