import type { ClockSegment } from '@/core/job/clock'
import type { JobEvent } from '@/core/job/events'
import type { JobSummary } from '@/core/job/summary'
import { W } from '@/core/language/server/jobs'
import type { PullForecast } from '@/core/pull/forecast'
import type { Latest, Ring, Whose } from '@/core/views'
import type { StoredBench } from '../bench/stored-bench'
import type { Scope } from '../db/scope'
import { notFound } from '../errors'

export type JobRow = {
  id: string
  simulated: boolean
  barometerPa: number
  summary: JobSummary
  latest: Latest
  eventCount: number
  head: string
  readingSeq: number
  signedAt: Date | null
  readingsFrom: Date | null
  readingsTo: Date | null
  benchTrouble: string | null
  bench: StoredBench | null
  carId: string | null
}

const COLUMNS = `id, simulated, barometer_pa as "barometerPa", summary, latest, event_count as "eventCount", head,
  reading_seq::float8 as "readingSeq", signed_at as "signedAt",
  readings_from as "readingsFrom", readings_to as "readingsTo",
  bench_trouble as "benchTrouble", bench, car_id as "carId"`

/** The job, or null when there is none with that id. */
export async function selectJob(db: Scope, id: string): Promise<JobRow | null> {
  const { rows } = await db.query<JobRow>(`select ${COLUMNS} from job where id = $1 and shop_id = $2`, [id, db.shopId])
  return rows[0] ?? null
}

/** What of a job changes from one reading to the next: all a live stream asks for. */
export type JobPulse = Pick<JobRow, 'id' | 'latest' | 'readingSeq' | 'readingsFrom' | 'readingsTo' | 'benchTrouble'>

/** The pulse of a job, or null when there is none with that id. */
export async function selectPulse(db: Scope, id: string): Promise<JobPulse | null> {
  const { rows } = await db.query<JobPulse>({
    name: 'pulse',
    text: `select id, latest, reading_seq::float8 as "readingSeq", readings_from as "readingsFrom",
      readings_to as "readingsTo", bench_trouble as "benchTrouble"
       from job where id = $1 and shop_id = $2`,
    values: [id, db.shopId],
  })
  return rows[0] ?? null
}

/** @throws AppError `not-found` for a job that is not of the shop */
export async function requireJob(db: Scope, id: string): Promise<void> {
  if (!(await selectPulse(db, id))) throw notFound(W.thisJob)
}

/** The job, locked until the transaction ends: whoever appends to it waits for its turn. */
export async function selectJobForUpdate(db: Scope, id: string): Promise<JobRow | null> {
  const { rows } = await db.query<JobRow>(`select ${COLUMNS} from job where id = $1 and shop_id = $2 for update`, [
    id,
    db.shopId,
  ])
  return rows[0] ?? null
}

/** Whose a car is by the account it was given to; a closed account has none. */
export const WHOSE = `jsonb_build_object(
  'id', case when w.disabled_at is null then w.id end, 'name', coalesce(w.name, '')) as whose`
export const JOIN_WHOSE = 'left join account w on w.id = j.whose and w.shop_id = j.shop_id'

/** What the board needs of a job. */
export type BoardJob = Pick<JobRow, 'id' | 'simulated' | 'summary' | 'latest'> & {
  found: string | null
  forecast: PullForecast | null
  events: number
  ringing: Ring[]
  whose: Whose
}

/** A finding counts for the hold it was made of, a forecast for its pull. */
const BOARD = `select j.id, j.simulated, j.summary, j.latest, g.found, f.payload as forecast,
    j.event_count as events, j.ringing, ${WHOSE}
  from job j ${JOIN_WHOSE} left join judgement g on g.job_id = j.id and g.hold = (j.summary ->> 'holds')::int - 1
  left join forecast f on f.job_id = j.id and f.pull = (j.summary ->> 'pulls')::int - 1`

/** Jobs for the board: all that are open and those signed since `signedSince`, newest first. */
export async function selectBoard(db: Scope, signedSince: Date, limit: number): Promise<BoardJob[]> {
  const { rows } = await db.query<BoardJob>(
    `${BOARD} where j.shop_id = $3 and (j.signed_at is null or j.signed_at >= $1) order by j.created_at desc limit $2`,
    [signedSince, limit, db.shopId],
  )
  return rows
}

/** Some jobs as the board needs them. */
export async function selectBoardJobs(db: Scope, ids: readonly string[]): Promise<BoardJob[]> {
  const { rows } = await db.query<BoardJob>(`${BOARD} where j.id = any($1::uuid[]) and j.shop_id = $2`, [
    ids,
    db.shopId,
  ])
  return rows
}

/** The clocks of several jobs, each in order. */
export async function selectClocks(db: Scope, jobIds: readonly string[]): Promise<Map<string, ClockSegment[]>> {
  const { rows } = await db.query<{ jobId: string; wallFrom: Date; jobFrom: Date; factor: number }>(
    `select c.job_id as "jobId", c.wall_from as "wallFrom", c.job_from as "jobFrom", c.factor
        from job_clock c join job j on j.id = c.job_id
      where c.job_id = any($1::uuid[]) and j.shop_id = $2 order by c.job_id, c.wall_from`,
    [jobIds, db.shopId],
  )
  const clocks = new Map<string, ClockSegment[]>()
  for (const row of rows) {
    const segment = { wallMs: row.wallFrom.getTime(), jobMs: row.jobFrom.getTime(), factor: row.factor }
    clocks.set(row.jobId, [...(clocks.get(row.jobId) ?? []), segment])
  }
  return clocks
}

export async function selectClock(db: Scope, jobId: string): Promise<ClockSegment[]> {
  return (await selectClocks(db, [jobId])).get(jobId) ?? []
}

export async function insertClockSegment(db: Scope, jobId: string, segment: ClockSegment): Promise<void> {
  await db.query(`insert into job_clock (job_id, wall_from, job_from, factor) values ($1, $2, $3, $4)`, [
    jobId,
    new Date(segment.wallMs),
    new Date(segment.jobMs),
    segment.factor,
  ])
}

export type StoredEvent = JobEvent & { seq: number; previous: string; hash: string }

/** An event as the database gives it back. */
export type EventRow = { happenedAt: Date; storedAt: Date } & Record<string, unknown>

export const eventRead = (row: EventRow): StoredEvent =>
  ({ ...row, happenedAt: row.happenedAt.toISOString(), storedAt: row.storedAt.toISOString() }) as unknown as StoredEvent

/** Events of a job after `afterSeq`, in the order of the chain. */
export async function selectEvents(db: Scope, jobId: string, afterSeq = -1): Promise<StoredEvent[]> {
  const { rows } = await db.query<EventRow>(
    `select seq, id, kind, happened_at as "happenedAt", stored_at as "storedAt", by_name as "by", payload,
        previous, hash
       from event where job_id = $1 and shop_id = $3 and seq > $2 order by seq`,
    [jobId, afterSeq, db.shopId],
  )
  return rows.map(eventRead)
}
