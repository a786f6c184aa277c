import { type ChildProcess, execFileSync, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { EventDraft } from '@/core/job/events'
import { requirePostgres } from '@/ops/packages'
import { inTransaction } from '@/server/db/scope'
import { appendEvents } from '@/server/jobs/append-events'
import { atMost, type Measure, percentile } from './measure'
import { type Gauge, line, openGauges, post, type RunningShop, scopeIn } from './running-shop'

const HOLDS = 200
/** Minutes they have held when the measurement begins. */
const HELD_MIN = 15
/** Readings come so long before the board is timed without a watch. */
const SETTLE_S = 6
/**
 * What runs already when a watch begins is judged once from scratch: so long at most it is waited for, and then a
 * little.
 */
const WARM_MOST_S = 240
const WARM_S = 20
const MEASURED_S = 40
/** Holds that run away while it is measured, one after the other. */
const RUN_AWAY = 12
const BOARDS = 15
/** Ticks of a process's time a second. */
const TICKS_HZ = 100

/**
 * What it costs to watch 200 running holds at a reading a second, how soon an alarm is on a page, and whether the board
 * is slower for it. The watch runs in a process of its own here, so that its time can be told from the web server's.
 */
export async function measureWatch(shop: RunningShop): Promise<Measure[]> {
  const alone = await boardMs(shop)
  const gauges = await openGauges(shop.db, HOLDS, 'watch')
  await holdAll(shop, gauges)
  const stop = new AbortController()
  const sending = gauges.map((gauge, i) => sendEachSecond(shop, gauge, i, stop.signal))
  await sleep(SETTLE_S * 1000)
  const full = await boardMs(shop)
  const watch = startWatch(shop)
  try {
    await allJudged(shop, gauges)
    await sleep(WARM_S * 1000)
    const before = cpuS(watch)
    const began = Date.now()
    const waits = await alarmWaits(shop, gauges.slice(0, RUN_AWAY))
    const watched = await boardMs(shop)
    await sleep(Math.max(0, MEASURED_S * 1000 - (Date.now() - began)))
    const cores = (cpuS(watch) - before) / ((Date.now() - began) / 1000)
    const { rows } = await shop.db.query<{ old: number }>(
      `select percentile_cont(0.95) within group (order by date_part('epoch', now() - looked_at)) as old from judgement
        where job_id = any($1::uuid[])`,
      [gauges.map((g) => g.jobId)],
    )
    return [
      atMost(`watching ${HOLDS} running holds at a reading a second, cores`, cores, 'cores', 0.5),
      atMost(
        `from a reading that runs away to its alarm on a page, 95 of 100 of ${waits.length}`,
        percentile(waits, 0.95),
        'ms',
        2000,
      ),
      atMost('a hold is looked at by the judge again, 95 of 100 within', rows[0]?.old ?? Number.NaN, 's', 10),
      {
        ...atMost(`the board with ${HOLDS} cars while they are watched, median of ${BOARDS}`, watched, 'ms', 1000),
        reference: `the same board and readings while nobody watches, ${Math.round(full)} ms (${Math.round(alone)} ms before those cars)`,
        ratio: watched / full,
      },
    ]
  } finally {
    stop.abort()
    await Promise.allSettled(sending)
    watch.kill('SIGKILL')
  }
}

/** Waits until every hold was judged once. */
async function allJudged(shop: RunningShop, gauges: readonly Gauge[]): Promise<void> {
  for (const until = Date.now() + WARM_MOST_S * 1000; Date.now() < until; await sleep(1000)) {
    const { rows } = await shop.db.query<{ n: number }>(
      'select count(*)::int as n from judgement where job_id = any($1::uuid[])',
      [gauges.map((g) => g.jobId)],
    )
    if (rows[0]?.n === gauges.length) return
  }
}

const sleep = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms))

function startWatch(shop: RunningShop): ChildProcess {
  const root = process.env.YPEROS_ROOT ?? '.'
  return spawn(process.execPath, [join(root, '.build/src/web/watch-thread.mjs')], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DATABASE_URL: shop.databaseUrl, NODE_ENV: 'production' },
  })
}

/** Processor time a process and its threads took so far, s. */
function cpuS({ pid }: ChildProcess): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? []
  return (Number(fields[11]) + Number(fields[12])) / TICKS_HZ
}

/** Every car holds since a while, with a reading a second behind it. */
async function holdAll(shop: RunningShop, gauges: readonly Gauge[]): Promise<void> {
  const scope = await scopeIn(shop.db)
  const isolated = Date.now() - HELD_MIN * 60_000
  for (const gauge of gauges) {
    await inTransaction(scope, (tx) => appendEvents(tx, { id: null, name: 'perf' }, gauge.jobId, holding(isolated)))
  }
  const rows = gauges.flatMap((gauge, g) =>
    Array.from({ length: HELD_MIN * 60 }, (_, i) => {
      const micron = pressureOf(g, i)
      const at = new Date(isolated + i * 1000).toISOString()
      return `${gauge.jobId},${i + 1},${at},vacuum,${micron * 0.1333224},${micron},micron,${gauge.instrument},${i + 1}`
    }),
  )
  const columns = 'job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq'
  execFileSync(
    join(requirePostgres(), 'psql'),
    [shop.databaseUrl, '-qc', `\\copy reading (${columns}) from stdin csv`],
    { input: rows.join('\n'), stdio: ['pipe', 'ignore', 'inherit'] },
  )
  await shop.db.query(
    `update job set reading_seq = $2, readings_from = $3, readings_to = $4 where id = any($1::uuid[])`,
    [gauges.map((g) => g.jobId), HELD_MIN * 60, new Date(isolated), new Date()],
  )
}

