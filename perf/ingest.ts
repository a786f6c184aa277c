import { execFileSync } from 'node:child_process'
import { get } from 'node:http'
import { join } from 'node:path'
import { requirePostgres } from '@/ops/packages'
import { atLeast, type Measure } from './measure'
import { type Gauge, hangUp, line, openGauges, post, type RunningShop } from './running-shop'

const DEVICES = 20
const PER_REQUEST = 50
const SECONDS = 12
/** Requests of one device that are written before each part. */
const READY = 120
/** Ingest is measured in so many parts, with COPY before, between and after. */
const TURNS = 4
/** A shop that was just started looks at every car and plans its day: what is measured is one that has, ms. */
const SETTLE_MS = 20_000
const RAW_ROWS = 100_000
/** Numbers and times kept free for each part, ms and readings of one device: above what it can send. */
const MOST_A_TURN = 1_000_000

/**
 * Readings a second through HTTP, each batch committed before its answer, with live streams open; beside COPY into the
 * same table.
 */
export async function measureIngest(shop: RunningShop): Promise<Measure[]> {
  const gauges = await openGauges(shop.db, DEVICES, 'ingest')
  const streams = gauges.map((g) => openStream(shop, g.jobId))
  await requireDurable(shop)
  await new Promise((done) => setTimeout(done, SETTLE_MS))
  // beside each other: the machine is a third faster or slower from one half minute to the next
  const raws = [copyRate(shop, gauges[0] as Gauge, 0)]
  let stored = 0
  let seconds = 0
  for (let turn = 1; turn <= TURNS; turn++) {
    // written beforehand: what is measured is the server
    const ready = gauges.map((gauge) => Array.from({ length: READY }, (_, i) => batchOf(gauge, turn, i)))
    // while COPY ran nobody here heard a line being closed that was silent for long, by what was measured before
    hangUp()
    const began = Date.now()
    const until = began + (SECONDS * 1000) / TURNS
    const sent = await Promise.all(gauges.map((gauge, i) => sendUntil(shop, gauge, until, turn, ready[i] ?? [])))
    seconds += (Date.now() - began) / 1000
    stored += sent.reduce((sum, n) => sum + n, 0)
    raws.push(copyRate(shop, gauges[0] as Gauge, turn))
  }
  for (const stop of streams) stop()
  const { rows } = await shop.db.query<{ n: string }>(
    'select count(*) as n from reading where instrument_id = any($1::text[])',
    [gauges.map((g) => g.instrument)],
  )
  if (Number(rows[0]?.n) !== stored) throw new Error('readings were acknowledged that are not in the table')
  const rate = stored / seconds
  const raw = raws.reduce((sum, r) => sum + r, 0) / raws.length
  return [
    {
      ...atLeast('ingest through HTTP, 20 devices, 50 a request, streams open', rate, 'readings/s', 5000),
      reference: `COPY into the same table, ${Math.round(raw)} rows/s`,
      ratio: rate / raw,
    },
    atLeast('ingest beside COPY in the same run', rate / raw, 'of COPY', 0.15),
  ]
}

async function requireDurable(shop: RunningShop): Promise<void> {
  for (const setting of ['fsync', 'synchronous_commit']) {
    const { rows } = await shop.db.query<Record<string, string>>(`show ${setting}`)
    if (rows[0]?.[setting] !== 'on') throw new Error(`${setting} is not on: the figure would mean nothing`)
  }
}

async function sendUntil(
  shop: RunningShop,
  gauge: Gauge,
  until: number,
  turn: number,
  ready: readonly string[][],
): Promise<number> {
  let stored = 0
  for (let i = 0; Date.now() < until; i++)
    stored += (await post(shop.address, gauge, ready[i] ?? batchOf(gauge, turn, i))).stored
  return stored
}

/** Readings of one device, a ms apart, of a day ago. */
function batchOf(gauge: Gauge, turn: number, batch: number): string[] {
  const from = turn * MOST_A_TURN + batch * PER_REQUEST
  const base = Date.now() - 24 * 3600_000
  return Array.from({ length: PER_REQUEST }, (_, i) =>
    line(gauge, from + i, new Date(base + from + i), 500 + ((from + i) % 300)),
  )
}

function openStream(shop: RunningShop, jobId: string): () => void {
  const asked = get(
    `${shop.address}/api/jobs/${jobId}/live?from=0.1`,
    { headers: { cookie: shop.cookie } },
    (answer) => {
      if (answer.statusCode !== 200) throw new Error(`live: ${answer.statusCode}`)
      // read and dropped: the server's work is what counts
      answer.resume()
    },
  )
  let stopped = false
  asked.on('error', (error) => {
    if (!stopped) throw error
  })
  return () => {
    stopped = true
    asked.destroy()
  }
}

/** Rows a second of COPY from psql into the reading table, one commit: the machine's raw limit. */
function copyRate(shop: RunningShop, gauge: Gauge, turn: number): number {
  const start = Date.now() - 20 * 3600_000
  const rows = Array.from(
    { length: RAW_ROWS },
    (_, i) =>
      `${gauge.jobId},${10_000_000 + turn * RAW_ROWS + i},${new Date(start + i).toISOString()},vacuum,66.6,500,micron,raw-${turn},${i}`,
  ).join('\n')
  const began = Date.now()
  const columns = 'job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq'
  execFileSync(
    join(requirePostgres(), 'psql'),
    [shop.databaseUrl, '-qc', `\\copy reading (${columns}) from stdin csv`],
    { input: rows, stdio: ['pipe', 'ignore', 'inherit'] },
  )
  const rate = RAW_ROWS / ((Date.now() - began) / 1000)
  return rate
}
