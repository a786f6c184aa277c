import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { by, draft, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { appendEvents } from './append-events'
import { endHold } from './end-hold'
import { jobNow } from './job-now'
import { selectEvents } from './job-rows'

let shop: Fixture
let jobId: string
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
})
const add = (...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, drafts))
/** As if everything so far had been recorded by a clock that stood an hour ahead: ours was set back since. */
const setBack = () =>
  database().query(
    `update event
        set stored_at = stored_at + interval '1 hour', happened_at = happened_at + interval '1 hour'
        where job_id = $1`,
    [jobId],
  )

test('a clock that was set back is said in the log, once, before what follows', async () => {
  await add(draft('noted', { text: 'before' }))
  await setBack()
  await add(draft('noted', { text: 'after' }))
  await add(draft('noted', { text: 'later' }))
  const kinds = (await selectEvents(here(), jobId)).map((e) => [
    e.kind,
    'text' in e.payload ? e.payload.text : 'backS' in e.payload ? Math.round(e.payload.backS / 60) : '',
  ])
  expect(kinds.slice(1)).toEqual([
    ['noted', 'before'],
    ['clock-set-back', 60],
    ['noted', 'after'],
    ['noted', 'later'],
  ])
})

test('a hold over a clock that was set back has no negative length', async () => {
  const isolated = new Date(Date.now() - 60_000)
  await add(
    ...['zero', 'fix', 'rig', 'pull'].map((s) => draft('step-finished', { step: s }, isolated)),
    draft('isolated', {}, isolated),
    draft('step-finished', { step: 'isolate' }, isolated),
  )
  await setBack()
  expect((await jobNow(here(), jobId))?.ms).toBe(isolated.getTime() + 3600_000)
  await endHold(by(shop.technician), jobId, randomUUID())
  const ended = (await selectEvents(here(), jobId)).find((e) => e.kind === 'hold-ended')
  expect(ended?.payload).toMatchObject({ heldS: 0 })
})

test('two events of one request cannot share an id', async () => {
  const twice = draft('noted', { text: 'once' })
  await expect(add(twice, { ...twice, payload: { text: 'or twice' } } as typeof twice)).rejects.toMatchObject({
    code: 'bad-input',
    faults: [{ path: 'events[1].id' }],
  })
  expect(await selectEvents(here(), jobId)).toHaveLength(1)
})
