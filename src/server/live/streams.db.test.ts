import { randomUUID } from 'node:crypto'
import { afterEach, beforeEach, expect, test } from 'vitest'
import type { BoardRow } from '@/core/views'
import { deleteSession } from '../accounts/session-rows'
import type { SessionScope } from '../accounts/user-scope'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { boardView } from '../jobs/board-view'
import { ingest } from '../readings/ingest'
import { draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge, signedIn } from '../tests/shop-fixture'
import { boardStream } from './board-stream'
import { eventStream } from './event-stream'
import { jobStream } from './job-stream'

let shop: Fixture
let session: SessionScope
const open: AbortController[] = []
beforeEach(async () => {
  shop = await freshShop()
  session = await signedIn(shop.technician)
})
afterEach(() => {
  for (const reader of open.splice(0)) reader.abort()
})

type Told = { event: string; data: unknown }

/** Reads a stream as a browser does; `until` waits for a message that is as wanted. */
function listen(make: (request: Request) => Response) {
  const stop = new AbortController()
  open.push(stop)
  const told: Told[] = []
  let ended = false
  const read = async () => {
    const reader = (
      make(new Request('http://here/', { signal: stop.signal })).body as ReadableStream<Uint8Array>
    ).getReader()
    const decoder = new TextDecoder()
    let text = ''
    for (;;) {
      const { done, value } = await reader.read()
      if (done) break
      text += decoder.decode(value, { stream: true })
      const blocks = text.split('\n\n')
      text = blocks.pop() ?? ''
      for (const block of blocks) {
        const data = /^data: (.*)$/m.exec(block)?.[1]
        if (data) told.push({ event: /^event: (.*)$/m.exec(block)?.[1] ?? 'message', data: JSON.parse(data) })
      }
    }
    ended = true
  }
  void read().catch(() => undefined)
  const until = async (wanted: (t: Told) => boolean, ms = 15_000) => {
    const begun = Date.now()
    while (Date.now() - begun < ms) {
      const found = told.find(wanted)
      if (found) return { found, afterMs: Date.now() - begun }
      await new Promise((done) => setTimeout(done, 25))
    }
    throw new Error(`not told in ${ms} ms; told was ${JSON.stringify(told).slice(0, 500)}`)
  }
  return { told, until, ended: () => ended }
}

const rowsIn = (t: Told): BoardRow[] => (t.data as { rows?: BoardRow[] }).rows ?? []
const note = (jobId: string, ...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, drafts))
/** Cuts the connection the streams listen on, as a database that restarts does. */
const cutListening = () =>
  database().query(`select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'yperos live'`)

test('the board’s stream has the board’s own rows, all at first', async () => {
  const jobId = await jobWithGauge(shop.technician)
  const board = listen((request) => boardStream(request, session))
  const { found } = await board.until((t) => rowsIn(t).length > 0)
  expect(found.data).toEqual({ all: true, rows: JSON.parse(JSON.stringify(await boardView(here()))), day: null })
  await note(jobId, draft('step-finished', { step: 'zero' }))
  const changed = await board.until((t) => rowsIn(t)[0]?.summary.step === 'fix')
  expect(changed.found.data).toMatchObject({ all: false, rows: [{ id: jobId, clock: [{ factor: 1 }] }] })
})

test('what changes while its listening connection is away reaches the board within five seconds of its return', async () => {
  const jobs = [await jobWithGauge(shop.technician), await jobWithGauge(shop.technician)]
  const board = listen((request) => boardStream(request, session))
  await board.until((t) => rowsIn(t).length === 2)
  await cutListening()
  await Promise.all(jobs.map((jobId) => note(jobId, draft('step-finished', { step: 'zero' }))))
  const { afterMs } = await board.until((t) => rowsIn(t).filter((r) => r.summary.step === 'fix').length === 2)
  expect(afterMs).toBeLessThan(5000)
})

