import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { PA_PER_MICRON } from '@/core/units/constants'
import { database } from '../db/pool'
import { boxWith, by, type Fixture, freshShop, gaugeLine, here, jobWithGauge, readingsOf } from '../tests/shop-fixture'
import { selectAverages, selectHistory } from './history'
import { forDevice, ingest } from './ingest'
import { sharedCommit } from './shared-commit'
import { selectSpan } from './span'
import type { NewReading } from './store-readings'
import { typeReadings } from './type-reading'

let shop: Fixture
let jobId: string
const START = new Date(Date.now() - 3000_000)
const at = (s: number) => new Date(START.getTime() + s * 1000)
const batch = (from: number, to: number) =>
  Array.from({ length: to - from }, (_, i) => gaugeLine(from + i, at(from + i), 1000 - from - i)).join('\n')

beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
})

const stored = async () => (await readingsOf(jobId)).map((r) => r.sentValue)

test('readings are kept as sent and in Pa, and the newest stands beside the job', async () => {
  expect(await ingest(shop.box, batch(0, 10))).toEqual({ stored: 10, repeated: 0, unattached: 0 })
  const rows = await readingsOf(jobId)
  expect(rows[0]).toMatchObject({ sentValue: 1000, sentUnit: 'micron', channel: 'vacuum', instrument: 'G1' })
  expect(rows[0]?.value).toBeCloseTo(1000 * PA_PER_MICRON, 6)
  const { rows: job } = await database().query('select latest from job where id = $1', [jobId])
  expect(job[0].latest.vacuum.sentValue).toBe(991)
})

test('doubled, overlapping and reordered batches store each reading once', async () => {
  await ingest(shop.box, batch(20, 40))
  await ingest(shop.box, batch(0, 25))
  expect(await ingest(shop.box, batch(10, 45))).toEqual({ stored: 5, repeated: 30, unattached: 0 })
  expect((await stored()).sort((a, b) => a - b)).toEqual(Array.from({ length: 45 }, (_, i) => 956 + i))
  const { rows } = await database().query('select latest from job where id = $1', [jobId])
  expect(rows[0].latest.vacuum.sentValue).toBe(956)
})

test('the same batch sent by ten at once is stored once', async () => {
  const done = await Promise.all(Array.from({ length: 10 }, () => ingest(shop.box, batch(0, 50))))
  expect(done.reduce((sum, d) => sum + d.stored, 0)).toBe(50)
  expect(await stored()).toHaveLength(50)
})

test('numbers of readings follow the order of commits, so a stream that resumes misses nothing', async () => {
  let seen = 0
  const found: number[] = []
  const look = async () => {
    const rows = await readingsOf(jobId, seen)
    seen = rows[rows.length - 1]?.seq ?? seen
    found.push(...rows.map((r) => r.sentValue))
  }
  const writers = Promise.all(Array.from({ length: 12 }, (_, i) => ingest(shop.box, batch(i * 20, i * 20 + 20))))
  for (let i = 0; i < 40; i++) await look()
  await writers
  await look()
  expect(new Set(found).size).toBe(240)
  expect(found).toHaveLength(240)
})

test('one bad line refuses its whole batch, naming line, place and reason', async () => {
  const lines = [
    gaugeLine(1, at(1), 500),
    '{"instrument":"G1","seq":2,"at":"yesterday","channel":"vacuum","value":"low","unit":"micron"}',
    'not json',
  ]
  const failure = await ingest(shop.box, lines.join('\n')).catch((e) => e)
  expect(failure).toMatchObject({ code: 'bad-input' })
  expect(failure.faults.map((f: { path: string }) => f.path)).toEqual(
    expect.arrayContaining(['line 2: at', 'line 2: value', 'line 3']),
  )
  expect(await stored()).toEqual([])
})

test('an impossible pressure is refused with its reason', async () => {
  const line = JSON.stringify({
    instrument: 'G1',
    seq: 1,
    at: at(1).toISOString(),
    channel: 'vacuum',
    value: 40,
    unit: 'inHgV',
  })
  await expect(ingest(shop.box, line)).rejects.toThrow(/line 1: value.*33 inHg/)
})

