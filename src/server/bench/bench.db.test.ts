import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { clockFactor, jobTimeMs } from '@/core/job/clock'
import { isAway } from '../db/away'
import { database } from '../db/pool'
import { inTransaction, type Scope } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { boardView } from '../jobs/board-view'
import { endHold } from '../jobs/end-hold'
import { selectClock, selectEvents, selectJob } from '../jobs/job-rows'
import { jobView } from '../jobs/job-view'
import { openJob } from '../jobs/open-job'
import { ingest } from '../readings/ingest'
import { by, draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge, OPENING } from '../tests/shop-fixture'
import { claimBench, makeBenchPlace, releaseBench } from './claim'
import { controlBench } from './control'
import { benchFeed } from './feed'
import { storeTrouble } from './trouble'

let shop: Fixture
const simulated = async (factor?: number): Promise<string> => {
  const id = randomUUID()
  await inTransaction(here(), (tx) =>
    openJob(tx, shop.technician, {
      id,
      eventId: randomUUID(),
      payload: { ...OPENING, simulated: true },
      ...(factor && { factor }),
    }),
  )
  return id
}
const append = (jobId: string, ...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, drafts))

beforeEach(async () => {
  shop = await freshShop()
  await makeBenchPlace(here())
})

test('a simulated car runs at sixty times the wall, a real one never', async () => {
  const jobId = await simulated()
  expect(clockFactor(await selectClock(here(), jobId))).toBe(60)
  const real = await jobWithGauge(shop.technician)
  await expect(
    controlBench(by(shop.technician), real, { id: randomUUID(), action: 'speed', factor: 60 }),
  ).rejects.toMatchObject({ code: 'not-allowed' })
  expect(clockFactor(await selectClock(here(), real))).toBe(1)
})

test('a change of speed bends the clock without a jump, and is in the record', async () => {
  const jobId = await simulated()
  const before = await selectClock(here(), jobId)
  const now = Date.now()
  await controlBench(by(shop.technician), jobId, { id: randomUUID(), action: 'speed', factor: 10 })
  const clock = await selectClock(here(), jobId)
  expect(clock).toHaveLength(2)
  const bend = clock[1]?.wallMs ?? 0
  expect(jobTimeMs(clock, bend)).toBeCloseTo(jobTimeMs(before, bend), -1)
  expect(jobTimeMs(clock, now + 60_000) - jobTimeMs(clock, now + 50_000)).toBeCloseTo(100_000, 6)
  const events = await selectEvents(here(), jobId)
  expect(events[events.length - 1]).toMatchObject({ kind: 'bench-set', payload: { action: 'speed', factor: 10 } })
})

test('the same press of a button twice acts once', async () => {
  const jobId = await simulated()
  const reset = { id: randomUUID(), action: 'reset' as const, leakPaM3S: 1e-4, waterG: 1 }
  await controlBench(by(shop.technician), jobId, reset)
  await controlBench(by(shop.technician), jobId, reset)
  expect(await selectJob(here(), jobId)).toMatchObject({
    bench: { settings: [{ kind: 'reset', leakPaM3S: 1e-4, waterG: 1 }] },
  })
})

test('when charging begins a hurried clock slows down by itself', async () => {
  const jobId = await simulated()
  const steps = (['zero', 'fix', 'rig', 'pull', 'isolate'] as const).map((step) => draft('step-finished', { step }))
  await append(jobId, ...steps, draft('hold-decided', { next: 'charge' }))
  expect(clockFactor(await selectClock(here(), jobId))).toBe(10)
  const slow = await simulated(4)
  await append(
    slow,
    ...(['zero', 'fix', 'rig', 'pull', 'isolate'] as const).map((step) => draft('step-finished', { step })),
    draft('hold-decided', { next: 'charge' }),
  )
  expect(clockFactor(await selectClock(here(), slow))).toBe(4)
})

test('the feed tells the bench what hands did, where it left off, and nothing of cars that are signed or real', async () => {
  const jobId = await simulated(1)
  await jobWithGauge(shop.technician)
  const planned = {
    targetG: 400,
    purgeEachG: 3,
    containers: [{ id: 'can-1', kind: 'can', grossG: 472, netG: 340 }],
    stops: [],
    bandG: [390, 410],
  }
  await append(
    jobId,
    draft('part-set', { part: 'pump', state: 'on' }),
    draft('charge-planned', planned),
    draft('container-started', { id: 'can-1', grossG: 470 }),
  )
  await controlBench(by(shop.technician), jobId, { id: randomUUID(), action: 'stop' })
  const feed = await benchFeed(here(), [])
  expect(feed.map((j) => j.jobId)).toEqual([jobId])
  expect(feed[0]).toMatchObject({ running: false, lastSecond: -1 })
  expect((feed[0] as { actions: unknown }).actions).toEqual([
    expect.objectContaining({ kind: 'turn', part: 'pump', state: 'on' }),
    expect.objectContaining({ kind: 'turn', part: 'centre-hose', state: 'container' }),
    expect.objectContaining({ kind: 'container-on', grossG: 470, tareG: 132 }),
  ])
})

