import { beforeEach, expect, test } from 'vitest'
import { foldJob } from '@/core/job/reduce'
import { CHAIN_START } from '@/core/record/record'
import { inTransaction } from '../db/scope'
import { hashOf } from '../records/chain'
import { draft, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { appendEvents } from './append-events'
import { selectEvents, selectJob } from './job-rows'

let shop: Fixture
let jobId: string
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
})

const append = (...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, drafts))

test('each event carries the hash of the one before, and the job its head', async () => {
  await append(draft('noted', { text: 'first' }), draft('noted', { text: 'second' }))
  const events = await selectEvents(here(), jobId)
  let previous = CHAIN_START
  for (const event of events) {
    expect(event.previous).toBe(previous)
    expect(hashOf(event, previous)).toBe(event.hash)
    previous = event.hash
  }
  expect((await selectJob(here(), jobId))?.head).toBe(previous)
})

test('the same event sent twice is stored once', async () => {
  const note = draft('noted', { text: 'once' })
  const [first] = await append(note)
  const [again] = await append(note)
  expect(first?.repeated).toBe(false)
  expect(again).toMatchObject({ repeated: true, seq: first?.seq })
  expect((await selectEvents(here(), jobId)).filter((e) => e.id === note.id)).toHaveLength(1)
})

test('the same id with another content is refused and nothing is written', async () => {
  const note = draft('noted', { text: 'this' })
  await append(note)
  await expect(
    append(draft('noted', { text: 'new' }), { ...note, payload: { text: 'that' } } as never),
  ).rejects.toMatchObject({ code: 'conflict' })
  expect(await selectEvents(here(), jobId)).toHaveLength(2)
})

test('twenty hands at once leave one unbroken chain', async () => {
  await Promise.all(Array.from({ length: 20 }, (_, i) => append(draft('noted', { text: `hand ${i}` }))))
  const events = await selectEvents(here(), jobId)
  expect(events.map((e) => e.seq)).toEqual(Array.from({ length: 21 }, (_, i) => i))
  expect(events.every((e, i) => i === 0 || e.previous === events[i - 1]?.hash)).toBe(true)
})

test('the board’s row says what the fold says', async () => {
  await append(
    draft('zero-read', { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0' }),
    draft('step-finished', { step: 'zero' }),
  )
  const job = await selectJob(here(), jobId)
  expect(job?.summary.step).toBe(foldJob(await selectEvents(here(), jobId)).step)
  expect(job?.summary.step).toBe('fix')
})

test('a job that is not here is said to be missing', async () => {
  const elsewhere = inTransaction(here(), (tx) =>
    appendEvents(tx, shop.technician, '00000000-0000-4000-8000-000000000000', [draft('noted', { text: 'x' })]),
  )
  await expect(elsewhere).rejects.toMatchObject({ code: 'not-found' })
})
