import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import pg from 'pg'
import { expect, test } from 'vitest'
import { database } from '@/server/db/pool'
import { ingest } from '@/server/readings/ingest'
import { freshShop, gaugeLine, jobWithGauge } from '@/server/tests/shop-fixture'
import { requirePostgres } from './packages'

test('a plain pg_dump, restored elsewhere, holds every event and reading', async () => {
  const shop = await freshShop()
  const jobId = await jobWithGauge(shop.technician)
  const start = Date.now() - 600_000
  await ingest(
    shop.box,
    Array.from({ length: 120 }, (_, i) => gaugeLine(i, new Date(start + i * 1000), 300 + i)).join('\n'),
  )
  const url = process.env.DATABASE_URL ?? ''
  const elsewhere = new URL(url)
  elsewhere.pathname = '/restored'
  const db = database()
  await db.query('drop database if exists restored')
  await db.query('create database restored')
  const bin = requirePostgres()
  const dump = execFileSync(join(bin, 'pg_dump'), [url], { maxBuffer: 64 * 1024 * 1024 })
  execFileSync(join(bin, 'psql'), ['-qX', '-v', 'ON_ERROR_STOP=1', elsewhere.href], {
    input: dump,
    stdio: ['pipe', 'ignore', 'pipe'],
  })
  const client = new pg.Client({ connectionString: elsewhere.href })
  await client.connect()
  const head = `select j.head, j.reading_seq, (select count(*) from reading r where r.job_id = j.id) as readings,
    (select hash from event e where e.job_id = j.id order by seq desc limit 1) as last from job j where id = $1`
  const [here, there] = await Promise.all([db.query(head, [jobId]), client.query(head, [jobId])])
  await client.end()
  expect(there.rows).toEqual(here.rows)
  expect(there.rows[0]).toMatchObject({ readings: '120', last: here.rows[0].head })
})
