import pg from 'pg'
import { findingOf } from '@/core/call/hold'
import { holdContext } from '@/core/hold/context'
import { type HoldReading, holdSamples } from '@/core/hold/samples'
import { foldJob } from '@/core/job/reduce'
import { currentHold } from '@/core/job/state'
import { database } from '../db/pool'
import { type Scope, scopeOf } from '../db/scope'
import { environment } from '../environment'
import { selectEvents, selectPulse } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'
import { log } from '../log'
import { selectChannelAfter } from '../readings/history'
import { spanOf } from '../readings/span'
import { judgeApart } from './judge-thread'
import { upsertJudgement } from './judgement-rows'

/** Time between two looks at all running holds, ms; one hold is judged no oftener than that. */
const ROUND_MS = 1000
/** Another server watches: it is looked after so often, ms. */
const TAKE_OVER_MS = 5000
const WATCHER = 460003

/** What is kept of a hold between two looks: its readings so far. */
type Kept = { isolatedAt: string; seq: number; events: number; readings: HoldReading[] }

/**
 * Judges every running hold while it runs, whoever looks: one verdict for all pages, the board, and the alarms.
 * Of several servers on one database one watches; another takes over when it is gone.
 */
export class HoldWatch {
  private readonly kept = new Map<string, Kept>()

  /** One look at all running holds: those with new readings or deeds are judged. @returns how many were judged */
  async round(): Promise<number> {
    const db = database()
    const { rows } = await db.query<{ id: string; shopId: number; events: number; seq: number }>(
      `select id, shop_id as "shopId", event_count as events, reading_seq::float8 as seq from job
        where signed_at is null and summary ->> 'step' = 'hold' and summary ->> 'comeBackAt' is not null`,
    )
    const running = new Set(rows.map((r) => r.id))
    for (const id of this.kept.keys()) if (!running.has(id)) this.kept.delete(id)
    let judged = 0
    for (const { id, shopId, events, seq } of rows) {
      const before = this.kept.get(id)
      if (before && before.seq === seq && before.events === events) continue
      // one car's failure is its own
      await this.judge(scopeOf(shopId), id, events).then(
        (done) => {
          judged += done ? 1 : 0
        },
        (error: Error) => log.warn({ err: error, job: id }, 'a running hold could not be judged'),
      )
    }
    return judged
  }

  private async judge(db: Scope, jobId: string, events: number): Promise<boolean> {
    const state = foldJob(await selectEvents(db, jobId))
    const hold = currentHold(state)
    const pulse = await selectPulse(db, jobId)
    if (state.step !== 'hold' || !hold || hold.ended || !pulse) return false
    const known = this.kept.get(jobId)
    const kept =
      known?.isolatedAt === hold.isolatedAt ? known : { isolatedAt: hold.isolatedAt, seq: 0, events, readings: [] }
    const isolatedMs = Date.parse(hold.isolatedAt)
    kept.readings.push(
      ...(await selectChannelAfter(db, spanOf(pulse), 'vacuum', new Date(isolatedMs), kept.seq, pulse.readingSeq)),
    )
    Object.assign(kept, { seq: pulse.readingSeq, events })
    this.kept.set(jobId, kept)
    const judgement = await judgeApart(holdSamples(kept.readings, isolatedMs), holdContext(state, hold.plannedMinutes))
    await upsertJudgement(
      db,
      jobId,
      { hold: state.holds.indexOf(hold), readingSeq: kept.seq, judgement },
      findingOf(judgement.result) ?? null,
    )
    await notifyChange(db, { job: jobId, judged: true })
    return true
  }
}

/** Watches for ever: as the one that holds the lock, or waiting to take over. */
export async function watchHolds(): Promise<never> {
  for (;;) {
    await watchWhileFirst().catch((error: Error) =>
      log.warn({ err: error }, 'the watch was interrupted, taken up again'),
    )
    await new Promise((done) => setTimeout(done, TAKE_OVER_MS))
  }
}

/** Takes the watcher's lock, if it is free, and watches until its connection is lost. */
async function watchWhileFirst(): Promise<void> {
  const client = new pg.Client({
    connectionString: environment().DATABASE_URL,
    application_name: 'yperos watch',
    connectionTimeoutMillis: TAKE_OVER_MS,
  })
  let lost = false
  client.on('error', () => {
    lost = true
  })
  client.on('end', () => {
    lost = true
  })
  await client.connect()
  try {
    const { rows } = await client.query<{ first: boolean }>('select pg_try_advisory_lock($1) as first', [WATCHER])
    if (!rows[0]?.first) return
    const watch = new HoldWatch()
    while (!lost) {
      await watch.round()
      await new Promise((done) => setTimeout(done, ROUND_MS))
    }
  } finally {
    await client.end().catch(() => undefined)
  }
}
