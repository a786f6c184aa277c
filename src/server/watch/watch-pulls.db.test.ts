import { beforeEach, expect, test } from 'vitest'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { boardRows } from '../jobs/board-view'
import { jobView } from '../jobs/job-view'
import { ingest } from '../readings/ingest'
import { draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge } from '../tests/shop-fixture'
import { PullWatch } from './watch-pulls'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

const STARTED = () => new Date(Date.now() - 1800_000)

/** A car that is pulled since half an hour. */
async function pulling(): Promise<string> {
  const id = await jobWithGauge(shop.technician)
  const at = STARTED()
  const steps = ['zero', 'fix', 'rig'].map((step) => draft('step-finished', { step }, at))
  const turned = [
    ['coupler-low', 'open'],
    ['coupler-high', 'open'],
    ['centre-hose', 'pump'],
    ['pump', 'on'],
    ['valve-low', 'open'],
    ['valve-high', 'open'],
  ].map(([part, state]) => draft('part-set', { part, state }, at))
  await inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, [...steps, ...turned]))
  return id
}

test('every running pull is forecast once for page and board; anew after a while when it is read, and no more when it ends', async () => {
  const id = await pulling()
  const watch = new PullWatch(0)
  expect(await watch.round()).toBe(1)
  const [row] = await boardRows(here(), [id])
  const said = row?.forecast
  expect(said?.pull).toBe(0)
  expect(said?.reaches).toBeGreaterThan(0)
  expect((await jobView(here(), id))?.forecast).toEqual(said)
  // nothing new: not before the long while is over
  expect(await watch.round(Date.now() + 20_000)).toBe(0)
  await ingest(
    shop.box,
    Array.from({ length: 20 }, (_, i) => gaugeLine(i, new Date(STARTED().getTime() + 60_000 * i), 9000 - 400 * i)).join(
      '\n',
    ),
  )
  expect(await watch.round(Date.now() + 1000)).toBe(0)
  expect(await watch.round(Date.now() + 20_000)).toBe(1)
  expect((await boardRows(here(), [id]))[0]?.forecast?.atMs).toBeGreaterThanOrEqual(said?.atMs ?? Number.NaN)
  await inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, [draft('step-finished', { step: 'pull' })]))
  expect(await watch.round(Date.now() + 600_000)).toBe(0)
}, 120_000)
