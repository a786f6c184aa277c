import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import pg from 'pg'
import { understood } from '@/core/book/find'
import { say } from '@/ops/say'
import { carPage } from '@/server/book/car-page'
import { findLines } from '@/server/book/find-lines'
import { makePool } from '@/server/db/pool'
import { scopeOf } from '@/server/db/scope'
import { selectStatement } from '@/server/ledger/statement'
import { selectShop } from '@/server/shop/shop'
import { atMost, type Measure, percentile } from './measure'
import { type RunningShop, startShop } from './running-shop'
import { JOBS_A_CAR, seedJobs } from './seed'

/** The shop that is kept, and its sizes: at each it is measured how the cost grows. */
const NAME = 'perf-book'
const SIZES = [25_000, 50_000, 100_000] as const
const FULL = SIZES[SIZES.length - 1] as number
/** 400,000 lines of the ledger stand beside them: ten million in all. */
const READINGS_EACH = 96
/** Times each question is asked, in a shuffled order of what is asked for. */
const ASKED = 60

/**
 * What people look for: often and seldom, words and filters, a plate, a time, nothing that is there, a slip of the
 * pen.
 */
const SEARCHES = [
  '',
  'shuttle 8',
  'cl1234',
  'weeps',
  'teo compressor squeals',
  'found leaking',
  'caution passed',
  'unsigned',
  'caution passed found leaking 2019',
  'drier since 2024-03 until 2024-05',
  '2021-06-14',
  'maira condenser undecided',
  'cl-523 ambulance',
  'nothing like this word',
  'ambulanse 12',
]

const jobsIn = async (db: pg.Pool): Promise<number> =>
  Number(
    (await db.query<{ n: string }>(`select count(*) as n from ledger_entry where by_name = 'perf' and kind = 'bought'`))
      .rows[0]?.n,
  )

/**
 * The kept shop, running, filled up to its size; where it is filled a copy of its database is left at each size
 * before.
 */
async function fullShop(): Promise<RunningShop> {
  const shop = await startShop(NAME)
  // seeding takes longer than any request may
  const db = new pg.Pool({ connectionString: shop.databaseUrl, max: 2 })
  try {
    const { id: shopId } = await selectShop(db)
    for (const size of SIZES) {
      const there = await jobsIn(db)
      if (there < size) {
        say(`seeding jobs ${there} to ${size}`)
        await seedJobs(db, shopId, there, size, READINGS_EACH, (n) => {
          if (n % 10_000 === 0) say(`  ${n} jobs, ${(n * (READINGS_EACH + 4)).toLocaleString('en')} lines and readings`)
        })
      }
    }
  } catch (error) {
    await shop.stop()
    throw error
  } finally {
    await db.end()
  }
  return shop
}

/** Makes the kept shop where it is missing. */
export async function seedBook(): Promise<void> {
  await (await fullShop()).stop()
}

/**
 * Search, a car's page and a year's statement: as a page over http on the full shop, and by the question alone as
 * jobs double.
 */
export async function measureBook(): Promise<Measure[]> {
  const shop = await fullShop()
  try {
    const cars = await shop.db.query<{ id: string }>(
      `select car_id as id from book_line where car_id is not null group by 1 having count(*) = $1 limit 50`,
      [JOBS_A_CAR],
    )
    const page = async (path: string) => {
      const began = performance.now()
      const answer = await fetch(shop.address + path, { headers: { cookie: shop.cookie } })
      await answer.text()
      if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
      return performance.now() - began
    }
    const times = async (paths: readonly string[]) => {
      const found: number[] = []
      // twice each to warm: the server reads a page's program when it is first asked for, and is compiled as it runs
      for (const path of [...paths.slice(0, 15), ...paths.slice(0, 15)]) await page(path)
      for (let i = 0; i < ASKED; i++) found.push(await page(paths[(i * 7) % paths.length] as string))
      return percentile(found, 0.95)
    }
    const search = await times(SEARCHES.map((q) => `/records?q=${encodeURIComponent(q)}`))
    const car = await times(cars.rows.map((c) => `/cars/${c.id}`))
    const year = await times(['/statement?from=2024-01-01&to=2024-12-31', '/statement?from=2019-01-01&to=2019-12-31'])
    return [
      atMost(`search of ${FULL.toLocaleString('en')} jobs, page over http, 95 of 100`, search, 'ms', 100),
      atMost(`page of a car with ${JOBS_A_CAR} jobs, over http, 95 of 100`, car, 'ms', 500),
      atMost('statement of a year, page over http, 95 of 100', year, 'ms', 1000),
      ...(await measureGrowth(shop)),
    ]
  } finally {
    await shop.stop()
  }
}