test('a clock that runs ahead is refused, one of an instrument that hung at no car is counted', async () => {
  await expect(ingest(shop.box, gaugeLine(1, new Date(Date.now() + 3600_000), 500))).rejects.toThrow(/set the clock/)
  expect(await ingest(shop.box, gaugeLine(1, new Date(Date.now() - 9 * 3600_000), 500))).toEqual({
    stored: 0,
    repeated: 0,
    unattached: 1,
  })
})

test('only a known token is a device', async () => {
  const ask = (token: string) => forDevice(new Request('http://x/', { headers: { authorization: `Bearer ${token}` } }))
  expect((await ask(shop.token)).device.id).toBe(shop.deviceId)
  await expect(ask('no-such-token-at-all')).rejects.toMatchObject({ code: 'not-signed-in' })
})

test('a reading typed twice with the same number is stored once', async () => {
  const typed = { seq: 77, channel: 'vacuum' as const, value: 21.5, unit: 'inHgV' as const }
  const both = await Promise.all([
    typeReadings(by(shop.technician), jobId, [typed]),
    typeReadings(by(shop.technician), jobId, [typed]),
  ])
  expect(both.sort()).toEqual([0, 1])
  expect(await stored()).toEqual([21.5])
})

test('a thinned history keeps its extremes and its ends', async () => {
  const lines = Array.from({ length: 500 }, (_, i) =>
    gaugeLine(i, at(i), i === 333 ? 9000 : i === 111 ? 3 : 500 + (i % 7)),
  )
  await ingest(shop.box, lines.join('\n'))
  const thinned = await selectHistory(here(), await selectSpan(here(), jobId), 'vacuum', 60)
  expect(thinned.length).toBeLessThanOrEqual(62)
  const micron = thinned.map((p) => Math.round(p.value / PA_PER_MICRON))
  expect(micron).toContain(9000)
  expect(micron).toContain(3)
})

test('averages hold the mean of what they stand for', async () => {
  const lines = Array.from({ length: 400 }, (_, i) => gaugeLine(i, at(i), 100 + i))
  await ingest(shop.box, lines.join('\n'))
  const averages = await selectAverages(here(), await selectSpan(here(), jobId), 'vacuum', 40)
  expect(averages).toHaveLength(40)
  const total = averages.reduce((sum, p) => sum + p.count, 0)
  const mean = averages.reduce((sum, p) => sum + p.value * p.count, 0) / total / PA_PER_MICRON
  expect(total).toBe(400)
  expect(mean).toBeCloseTo(299.5, 3)
})

test('a gauge whose clock is set back still shows its newest reading, and the jump is said', async () => {
  await ingest(shop.box, batch(0, 30))
  const back = JSON.parse(gaugeLine(30, at(-300), 400))
  await ingest(shop.box, JSON.stringify(back))
  const latest = async () =>
    (await database().query('select latest from job where id = $1', [jobId])).rows[0].latest.vacuum
  expect(await latest()).toMatchObject({ sentValue: 400, backS: 329 })
  await ingest(shop.box, gaugeLine(31, at(-299), 401))
  expect(await latest()).toMatchObject({ sentValue: 401 })
  expect((await latest()).backS).toBeUndefined()
  // a batch from before the jump that comes late is not the newest for that
  await ingest(shop.box, gaugeLine(12, at(-310), 988))
  expect((await latest()).sentValue).toBe(401)
})

test('what is typed just now is the newest whatever the clocks say; what is typed for earlier is not', async () => {
  await ingest(shop.box, gaugeLine(1, new Date(Date.now() + 120_000), 500))
  const typed = (seq: number, value: number, at?: string) => ({
    seq,
    channel: 'vacuum' as const,
    value,
    unit: 'micron' as const,
    ...(at && { at }),
  })
  const newest = async () =>
    (await database().query('select latest from job where id = $1', [jobId])).rows[0].latest.vacuum.sentValue
  await typeReadings(by(shop.technician), jobId, [typed(8_000, 640)])
  expect(await newest()).toBe(640)
  await typeReadings(by(shop.technician), jobId, [typed(9_000, 700, new Date(Date.now() - 600_000).toISOString())])
  expect(await newest()).toBe(640)
})

