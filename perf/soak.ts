import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { brokenLink } from '@/core/record/record'
import { seededRandom } from '@/core/units/seeded'
import { sha256 } from '@/node/record-crypto'
import { placesOf } from '@/ops/places'
import { say } from '@/ops/say'
import { selectEvents, selectJob } from '@/server/jobs/job-rows'
import { recordForm } from '@/server/records/chain'
import { type Gauge, line, openGauges, type RunningShop, scopeIn, startShop, throwAway } from './running-shop'

/** Cars under load, and readings in one request. */
const CARS = 8
const BATCH = 20
/** Time between two kills, s, at random between these. */
const KILL_EVERY_S = [3, 9] as const
/** Longest time a part may be away after its last kill before the run ends without it, s. */
const RETURN_S = 90

export type Soaked = {
  minutes: number
  acknowledgedReadings: number
  acknowledgedEvents: number
  storedReadings: number
  storedEvents: number
  lost: number
  doubled: number
  brokenChains: number
  kills: Record<string, number>
  longestAwayS: number
}

type Load = { gauge: Gauge; acknowledged: number; events: Set<string> }

/**
 * Loads a shop of its own for `minutes` while a part is killed every few seconds, and counts what was acknowledged
 * against what is stored.
 */
export async function soak(minutes: number): Promise<Soaked> {
  throwAway()
  say('starting a shop to soak')
  const shop = await startShop()
  try {
    const gauges = await openGauges(shop.db, CARS, 'soak')
    const until = Date.now() + minutes * 60_000
    const away = { sinceMs: 0, longestMs: 0 }
    const loads = gauges.map((gauge): Load => ({ gauge, acknowledged: 0, events: new Set() }))
    const [kills] = await Promise.all([
      killing(until),
      watching(shop, until, away),
      ...loads.flatMap((l) => [sending(shop, l, until), deeds(shop, l, until)]),
    ])
    await whole(shop)
    return { minutes, kills, longestAwayS: Math.round(away.longestMs / 100) / 10, ...(await count(shop, loads)) }
  } finally {
    await shop.stop().catch(() => undefined)
    throwAway()
  }
}

const rest = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms))

/** Kills a part at random every few seconds. */
async function killing(until: number): Promise<Record<string, number>> {
  const random = seededRandom(9)
  const kills: Record<string, number> = { web: 0, bench: 0, database: 0 }
  const names = Object.keys(kills)
  for (;;) {
    await rest(1000 * (KILL_EVERY_S[0] + random() * (KILL_EVERY_S[1] - KILL_EVERY_S[0])))
    if (Date.now() > until) return kills
    const name = names[Math.floor(random() * names.length)] as string
    const { parts } = JSON.parse(readFileSync(placesOf('perf').runFile, 'utf8')) as {
      parts: Record<string, { pid: number }>
    }
    const pid = parts[name]?.pid
    try {
      if (pid) process.kill(pid, 'SIGKILL')
      if (pid) kills[name] = (kills[name] ?? 0) + 1
    } catch {
      // it is dead already: not started again yet
    }
  }
}

async function healthy(shop: RunningShop): Promise<boolean> {
  return fetch(`${shop.address}/api/health`, { signal: AbortSignal.timeout(3000) }).then(
    (r) => r.ok,
    () => false,
  )
}

async function watching(shop: RunningShop, until: number, away: { sinceMs: number; longestMs: number }): Promise<void> {
  while (Date.now() < until) {
    if (await healthy(shop)) away.sinceMs = 0
    else {
      away.sinceMs ||= Date.now()
      away.longestMs = Math.max(away.longestMs, Date.now() - away.sinceMs)
    }
    await rest(200)
  }
}

/** Waits until everything works again. */
async function whole(shop: RunningShop): Promise<void> {
  const until = Date.now() + RETURN_S * 1000
  while (!(await healthy(shop))) {
    if (Date.now() > until) throw new Error(`the shop did not come back within ${RETURN_S} s`)
    await rest(200)
  }
}