/** The same questions at a quarter, half and all of the jobs, on copies of the shop cut down to them. */
async function measureGrowth(shop: RunningShop): Promise<Measure[]> {
  const costs: { size: number; search: number; statement: number; car: number }[] = []
  for (const size of SIZES) {
    const url = size === FULL ? shop.databaseUrl : await cutTo(shop, size)
    const db = makePool(url, 2)
    try {
      const scope = scopeOf((await selectShop(db)).id, db)
      const { rows } = await db.query<{ id: string }>(
        `select car_id as id from book_line where car_id is not null group by 1 having count(*) = $1 limit 20`,
        [JOBS_A_CAR],
      )
      const timed = async (n: number, ask: (i: number) => Promise<unknown>) => {
        const found: number[] = []
        for (let i = 0; i < n + 5; i++) {
          const began = performance.now()
          await ask(i)
          if (i >= 5) found.push(performance.now() - began)
        }
        return percentile(found, 0.95)
      }
      costs.push({
        size,
        search: await timed(ASKED, (i) =>
          findLines(scope, understood(SEARCHES[i % SEARCHES.length] as string, '2026-11-27'), 'UTC', 101),
        ),
        statement: await timed(10, (i) =>
          selectStatement(scope, { from: `${2018 + (i % 6)}-01-01`, to: `${2018 + (i % 6)}-12-31` }, 'UTC'),
        ),
        car: await timed(20, (i) => carPage(scope, rows[i % rows.length]?.id ?? '')),
      })
    } finally {
      await db.end()
    }
  }
  const last = costs[costs.length - 1] as (typeof costs)[number]
  return (['search', 'car', 'statement'] as const).map((what) => ({
    ...atMost(
      `the database's part of a ${what}, ${SIZES.map((s) => `${s / 1000}k`).join(', ')} jobs: ${costs.map((c) => c[what].toFixed(1)).join(', ')}`,
      last[what],
      'ms',
      { search: 100, car: 500, statement: 1000 }[what],
    ),
    reference: `as jobs double, ${((costs[1]?.[what] ?? 1) / (costs[0]?.[what] ?? 1)).toFixed(2)} and`,
    ratio: last[what] / (costs[1]?.[what] ?? 1),
  }))
}

/** A copy of the shop's database with only its first jobs, made once and kept. @returns its address */
async function cutTo(shop: RunningShop, size: number): Promise<string> {
  const name = `book_${size}`
  const url = new URL(shop.databaseUrl)
  url.pathname = `/${name}`
  const { rowCount } = await shop.db.query('select 1 from pg_database where datname = $1', [name])
  if (rowCount) return url.href
  say(`copying the first ${size} jobs`)
  await shop.db.query(`create database ${name}`)
  try {
    await copyInto(shop, url, size)
  } catch (error) {
    // half a copy would be measured as a whole one
    await shop.db.query(`drop database ${name}`)
    throw error
  }
  return url.href
}

async function copyInto(shop: RunningShop, url: URL, size: number): Promise<void> {
  const dump = join(process.env.YPEROS_ROOT ?? '.', `.yperos/${NAME}/schema.sql`)
  const bin = execFileSync('sh', ['-c', 'ls -d /usr/lib/postgresql/*/bin | tail -1']).toString().trim()
  // the shape alone by the database's own tool, then rows by the order they were seeded in
  execFileSync(join(bin, 'pg_dump'), ['--schema-only', '--no-owner', '-f', dump, shop.databaseUrl])
  execFileSync(join(bin, 'psql'), ['-q', '-v', 'ON_ERROR_STOP=1', '-f', dump, url.href], {
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  const copy = (sql: string, table: string) =>
    execFileSync(
      'sh',
      [
        '-c',
        `"${bin}/psql" -q -c "copy (${sql}) to stdout" "$FROM" | "${bin}/psql" -q -c "copy ${table} from stdin" "$TO"`,
      ],
      {
        env: { ...process.env, FROM: shop.databaseUrl, TO: url.href },
      },
    )
  const jobs = `select id from job where exists (select 1 from ledger_entry l where l.job_id = job.id and l.by_name = 'perf') order by car_id, id limit ${size}`
  copy('select * from shop', 'shop')
  copy(`select * from car where id in (select car_id from job where id in (${jobs}))`, 'car')
  copy(`select * from job where id in (${jobs})`, 'job')
  copy(`select * from book_line where id in (${jobs})`, 'book_line')
  copy(`select * from ledger_entry where job_id in (${jobs})`, 'ledger_entry')
  const db = new pg.Pool({ connectionString: url.href, max: 1 })
  await db.query('analyze')
  await db.end()
}
