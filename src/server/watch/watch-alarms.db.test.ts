import { beforeEach, expect, test } from 'vitest'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { boardRows } from '../jobs/board-view'
import { jobView } from '../jobs/job-view'
import { ingest } from '../readings/ingest'
import { draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge } from '../tests/shop-fixture'
import { selectRinging } from './alarm-rows'
import { AlarmWatch } from './watch-alarms'

let shop: Fixture
let watch: AlarmWatch
let id: string
const STARTED = () => new Date(Date.now() - 600_000)

beforeEach(async () => {
  shop = await freshShop()
  watch = new AlarmWatch()
  id = await jobWithGauge(shop.technician)
  const at = STARTED()
  const steps = ['zero', 'fix', 'rig'].map((step) => draft('step-finished', { step }, at))
  const parts = [
    'coupler-low open',
    'coupler-high open',
    'centre-hose pump',
    'pump on',
    'valve-low open',
    'valve-high open',
  ]
  const turned = parts.map((p) => draft('part-set', { part: p.split(' ')[0], state: p.split(' ')[1] }, at))
  await inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, [...steps, ...turned]))
})

const told = (change: { readings?: number; events?: number }) => watch.tell({ shop: here().shopId, job: id, ...change })
const record = (...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, drafts))
const ringing = async () => (await selectRinging(here())).map((r) => r.id)

test('what wants a person rings for every page at the reading that brings it, and is over when it is answered', async () => {
  await ingest(shop.box, gaugeLine(1, new Date(Date.now() - 2000), 2000))
  await watch.round()
  expect(await ringing()).toEqual([])
  await ingest(shop.box, gaugeLine(2, new Date(), 100))
  told({ readings: 2 })
  expect(await watch.round()).toBe(1)
  expect(await selectRinging(here())).toMatchObject([
    { jobId: id, id: 'target:1', sentence: expect.stringContaining('Target reached'), whose: { name: 'tech' } },
  ])
  const [row] = await boardRows(here(), [id])
  expect(row).toMatchObject({ ringing: [{ id: 'target:1' }], whose: { id: shop.technician.id, name: 'tech' } })
  // it stands: nothing is written twice
  expect(await watch.round()).toBe(0)
  await record(draft('alarm-answered', { alarm: 'target:1', answer: 'seen', minutes: 0 }))
  told({ events: 1 })
  expect(await watch.round()).toBe(1)
  expect(await ringing()).toEqual([])
  // what rang is known afterwards
  expect((await jobView(here(), id))?.rung).toMatchObject([{ id: 'target:1' }])
})

test('silence rings by time alone, and again after a server that was gone', async () => {
  await ingest(shop.box, gaugeLine(1, new Date(), 2000))
  await watch.round()
  expect(await ringing()).toEqual([])
  await watch.round(Date.now() + 120_000)
  expect(await ringing()).toEqual([expect.stringMatching(/^silent:/)])
  const another = new AlarmWatch()
  expect(await another.round(Date.now() + 125_000)).toBe(0)
  expect((await jobView(here(), id))?.rung).toHaveLength(1)
  // it speaks again
  await ingest(shop.box, gaugeLine(2, new Date(Date.now() + 60_000), 2000))
  watch.tell('reconnected')
  await watch.round(Date.now() + 61_000)
  expect(await ringing()).toEqual([])
})

test('a car that is given away rings at whoever has it now; a stranger gets none, a closed account has none', async () => {
  await expect(record(draft('car-given', { account: shop.lead.id, name: 'somebody else' }))).rejects.toThrow(
    'does not work here',
  )
  await record(draft('car-given', { account: shop.trainee.id, name: 'trainee' }))
  expect((await boardRows(here(), [id]))[0]?.whose).toEqual({ id: shop.trainee.id, name: 'trainee' })
  await database().query('update account set disabled_at = now() where id = $1', [shop.trainee.id])
  expect((await boardRows(here(), [id]))[0]?.whose).toEqual({ id: null, name: 'trainee' })
  await expect(record(draft('car-given', { account: shop.trainee.id, name: 'trainee' }))).rejects.toThrow()
})
