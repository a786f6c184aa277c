import { randomUUID } from 'node:crypto'
import { findingOf } from '@/core/call/finding'
import { type Band, bandAfter, leftBand } from '@/core/hold/band'
import { holdContext } from '@/core/hold/context'
import { holdSamples } from '@/core/hold/samples'
import type { HoldResult } from '@/core/hold/types'
import { minutesMore } from '@/core/hold/until-decided'
import { foldJob } from '@/core/job/reduce'
import { holdStage } from '@/core/job/stage-now'
import { currentHold, type JobState } from '@/core/job/state'
import type { Latest } from '@/core/views'
import type { Author } from '../accounts/author'
import { database } from '../db/pool'
import { inTransaction, type Scope, scopeOf } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { jobNow } from '../jobs/job-now'
import { selectEvents, selectJobForUpdate, selectPulse } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'
import { log } from '../log'
import { airOfHold } from '../readings/air-of-hold'
import { HoldLooks } from './hold-looks'
import { lookedAt, upsertJudgement } from './judgement-rows'
import { KeptReadings } from './kept-readings'

/** One hold is judged no oftener than this while nothing unexpected was read, wall ms. */
const LOOK_MS = 10_000
/** So many readings are worth a look before that: a simulated car's minutes pass in seconds. */
const LOOK_READINGS = 30
/** After a look as long as it took is rested: the judge takes half of one core at most, however many hold. */
const RESTS = 1

/** Up to which reading and deed a hold was judged, when, and where the next readings are expected. */
type Judged = { seq: number; events: number; wallMs: number; band: Band | null }
type Running = { id: string; shopId: number; events: number; seq: number; latest: Latest }

/** A round gives way to the next after so long, ms. */
const ROUND_MOST_MS = 2000

/**
 * How much a running hold wants to be looked at: nothing at 0; what was done or was not expected before what only
 * grew.
 */
function urgencyOf({ seq, events, latest }: Running, before: Judged | undefined, wallMs: number): number {
  if (!before || before.events !== events) return 3
  if (before.seq === seq) return 0
  const { vacuum } = latest
  if (vacuum && before.band && leftBand(before.band, { at: Date.parse(vacuum.at), value: vacuum.value })) return 2
  if (wallMs - before.wallMs < LOOK_MS && seq - before.seq < LOOK_READINGS) return 0
  return Math.min(1, (seq - before.seq) / Math.max(1, before.seq)) || 0.001
}

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
  private readonly looks = new HoldLooks()
  /** what the judge said last of each, from scratch */
  private readonly said = new Map<string, HoldResult>()

  private readonly rests: number

  constructor(rests = RESTS) {
    this.rests = rests
  }

  /**
   * Looks at the running holds that are due: at once where a reading is not where it was expected or something was
   * done, else ten seconds after the last look; where that is more than the judge can do, those that grew most come
   * first.
   * @returns how many were judged
   */
  async round(wallMs = Date.now()): Promise<number> {
    const db = database()
    const { rows } = await db.query<Running>(
      `select id, shop_id as "shopId", event_count as events, reading_seq::float8 as seq, latest from job
        where signed_at is null and summary ->> 'step' = 'hold' and summary ->> 'comeBackAt' is not null`,
    )
    const running = new Set(rows.map((r) => r.id))
    this.kept.only(running)
    this.looks.only(running)
    for (const known of [this.judged, this.said]) for (const id of known.keys()) if (!running.has(id)) known.delete(id)
    let judged = 0
    const due = rows
      .map((row) => ({ row, urgency: urgencyOf(row, this.judged.get(row.id), wallMs) }))
      .filter(({ urgency }) => urgency > 0)
      .sort((a, b) => b.urgency - a.urgency)
    const began = Date.now()
    for (const { row } of due) {
      const { id, shopId, events } = row
      const from = Date.now()
      // one car's failure is its own
      await this.judge(scopeOf(shopId), id, events, wallMs).then(
        (done) => {
          judged += done ? 1 : 0
        },
        (error: Error) => log.warn({ err: error, job: id }, 'a running hold could not be judged'),
      )
      await new Promise((rested) => setTimeout(rested, this.rests * (Date.now() - from)))
      // another round sees what has become urgent meanwhile
      if (this.rests > 0 && Date.now() - began > ROUND_MOST_MS) break
    }
    return judged
  }

  private async judge(db: Scope, jobId: string, events: number, wallMs: number): Promise<boolean> {
    const state = foldJob(await selectEvents(db, jobId))
    const hold = currentHold(state)
    const pulse = await selectPulse(db, jobId)
    if (state.step !== 'hold' || !hold || hold.ended || !pulse) return false
    const kept = await this.kept.upTo(db, jobId, pulse, hold.isolatedAt)
    this.judged.set(jobId, { seq: kept.seq, events, wallMs, band: bandAfter(kept.readings) })
    const fromMs = Date.parse(hold.isolatedAt)
    const toMs = kept.readings.reduce((latest, r) => Math.max(latest, r.at), fromMs)
    const air = await airOfHold(db, jobId, { fromMs, toMs }, state.opened.place.barometerPa)
    const samples = holdSamples(kept.readings, fromMs, Number.POSITIVE_INFINITY, air)
    const n = state.holds.indexOf(hold)
    const context = holdContext(state, hold.plannedMinutes, hold, air.read)
    let judgement = await this.looks.look(jobId, n, samples, context)
    const before = this.said.get(jobId)
    if (!judgement && before && (await lookedAt(db, jobId, n))) {
      await lengthen(db, jobId, state, before)
      return true
    }
    // what was kept of it is gone, as after a crash of the database: it is judged anew
    judgement ??= await this.looks.afresh(jobId, n, samples, context)
    this.said.set(jobId, judgement.result)
    await upsertJudgement(db, jobId, { hold: n, readingSeq: kept.seq, judgement }, findingOf(judgement.result) ?? null)
    await notifyChange(db, { job: jobId, judged: true })
    await lengthen(db, jobId, state, judgement.result)
    return true
  }
}
