import { beforeEach, expect, test } from 'vitest'
import { ingest } from '../readings/ingest'
import { type Fixture, freshShop, jobWithGauge } from '../tests/shop-fixture'
import { isAway } from './away'
import { database, makePool, openClient, transaction } from './pool'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

test('a second connection inside a transaction is refused at once, wherever it is asked for', async () => {
  const asked = transaction(database(), async () => database().query('select 1'))
  await expect(asked).rejects.toThrow(/second connection/)
  await expect(transaction(database(), () => transaction(database(), async () => 1))).rejects.toThrow(
    /second connection/,
  )
  // the way out is free again
  expect((await database().query('select 1 as one')).rows).toEqual([{ one: 1 }])
})

test('a transaction may be begun while others run: only the one inside must hand its own on', async () => {
  const done = await Promise.all(
    Array.from({ length: 30 }, (_, i) =>
      transaction(database(), async (tx) => (await tx.query('select $1::int as n', [i])).rows[0].n),
    ),
  )
  expect(done).toEqual(Array.from({ length: 30 }, (_, i) => i))
})

test('forty batches of two cars at once, in a month nobody measured in before, all come through', async () => {
  const db = database()
  const jobs = [await jobWithGauge(shop.technician), await jobWithGauge(shop.technician)]
  await db.query(
    `insert into instrument (id, device_id, name, shop_id) values ('G2', $1, 'other gauge', $2) on conflict do nothing`,
    [shop.deviceId, shop.box.shopId],
  )
  await db.query(`update attachment set instrument_id = 'G2' where job_id = $1`, [jobs[1]])
  await db.query(`update attachment set to_at = null where job_id = $1`, [jobs[0]])
  const line = (instrument: string, seq: number) =>
    JSON.stringify({ instrument, seq, at: new Date().toISOString(), channel: 'vacuum', value: 500, unit: 'micron' })
  const begun = Date.now()
  const done = await Promise.all(
    Array.from({ length: 40 }, (_, i) => ingest(shop.box, [line('G1', i), line('G2', i)].join('\n'))),
  )
  expect(done.every((d) => d.stored === 2)).toBe(true)
  // ten seconds was the wait for a lock that never came
  expect(Date.now() - begun).toBeLessThan(9000)
})

async function killBackend(pid: number): Promise<void> {
  const other = await openClient(process.env.DATABASE_URL ?? '')
  await other.query('select pg_terminate_backend($1)', [pid])
  await other.end()
}

test('statements, idle transactions and waits for a connection have an end', async () => {
  const { rows } = await database().query(
    `select current_setting('statement_timeout') as statement,
        current_setting('idle_in_transaction_session_timeout') as idle`,
  )
  expect(rows[0]).toEqual({ statement: '30s', idle: '20s' })
  const narrow = makePool(process.env.DATABASE_URL ?? '', 1)
  narrow.options.connectionTimeoutMillis = 200
  const held = await narrow.connect()
  const refused = await narrow.connect().catch((error) => error)
  expect(isAway(refused)).toBe(true)
  held.release()
  await narrow.end()
})

test('a connection that dies while a transaction computes fails that transaction, and nothing else', async () => {
  const lost = await transaction(database(), async (tx) => {
    const { rows } = await tx.query<{ pid: number }>('select pg_backend_pid() as pid')
    await killBackend(rows[0]?.pid ?? 0)
    // computing between two questions: here nobody waits for an answer that could carry the error
    await new Promise((done) => setTimeout(done, 300))
    await tx.query('select 1')
  }).catch((error) => error)
  expect(isAway(lost)).toBe(true)
  expect((await database().query('select 1 as one')).rows).toEqual([{ one: 1 }])
})
