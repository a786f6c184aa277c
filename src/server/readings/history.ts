import type { LiveReading, Point } from '@/core/views'
import type { Queryable } from '../db/pool'

type Bounds = { low: number; high: number; n: number }

const WHERE = `job_id = $1 and channel = $2 and measured_at >= coalesce($3, '-infinity'::timestamptz) and measured_at <= coalesce($4, 'infinity'::timestamptz)`
/** date_part gives a float; extract gives a numeric, which made a day of readings five times slower here. */
const AT_MS = `date_part('epoch', measured_at) * 1000`

async function selectBounds(db: Queryable, span: [string, string, Date | null, Date | null]): Promise<Bounds | null> {
  const { rows } = await db.query<{ low: Date | null; high: Date | null; n: string }>(
    `select min(measured_at) as low, max(measured_at) as high, count(*) as n from reading where ${WHERE}`,
    span,
  )
  const { low, high, n } = rows[0] ?? { low: null, high: null, n: '0' }
  return low && high ? { low: low.getTime(), high: high.getTime() + 1, n: Number(n) } : null
}

async function selectAll(db: Queryable, span: [string, string, Date | null, Date | null]): Promise<Point[]> {
  const { rows } = await db.query<Point>(`select ${AT_MS} as at, value, 1 as count from reading where ${WHERE} order by measured_at, seq`, span)
  return rows
}

/**
 * A channel's readings, thinned to about `most` points by keeping the least and greatest of each slice of time.
 * @param from - job time, inclusive; `to` likewise; null for no bound
 * @param most - points wanted at most, 10 to 10000
 */
export async function selectHistory(db: Queryable, jobId: string, channel: string, from: Date | null, to: Date | null, most: number): Promise<Point[]> {
  const span: [string, string, Date | null, Date | null] = [jobId, channel, from, to]
  const bounds = await selectBounds(db, span)
  if (!bounds || bounds.n <= most) return bounds ? selectAll(db, span) : []
  const { rows } = await db.query<{ least: [number, number]; greatest: [number, number]; count: number }>(
    `select min(array[value, at]) as least, max(array[value, at]) as greatest, count(*)::int as count from (
       select floor((${AT_MS} - $5) * $6)::int as slice, value, ${AT_MS} as at from reading where ${WHERE} offset 0) r
      group by slice order by slice`,
    [...span, bounds.low, most / 2 / (bounds.high - bounds.low)],
  )
  return rows.flatMap(({ least, greatest, count }) => {
    const pair = [least, greatest].map(([value, at]) => ({ at, value, count })).sort((a, b) => a.at - b.at)
    return count === 1 ? pair.slice(0, 1) : pair
  })
}

/** A channel's readings averaged into at most `most` slices of equal time: what the judge works on. */
export async function selectAverages(db: Queryable, jobId: string, channel: string, from: Date, to: Date, most: number): Promise<Point[]> {
  const span: [string, string, Date | null, Date | null] = [jobId, channel, from, to]
  const bounds = await selectBounds(db, span)
  if (!bounds || bounds.n <= most) return bounds ? selectAll(db, span) : []
  const { rows } = await db.query<Point>(
    `select avg(at) as at, avg(value) as value, count(*)::int as count from (
       select floor((${AT_MS} - $5) * $6)::int as slice, value, ${AT_MS} as at from reading where ${WHERE} offset 0) r
      group by slice order by slice`,
    [...span, bounds.low, most / (bounds.high - bounds.low)],
  )
  return rows
}

const LIVE_COLUMNS = `r.seq::float8 as seq, date_part('epoch', r.measured_at) * 1000 as at, r.channel, r.value,
  r.sent_value as "sentValue", r.sent_unit as "sentUnit", r.instrument_id as instrument, a.name as by`

/** Readings after `afterSeq` in the order of commits. */
export async function selectReadingsAfter(db: Queryable, jobId: string, afterSeq: number, limit: number): Promise<LiveReading[]> {
  const { rows } = await db.query<LiveReading>(
    `select ${LIVE_COLUMNS} from reading r left join account a on a.id = r.by_account
      where r.job_id = $1 and r.seq > $2 order by r.seq limit $3`,
    [jobId, afterSeq, limit],
  )
  return rows
}

/** What hands typed, newest first. */
export async function selectTyped(db: Queryable, jobId: string, limit: number): Promise<LiveReading[]> {
  const { rows } = await db.query<LiveReading>(
    `select ${LIVE_COLUMNS} from reading r left join account a on a.id = r.by_account
      where r.job_id = $1 and r.instrument_id = 'hand' order by r.seq desc limit $2`,
    [jobId, limit],
  )
  return rows
}