test('a car’s stream misses nothing while its listening connection is away', async () => {
  const jobId = await jobWithGauge(shop.technician)
  const job = listen((request) => jobStream(request, session, jobId, { readings: 0, events: 1 }))
  await job.until((t) => t.event === 'message')
  await cutListening()
  await ingest(
    shop.box,
    Array.from({ length: 50 }, (_, i) => gaugeLine(i, new Date(Date.now() - 60_000 + i * 1000), 500 + i)).join('\n'),
  )
  await note(jobId, draft('noted', { text: 'while it was away' }))
  await job.until((t) => JSON.stringify(t.data).includes('while it was away'))
  await job.until((t) => (t.data as { latest?: { vacuum?: { sentValue: number } } }).latest?.vacuum?.sentValue === 549)
  const seen = job.told
    .flatMap((t) => (t.data as { readings?: { sentValue: number }[] }).readings ?? [])
    .map((r) => r.sentValue)
  expect(seen).toEqual(Array.from({ length: 50 }, (_, i) => 500 + i))
})

test('whatever wakes a car’s stream, no newer reading is known than the newest it tells', async () => {
  const jobId = await jobWithGauge(shop.technician)
  const job = listen((request) => jobStream(request, session, jobId, { readings: 0, events: 1 }))
  await job.until((t) => t.event === 'message')
  // the listening line is there: what it says is heard
  await note(jobId, draft('noted', { text: 'heard' }))
  await job.until((t) => JSON.stringify(t.data).includes('heard'))
  await new Promise((done) => setTimeout(done, 600))
  // a reading that was stored and told to nobody, as while the listening connection is away
  await database().query(
    `with n as (
       update job set reading_seq = reading_seq + 1, readings_from = date_trunc('second', now()), readings_to = date_trunc('second', now()),
         latest = '{"vacuum":{"sentValue":512}}' where id = $1 returning reading_seq)
     insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq)
     select $1, reading_seq, date_trunc('second', now()), 'vacuum', 68.3, 512, 'micron', 'untold', 1 from n`,
    [jobId],
  )
  await note(jobId, draft('noted', { text: 'woken by this' }))
  const { found } = await job.until((t) => JSON.stringify(t.data).includes('woken by this'))
  expect(found.data).toMatchObject({ latest: { vacuum: { sentValue: 512 } }, readings: [{ sentValue: 512 }] })
})

test('a database that stays away is said again and again, no ping calls the line well, and its return is said @long', async () => {
  let there = false
  const refused = () => Promise.reject(new Error('ECONNREFUSED'))
  const cut = { ...session, query: refused } as SessionScope
  const stream = listen((request) =>
    eventStream(
      request,
      cut,
      () => false,
      () => (there ? Promise.resolve(null) : refused()),
    ),
  )
  // longer than a ping
  await new Promise((done) => setTimeout(done, 11_000))
  expect(new Set(stream.told.map((t) => t.event))).toEqual(new Set(['away']))
  expect(stream.told.length).toBeGreaterThanOrEqual(4)
  there = true
  await stream.until((t) => t.event === 'back', 2000)
})

test('a stream ends with the session it was opened under, within a ping, and says why', async () => {
  const jobId = await jobWithGauge(shop.technician)
  const job = listen((request) => jobStream(request, session, jobId, { readings: 0, events: 1 }))
  const other = listen((request) => boardStream(request, session))
  const stranger = listen((request) => boardStream(request, { ...session, sessionId: randomUUID() }))
  await deleteSession(database(), session.sessionId)
  await job.until((t) => t.event === 'signed-out', 12_000)
  await other.until((t) => t.event === 'signed-out', 12_000)
  // an id that was never a session opens nothing that lasts either
  await stranger.until((t) => t.event === 'signed-out', 12_000)
  await new Promise((done) => setTimeout(done, 100))
  expect([job.ended(), other.ended()]).toEqual([true, true])
  await note(jobId, draft('noted', { text: 'not for these ears' }))
  await new Promise((done) => setTimeout(done, 600))
  expect(JSON.stringify(job.told)).not.toContain('not for these ears')
})
