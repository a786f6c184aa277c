import { randomUUID } from 'node:crypto'
import { findingOf } from '@/core/call/finding'
import { holdContext } from '@/core/hold/context'
import { holdSamples } from '@/core/hold/samples'
import type { HoldResult } from '@/core/hold/types'
import { minutesMore } from '@/core/hold/until-decided'
import { foldJob } from '@/core/job/reduce'
import { holdStage } from '@/core/job/stage-now'
import { currentHold, type JobState } from '@/core/job/state'
import type { Author } from '../accounts/author'
import { database } from '../db/pool'
import { inTransaction, type Scope, scopeOf } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { jobNow } from '../jobs/job-now'
import { selectEvents, selectJobForUpdate, selectPulse } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'
import { log } from '../log'
import { airOfHold } from '../readings/air-of-hold'
import { judgeApart } from './judge-thread'
import { upsertJudgement } from './judgement-rows'
import { KeptReadings } from './kept-readings'

/** Up to which reading and deed a hold was judged. */
type Judged = { seq: number; events: number }

/** Who lengthens a hold: nobody’s hand. */
const THE_JUDGE: Author = { id: null, name: 'the judge' }

/** A hold that its procedure ends when the judge can decide goes on by itself where it cannot yet. */
async function lengthen(db: Scope, jobId: string, state: JobState, judged: HoldResult): Promise<void> {
  const hold = currentHold(state)
  if (holdStage(state)?.until !== 'decided' || !hold || state.parked) return
  const nowMs = (await jobNow(db, jobId))?.ms
  const minutes = nowMs === undefined ? null : minutesMore(hold, judged, nowMs)
  if (nowMs === undefined || minutes === null) return
  const happenedAt = new Date(Math.round(nowMs)).toISOString()
  await inTransaction(db, async (tx) => {
    // somebody may have ended it, or held on, meanwhile
    await selectJobForUpdate(tx, jobId)
    const now = currentHold(foldJob(await selectEvents(tx, jobId)))
    if (now?.ended || now?.plannedMinutes !== hold.plannedMinutes) return
    await appendEvents(tx, THE_JUDGE, jobId, [
      { id: randomUUID(), kind: 'hold-lengthened', happenedAt, payload: { minutes } },
    ])
  })
}

/**
 * Judges every running hold while it runs, whoever looks: one verdict for all pages, the board, and the alarms.
 * Of several servers on one database one watches; another takes over when it is gone.
 */
export class HoldWatch {
  private readonly kept = new KeptReadings()
  private readonly judged = new Map<string, Judged>()

  /** One look at all running holds: those with new readings or deeds are judged. @returns how many were judged */
  async round(): Promise<number> {
    const db = database()
    const { rows } = await db.query<{ id: string; shopId: number; events: number; seq: number }>(
      `select id, shop_id as "shopId", event_count as events, reading_seq::float8 as seq from job
        where signed_at is null and summary ->> 'step' = 'hold' and summary ->> 'comeBackAt' is not null`,
    )
    const running = new Set(rows.map((r) => r.id))
    this.kept.only(running)
    for (const id of this.judged.keys()) if (!running.has(id)) this.judged.delete(id)
    let judged = 0
    for (const { id, shopId, events, seq } of rows) {
      const before = this.judged.get(id)
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
    const kept = await this.kept.upTo(db, jobId, pulse, hold.isolatedAt)
    this.judged.set(jobId, { seq: kept.seq, events })
    const fromMs = Date.parse(hold.isolatedAt)
    const toMs = kept.readings.reduce((latest, r) => Math.max(latest, r.at), fromMs)
    const air = await airOfHold(db, jobId, { fromMs, toMs }, state.opened.place.barometerPa)
    const judgement = await judgeApart(
      holdSamples(kept.readings, fromMs, Number.POSITIVE_INFINITY, air),
      holdContext(state, hold.plannedMinutes, hold, air.read),
    )
    await upsertJudgement(
      db,
      jobId,
      { hold: state.holds.indexOf(hold), readingSeq: kept.seq, judgement },
      findingOf(judgement.result) ?? null,
    )
    await notifyChange(db, { job: jobId, judged: true })
    await lengthen(db, jobId, state, judgement.result)
    return true
  }
}