/** Asks until it is acknowledged or the time is over. @returns whether it was acknowledged */
async function insist(ask: () => Promise<Response>, until: number): Promise<boolean> {
  for (;;) {
    const answer = await ask().catch(() => null)
    // an answer that is cut off in the middle is none
    const whole =
      answer !== null &&
      (await answer.arrayBuffer().then(
        () => true,
        () => false,
      ))
    if (whole && answer.status >= 400 && answer.status < 500) throw new Error(`refused: ${answer.status}`)
    if (whole && answer.ok) return true
    if (Date.now() > until) return false
    await rest(150)
  }
}

/** An instrument: batch after batch, each sent until it is acknowledged. */
async function sending(shop: RunningShop, load: Load, until: number): Promise<void> {
  const begun = Date.now() - 25 * 3600_000
  while (Date.now() < until) {
    const lines = Array.from({ length: BATCH }, (_, i) =>
      line(load.gauge, load.acknowledged + i, new Date(begun + (load.acknowledged + i) * 50), 500),
    )
    const asked = () =>
      fetch(`${shop.address}/api/ingest`, {
        method: 'POST',
        headers: { authorization: `Bearer ${load.gauge.token}` },
        body: lines.join('\n'),
        signal: AbortSignal.timeout(15_000),
      })
    if (await insist(asked, until)) load.acknowledged += BATCH
    await rest(100)
  }
}

/** A hand: a note every now and then, sent until it is acknowledged. */
async function deeds(shop: RunningShop, load: Load, until: number): Promise<void> {
  while (Date.now() < until) {
    const id = randomUUID()
    const body = JSON.stringify({ events: [{ id, kind: 'noted', payload: { text: `note ${load.events.size}` } }] })
    const headers = { cookie: shop.cookie, 'content-type': 'application/json' }
    if (
      await insist(
        () =>
          fetch(`${shop.address}/api/jobs/${load.gauge.jobId}/events`, {
            method: 'POST',
            headers,
            body,
            signal: AbortSignal.timeout(15_000),
          }),
        until,
      )
    )
      load.events.add(id)
    await rest(700)
  }
}

/**
 * What is stored of what was acknowledged: nothing may be missing, nothing may be there twice, every chain must hold.
 */
async function count(
  shop: RunningShop,
  loads: readonly Load[],
): Promise<Omit<Soaked, 'minutes' | 'kills' | 'longestAwayS'>> {
  const sum = {
    acknowledgedReadings: 0,
    acknowledgedEvents: 0,
    storedReadings: 0,
    storedEvents: 0,
    lost: 0,
    doubled: 0,
    brokenChains: 0,
  }
  const scope = await scopeIn(shop.db)
  for (const { gauge, acknowledged, events } of loads) {
    const { rows } = await shop.db.query<{ n: number; different: number; known: number }>(
      `select count(*)::int as n, count(distinct device_seq)::int as different, count(distinct device_seq) filter (where device_seq < $2)::int as known
         from reading where job_id = $1`,
      [gauge.jobId, acknowledged],
    )
    const { n = 0, different = 0, known = 0 } = rows[0] ?? {}
    const stored = await selectEvents(scope, gauge.jobId)
    const ids = new Set(stored.map((e) => e.id))
    const job = await selectJob(scope, gauge.jobId)
    const chain = stored.map((e) => ({ ...recordForm(e, e.previous), hash: e.hash }))
    sum.acknowledgedReadings += acknowledged
    sum.acknowledgedEvents += events.size
    sum.storedReadings += n
    sum.storedEvents += stored.length - 1
    sum.lost += acknowledged - known + [...events].filter((id) => !ids.has(id)).length
    sum.doubled += n - different + (stored.length - ids.size)
    sum.brokenChains +=
      job && brokenLink({ events: chain, event_count: job.eventCount, head: job.head }, sha256) ? 1 : 0
  }
  return sum
}

export function wordsOf(s: Soaked): string {
  const kills = Object.entries(s.kills).map(([name, n]) => `${name} ${n}`)
  return `${s.minutes} min, killed: ${kills.join(', ')}; away for ${s.longestAwayS} s at the longest
readings  acknowledged ${s.acknowledgedReadings}, stored ${s.storedReadings}
events    acknowledged ${s.acknowledgedEvents}, stored ${s.storedEvents}
lost ${s.lost}, doubled ${s.doubled}, broken chains ${s.brokenChains}
`
}