test('a hold is judged on what was read since isolation, once', async () => {
  const opened = new Date(Date.now() - 7200_000)
  const jobId = await jobWithGauge(shop.technician, opened)
  const isolated = new Date(Date.now() - 1900_000)
  const steps = (['zero', 'fix', 'rig', 'pull'] as const).map((step) => draft('step-finished', { step }, isolated))
  await append(jobId, ...steps, draft('isolated', {}, isolated), draft('step-finished', { step: 'isolate' }, isolated))
  // before isolation anything may have been read; from then on it stays at 60 micron
  const before = Array.from({ length: 100 }, (_, i) =>
    gaugeLine(i, new Date(isolated.getTime() - 200_000 + i * 1000), 4000),
  )
  const held = Array.from({ length: 370 }, (_, i) =>
    gaugeLine(1000 + i, new Date(isolated.getTime() + i * 5000), 60 + (i % 2)),
  )
  await ingest(shop.box, [...before, ...held].join('\n'))
  const id = randomUUID()
  await endHold(by(shop.technician), jobId, id)
  await endHold(by(shop.technician), jobId, id)
  const ended = (await selectEvents(here(), jobId)).filter((e) => e.kind === 'hold-ended')
  expect(ended).toHaveLength(1)
  expect(ended[0]).toMatchObject({ payload: { verdict: 'tight', samples: 370 } })
  await expect(endHold(by(shop.technician), jobId, randomUUID())).rejects.toMatchObject({ code: 'conflict' })
})

test('the board and the job’s page say the same of a car', async () => {
  const jobId = await jobWithGauge(shop.technician)
  await ingest(shop.box, gaugeLine(1, new Date(Date.now() - 1000), 750))
  const row = (await boardView(here())).find((r) => r.id === jobId)
  const view = await jobView(here(), jobId)
  expect(row?.vacuumPa).toBeCloseTo(750 * 0.1333224, 6)
  expect(view?.latest.vacuum?.value).toBe(row?.vacuumPa)
  expect(view).toMatchObject({ cursor: '1.1', vacuum: [{ value: row?.vacuumPa }] })
  expect(await jobView(here(), randomUUID())).toBeNull()
})

test('a car no bench can play is refused when it is taken in, with the place and what can be played', async () => {
  for (const ambientC of [90, -60]) {
    const payload = { ...OPENING, simulated: true, place: { ...OPENING.place, ambientC } }
    const open = inTransaction(here(), (tx) =>
      openJob(tx, shop.lead, { id: randomUUID(), eventId: randomUUID(), payload }),
    )
    await expect(open).rejects.toMatchObject({ code: 'bad-input', faults: [{ path: 'payload.place.ambientC' }] })
  }
})

test('a car whose log cannot be read stands in the feed with its reason, and the others beside it', async () => {
  const [broken, sound] = [await simulated(1), await simulated(1)]
  await database().query(`update event set kind = 'noted' where job_id = $1 and seq = 0`, [broken])
  const feed = await benchFeed(here(), [])
  expect(feed.find((j) => j.jobId === broken)).toEqual({ jobId: broken, trouble: expect.stringMatching(/job-opened/) })
  expect(feed.find((j) => j.jobId === sound)).toMatchObject({ instrument: expect.any(String) })
})

test('what the bench says of a car stands beside it until it plays again', async () => {
  const jobId = await simulated(1)
  await storeTrouble(here(), { jobId, words: 'too warm' })
  expect((await selectJob(here(), jobId))?.benchTrouble).toBe('too warm')
  await storeTrouble(here(), { jobId, words: null })
  expect((await selectJob(here(), jobId))?.benchTrouble).toBeNull()
})

test('the bench of a start that is alive keeps its token; one that is gone, or was stopped, gives it away', async () => {
  const db = database()
  await db.query(`delete from device where kind = 'bench'`)
  expect(await claimBench(here(), 'first start', false)).toBe(true)
  expect(await claimBench(here(), 'second start', false)).toBe(false)
  expect(await claimBench(here(), 'first start', false)).toBe(true)
  await db.query(`update device set seen_at = now() - interval '5 minutes' where kind = 'bench'`)
  expect(await claimBench(here(), 'second start', false)).toBe(true)
  await releaseBench(here(), 'first start')
  expect(await claimBench(here(), 'first start', false)).toBe(false)
  await releaseBench(here(), 'second start')
  expect(await claimBench(here(), 'first start', false)).toBe(true)
  expect(await claimBench(here(), 'a state folder that was lost', true)).toBe(true)
})

test('a database that goes away is no car’s trouble; a fault of one car’s entries is that car’s only', async () => {
  const jobId = await simulated()
  /** the shop, where reading a job's entries does `instead` */
  const where = (instead: string): Scope => ({
    ...here(),
    query: ((text: string, values: unknown[]) =>
      /from event/.test(text) ? here().query(instead) : here().query(text, values)) as Scope['query'],
  })
  await expect(benchFeed(where('select pg_terminate_backend(pg_backend_pid())'), [])).rejects.toSatisfy(isAway)
  expect(await benchFeed(where('select 1 / 0'), [])).toEqual([{ jobId, trouble: expect.stringMatching(/division/) }])
})