function holding(isolatedMs: number): EventDraft[] {
  const at = (beforeMs: number) => new Date(isolatedMs - beforeMs).toISOString()
  const event = (kind: string, payload: object, beforeMs: number) =>
    ({ id: randomUUID(), kind, payload, happenedAt: at(beforeMs) }) as EventDraft
  const part = (name: string, state: string, beforeMs: number) => event('part-set', { part: name, state }, beforeMs)
  const done = (step: string, beforeMs: number) => event('step-finished', { step }, beforeMs)
  return [
    done('zero', 3600_000),
    done('fix', 3600_000),
    part('centre-hose', 'pump', 3600_000),
    done('rig', 3600_000),
    part('pump', 'on', 3500_000),
    part('valve-low', 'open', 3500_000),
    done('pull', 2000),
    part('valve-low', 'closed', 1000),
    event('isolated', {}, 0),
    part('pump', 'off', 0),
    part('centre-hose', 'off', 0),
    done('isolate', 0),
  ]
}

/** Micron of a hold at a second: most tight, every third damp or leaking slowly, with the flicker of a gauge. */
const pressureOf = (car: number, s: number): number =>
  Math.round(350 + (car % 3 === 0 ? 0.05 * s : 60 * (1 - Math.exp(-s / 400))) + 2 * Math.sin(s * 1.7 + car))

async function sendEachSecond(shop: RunningShop, gauge: Gauge, car: number, signal: AbortSignal): Promise<void> {
  const from = HELD_MIN * 60
  await sleep((car % 100) * 10)
  for (let s = from; !signal.aborted; s++) {
    const next = Date.now() + 1000
    const micron = pressureOf(car, s) + (ranAway.has(gauge.jobId) ? 9000 : 0)
    if (ranAway.has(gauge.jobId)) leapt.set(gauge.jobId, [...(leapt.get(gauge.jobId) ?? []), Date.now()])
    await post(shop.address, gauge, [line(gauge, s + 1, new Date(), micron)]).catch(() => undefined)
    await sleep(Math.max(0, next - Date.now()))
  }
}

/** Cars something opened on, and when each of their readings since was sent, ms. */
const ranAway = new Set<string>()
const leapt = new Map<string, number[]>()

/**
 * How long after the third reading of a hold that something opened on was sent it rings on a page's stream, ms; one car
 * after the other.
 */
async function alarmWaits(shop: RunningShop, gauges: readonly Gauge[]): Promise<number[]> {
  const rang = new Map<string, number>()
  const stop = new AbortController()
  void listen(shop, stop.signal, (jobId) => rang.set(jobId, Date.now())).catch((error: Error) => {
    if (error.name !== 'AbortError') throw error
  })
  await sleep(1000)
  const waits: number[] = []
  for (const gauge of gauges) {
    leapt.delete(gauge.jobId)
    ranAway.add(gauge.jobId)
    const began = Date.now()
    while (!rang.has(gauge.jobId) && Date.now() - began < 15_000) await sleep(20)
    waits.push((rang.get(gauge.jobId) ?? Number.POSITIVE_INFINITY) - (leapt.get(gauge.jobId)?.[2] ?? 0))
  }
  stop.abort()
  return waits
}

/** Calls `rang` with each car that is told to run away on the alarms' stream. */
async function listen(shop: RunningShop, signal: AbortSignal, rang: (jobId: string) => void): Promise<void> {
  const answer = await fetch(`${shop.address}/api/alarms/live`, { headers: { cookie: shop.cookie }, signal })
  let text = ''
  const decoder = new TextDecoder()
  for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
    text += decoder.decode(chunk, { stream: true })
    const parts = text.split('\n\n')
    text = parts.pop() ?? ''
    for (const part of parts) {
      const data = /^data: (.*)$/m.exec(part)?.[1]
      const alarms = data ? ((JSON.parse(data) as { alarms?: { jobId: string; id: string }[] }).alarms ?? []) : []
      for (const alarm of alarms) if (alarm.id.startsWith('runaway')) rang(alarm.jobId)
    }
  }
}

/** How long the board's page takes, ms, the middle of several. */
async function boardMs(shop: RunningShop): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < BOARDS; i++) {
    const began = Date.now()
    await (await fetch(`${shop.address}/board`, { headers: { cookie: shop.cookie } })).text()
    times.push(Date.now() - began)
  }
  return percentile(times, 0.5)
}