const reading = (seq: number, value = 66.6): NewReading => ({
  channel: 'vacuum',
  value,
  sentValue: value,
  sentUnit: 'Pa',
  instrumentId: 'G1',
  deviceSeq: seq,
  measuredAt: at(seq),
  byAccount: null,
  note: null,
})

test('senders that ask together are each told of their own: where they hang, that a token opens nothing', async () => {
  const senders = await Promise.all(
    Array.from({ length: 9 }, async (_, i) => {
      const { box } = await boxWith(`X${i}`)
      const carId = await jobWithGauge(shop.technician, START, `X${i}`)
      return { carId, scope: i === 4 ? { ...box, device: { ...box.device, tokenHash: 'taken back' } } : box }
    }),
  )
  const send = (i: number, from: number) => {
    const lines = [from, from + 1].map((n) => gaugeLine(n, at(n), 500 + i, `X${i}`))
    return ingest((senders[i] as (typeof senders)[number]).scope, lines.join('\n'))
  }
  const became = async (sent: Promise<{ stored: number }>[]) =>
    (await Promise.allSettled(sent)).map((d) => (d.status === 'fulfilled' ? d.value.stored : d.reason.code))
  expect(await became(senders.map((_, i) => send(i, 1)))).toEqual([2, 2, 2, 2, 'not-signed-in', 2, 2, 2, 2])
  // what the database cannot read of one costs the others nothing
  const broken = ingest({ ...here(), device: { id: 'no id at all', kind: 'instruments' } }, batch(0, 1))
  expect(await became([send(0, 3), send(1, 3), send(2, 3), broken, send(3, 3)])).toEqual([2, 2, 2, '22P02', 2])
  for (const [i, { carId }] of senders.entries())
    expect((await readingsOf(carId)).map((r) => r.sentValue)).toEqual(
      Array.from({ length: i < 4 ? 4 : i === 4 ? 0 : 2 }, () => 500 + i),
    )
})

test('batches that arrive together share commits, and each is told what became of its own readings', async () => {
  const cars = await Promise.all(Array.from({ length: 6 }, () => jobWithGauge(shop.technician)))
  const gone = randomUUID()
  const commits = async () => Number((await database().query(`select pg_current_xact_id()::text as id`)).rows[0].id)
  const before = await commits()
  const done = await Promise.all(
    Array.from({ length: 60 }, (_, i) =>
      sharedCommit().ask({
        shopId: here().shopId,
        placed: new Map([
          // every second batch brings again what the one before it brought
          [cars[i % 6] as string, [reading(Math.floor(i / 12) * 100 + (i % 6))]],
          ...(i === 7 ? [[gone, [reading(1), reading(2)]] as const] : []),
        ]),
      }),
    ),
  )
  // stored once, by whichever of the two came first: two commits are under way at a time
  const once = done.flatMap((d, i) => (i % 12 < 6 ? [d.stored + (done[i + 6]?.stored ?? 0)] : []))
  expect(once).toEqual(Array.from({ length: 30 }, () => 1))
  expect(done.map((d) => d.refused)).toEqual(Array.from({ length: 60 }, (_, i) => (i === 7 ? 2 : 0)))
  // sixty batches, and nothing like sixty transactions
  expect((await commits()) - before).toBeLessThan(12)
  for (const car of cars) expect(await readingsOf(car)).toHaveLength(5)
})

test('a batch that cannot be stored fails by itself, whoever shares its commit', async () => {
  const send = (seq: number, value: number) =>
    sharedCommit().ask({ shopId: here().shopId, placed: new Map([[jobId, [reading(seq, value)]]]) })
  const done = await Promise.allSettled([send(1, 60), send(2, 60), send(3, 1e12), send(4, 60)])
  expect(done.map((d) => d.status)).toEqual(['fulfilled', 'fulfilled', 'rejected', 'fulfilled'])
  expect((await readingsOf(jobId)).map((r) => r.value)).toEqual([60, 60, 60])
})
