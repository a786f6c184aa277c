import { randomUUID } from 'node:crypto'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { DAY_MS } from '@/core/units/constants'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { jobView } from '../jobs/job-view'
import { datedBack, openJob } from '../jobs/open-job'
import { by, type Fixture, freshShop, gaugeLine, here, jobWithGauge, OPENING, readingsOf } from '../tests/shop-fixture'
import { selectHistory } from './history'
import { ingest } from './ingest'
import { keepPartitions, monthsAround } from './partitions'
import { selectSpan } from './span'
import { typeReadings } from './type-reading'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

const partitions = async () => {
  const { rows } = await database().query<{ name: string }>(
    `select inhrelid::regclass::text as name from pg_inherits where inhparent = 'reading'::regclass order by 1`,
  )
  return rows.map((r) => r.name)
}

afterEach(async () => {
  await database().query('truncate reading')
  for (const name of await partitions()) if (name !== 'reading_other') await database().query(`drop table ${name}`)
})

const typed = (seq: number, at: string) => ({
  seq,
  channel: 'vacuum' as const,
  value: 500,
  unit: 'micron' as const,
  at,
})

test('a reading from before the car came is refused with both times, and no past month gets a partition', async () => {
  await keepPartitions(database())
  const before = await partitions()
  const opened = new Date(Date.now() - 3600_000)
  const jobId = await jobWithGauge(shop.technician, opened)
  for (let request = 0; request < 15; request++) {
    const centuries = Array.from({ length: 100 }, (_, i) =>
      typed(request * 100 + i, new Date(Date.UTC(1980 + (i % 40), (request * 7 + i) % 12, 3)).toISOString()),
    )
    const refused = typeReadings(by(shop.technician), jobId, centuries)
    await expect(refused).rejects.toMatchObject({
      code: 'bad-input',
      faults: [{ path: 'readings[0].at', reason: expect.stringContaining(opened.toISOString()) }],
    })
  }
  expect(await partitions()).toEqual(before)
  expect(await readingsOf(jobId)).toEqual([])
  expect((await jobView(here(), jobId))?.vacuum).toEqual([])
})

test('a car that came before anybody wrote it down is taken in dated back by up to fourteen days, and says so', async () => {
  const now = Date.now()
  const came = new Date(now - 13 * DAY_MS)
  expect(datedBack(came.toISOString(), false, now)).toEqual(came)
  for (const [asked, simulated] of [
    [now - 15 * DAY_MS, false],
    [now + 60_000, false],
    [now - DAY_MS, true],
  ] as const)
    expect(() => datedBack(new Date(asked).toISOString(), simulated, now)).toThrow(/openedAt/)
  const id = randomUUID()
  await inTransaction(here(), (tx) =>
    openJob(tx, shop.technician, { id, eventId: randomUUID(), payload: { ...OPENING, datedBack: true } }, came),
  )
  const night = Array.from({ length: 20 }, (_, i) => typed(i, new Date(came.getTime() + i * 1800_000).toISOString()))
  expect(await typeReadings(by(shop.technician), id, night)).toBe(20)
  const view = await jobView(here(), id)
  expect(view?.vacuum).toHaveLength(20)
  expect(view?.events[0]).toMatchObject({ happenedAt: came.toISOString(), payload: { datedBack: true } })
})

test(
  'partitions are made around now and nowhere else; a clock that runs ahead fills the catch-all, ' +
    'and its month moves out when it comes',
  async () => {
    const db = database()
    const now = new Date()
    await keepPartitions(db, now)
    const around = await partitions()
    expect(around).toHaveLength(monthsAround(now).length + 1)
    // a simulated car at 600 times the wall: twenty minutes of ours are more than a week of its own, a day of ours
    // twenty months
    const id = randomUUID()
    await inTransaction(here(), (tx) =>
      openJob(
        tx,
        shop.technician,
        { id, eventId: randomUUID(), payload: OPENING, factor: 600 },
        new Date(now.getTime() - DAY_MS),
      ),
    )
    await db.query(`insert into attachment (instrument_id, job_id, from_at, shop_id) values ('G1', $1, $2, $3)`, [
      id,
      new Date(now.getTime() - DAY_MS),
      here().shopId,
    ])
    const lines = Array.from({ length: 96 }, (_, i) =>
      gaugeLine(i, new Date(now.getTime() - DAY_MS + i * 900_000), 500 + i),
    )
    await ingest(shop.box, lines.join('\n'))
    expect(await partitions()).toEqual(around)
    const ahead = new Date(now.getTime() + 300 * DAY_MS)
    await keepPartitions(db, ahead)
    expect((await partitions()).length).toBe(around.length + 3)
    // nothing was lost on the way, and each reading lies in the month it belongs to
    expect(await readingsOf(id)).toHaveLength(96)
    const { rows } = await db.query<{ wrong: number }>(
      `select count(*)::int as wrong from reading_other where measured_at >= $1 and measured_at < $2`,
      [monthsAround(ahead)[0], new Date(Date.UTC(ahead.getUTCFullYear(), ahead.getUTCMonth() + 2, 1))],
    )
    expect(rows[0]?.wrong).toBe(0)
  },
)

test('a question about one car locks the months it lies in, however many there are', async () => {
  const db = database()
  for (let year = 1990; year < 2014; year++) await keepPartitions(db, new Date(Date.UTC(year, 5, 15)))
  await keepPartitions(db)
  expect((await partitions()).length).toBeGreaterThan(70)
  const jobId = await jobWithGauge(shop.technician)
  await ingest(shop.box, gaugeLine(1, new Date(), 500))
  const locked = await inTransaction(here(), async (tx) => {
    const span = await selectSpan(tx, jobId)
    expect(await selectHistory(tx, span, 'vacuum', 100)).toHaveLength(1)
    const { rows } = await tx.query<{ n: number }>(
      `select count(distinct l.relation)::int as n from pg_locks l join pg_inherits i on i.inhrelid = l.relation
        where l.pid = pg_backend_pid() and i.inhparent = 'reading'::regclass`,
    )
    return rows[0]?.n ?? 0
  })
  expect(locked).toBeGreaterThanOrEqual(1)
  expect(locked).toBeLessThanOrEqual(3)
})
