import { randomUUID } from 'node:crypto'
import { BenchTruth } from '@/core/bench/truth'
import type { EventDraft, JobEvent, JobOpened } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { summarise } from '@/core/job/summary'
import { W } from '@/core/language/server/jobs'
import { CHAIN_START } from '@/core/record/record'
import { DAY_MS } from '@/core/units/constants'
import type { Author } from '../accounts/author'
import { truthOf } from '../bench/truth'
import { keepLine } from '../book/keep-line'
import { carTakenIn } from '../cars/cars'
import type { TxScope } from '../db/scope'
import { AppError } from '../errors'
import { hashOf } from '../records/chain'
import { insertClockSegment } from './job-rows'
import { notifyChange } from './notify'

/** How fast the clock of a car on the simulated bench runs at first. */
export const BENCH_FACTOR = 60

/**
 * Opens a job: its clock, its first event, and for a simulated car its hidden truth and instrument.
 * @param openedAt - wall time the work begins, also the job's time then
 * @param draft - id of the job's first event; the same id twice opens one job
 */
export async function openJob(
  tx: TxScope,
  author: Author,
  draft: { id: string; eventId: string; payload: JobOpened; factor?: number },
  openedAt = new Date(),
): Promise<{ id: string; repeated: boolean }> {
  const { id, payload } = draft
  const truth = payload.simulated ? playableTruth(payload, id) : null
  const opening: EventDraft = { id: draft.eventId, kind: 'job-opened', happenedAt: openedAt.toISOString(), payload }
  const event: JobEvent = { ...opening, storedAt: new Date().toISOString(), by: author.name }
  const hash = hashOf(event, CHAIN_START)
  const bench = truth && { truth, scaleStepG: payload.rig.scaleStepG }
  const carId = await carTakenIn(tx, payload, openedAt)
  const state = foldJob([event])
  const { rowCount } = await tx.query(
    `insert into job (id, created_at, simulated, barometer_pa, summary, event_count, head, bench, shop_id,
        car_id, whose)
     values ($1, $2, $3, $4, $5, 1, $6, $7, $8, $9, $10) on conflict (id) do nothing`,
    [
      id,
      openedAt,
      payload.simulated,
      payload.place.barometerPa,
      JSON.stringify(summarise(state)),
      hash,
      bench && JSON.stringify(bench),
      tx.shopId,
      carId,
      author.id,
    ],
  )
  if (rowCount === 0) return { id, repeated: true }
  await tx.query(
    `insert into event (job_id, seq, id, kind, happened_at, stored_at, by_account, by_name, payload,
        previous, hash, shop_id)
     values ($1, 0, $2, 'job-opened', $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      id,
      event.id,
      event.happenedAt,
      event.storedAt,
      author.id,
      author.name,
      JSON.stringify(payload),
      CHAIN_START,
      hash,
      tx.shopId,
    ],
  )
  const factor = draft.factor ?? (payload.simulated ? BENCH_FACTOR : 1)
  await insertClockSegment(tx, id, { wallMs: openedAt.getTime(), jobMs: openedAt.getTime(), factor })
  if (payload.simulated) await attachBench(tx, id, openedAt)
  await keepLine(tx, id, carId, state, [event])
  await notifyChange(tx, { job: id, events: 1 })
  return { id, repeated: false }
}

/** How far back a car may be taken in that came before anybody wrote it down, days. */
const MOST_DAYS_BACK = 14
/** A hand's clock may lead ours by this, ms. */
const AHEAD_MS = 5000

/**
 * The moment a car that is entered later came in.
 * @throws AppError `bad-input` when it lies ahead, too far back, or the car is a simulated one, whose clock begins now
 */
export function datedBack(asked: string, simulated: boolean, nowMs: number): Date {
  const at = Date.parse(asked)
  const fault = simulated
    ? W.aSimulatedCarBeginsNow
    : at > nowMs + AHEAD_MS
      ? W.liesAheadOfNow(new Date(nowMs).toISOString())
      : at < nowMs - MOST_DAYS_BACK * DAY_MS
        ? W.liesMoreThanDaysBack(MOST_DAYS_BACK)
        : null
  if (fault) throw new AppError('bad-input', W.openedat(fault), [{ path: 'openedAt', reason: fault }])
  return new Date(Math.min(at, nowMs))
}

/** @throws AppError `bad-input` naming what of the car the simulated bench cannot play */
function playableTruth(payload: JobOpened, id: string): BenchTruth {
  const truth = BenchTruth.safeParse(truthOf(payload, id))
  if (truth.success) return truth.data
  const issue = truth.error.issues[0]
  const path = issue?.path[0] === 'ambientC' ? 'payload.place.ambientC' : `payload.${issue?.path.join('.')}`
  throw new AppError('bad-input', W.theBenchCannotPlayThis(path, issue?.message ?? ''), [
    { path, reason: issue?.message ?? '' },
  ])
}

/** Name of the simulated instrument of a job. */
export const benchInstrument = (jobId: string): string => `bench-${jobId.slice(0, 8)}`

async function attachBench(tx: TxScope, jobId: string, from: Date): Promise<void> {
  const instrument = benchInstrument(jobId)
  await tx.query(
    `insert into instrument (id, device_id, name, shop_id)
     select $1, (select id from device where kind = 'bench' and shop_id = $2
       limit 1), 'simulated bench', $2 on conflict do nothing`,
    [instrument, tx.shopId],
  )
  await tx.query('insert into attachment (instrument_id, job_id, from_at, shop_id) values ($1, $2, $3, $4)', [
    instrument,
    jobId,
    from,
    tx.shopId,
  ])
}

/** A fresh id for a job or an event made on the server. */
export const newId = (): string => randomUUID()
