import type { LiveReading, Point } from '@/core/views'
import type { Queryable } from '../db/pool'

/**
 * A channel's readings, thinned to about `most` points by keeping the least and greatest of each slice of time.
 * @param from - job time, inclusive; `to` likewise; null for no bound
 * @param most - points wanted at most, 10 to 10000
 */
export async function selectHistory(db: Queryable, jobId: string, channel: string, from: Date | null, to: Date | null, most: number): Promise<Point[]> {
  const { rows } = await db.query<Point>(
    `with r as (
       select extract(epoch from measured_at)::float8 * 1000 as at, value from reading
        where job_id = $1 and channel = $2 and ($3::timestamptz is null or measured_at >= $3) and ($4::timestamptz is null or measured_at <= $4)),
     bounds as (select min(at) as low, max(at) as high, count(*) as n from r),
     sliced as (
       select at, value, case when b.n <= $5 or b.high = b.low then row_number() over (order by at)
                              else width_bucket(at, b.low, b.high + 1, ($5 / 2)::int) end as slice
         from r, bounds b)
     select distinct on (at) at, value, count from (
       select (array_agg(at order by value))[1] as at, min(value) as value, count(*)::int as count from sliced group by slice
       union all
       select (array_agg(at order by value desc))[1], max(value), count(*)::int from sliced group by slice having count(*) > 1) p
     order by at`,
    [jobId, channel, from, to, most],
  )
  return rows
}

/** A channel's readings averaged into at most `most` slices of equal time: what the judge works on. */
export async function selectAverages(db: Queryable, jobId: string, channel: string, from: Date, to: Date, most: number): Promise<Point[]> {
  const { rows } = await db.query<Point>(
    `with r as (
       select extract(epoch from measured_at)::float8 * 1000 as at, value from reading
        where job_id = $1 and channel = $2 and measured_at >= $3 and measured_at <= $4),
     bounds as (select min(at) as low, max(at) as high, count(*) as n from r)
     select avg(at) as at, avg(value) as value, count(*)::int as count from r, bounds b
      group by case when b.n <= $5 or b.high = b.low then at else width_bucket(at, b.low, b.high + 1, $5::int)::float8 end order by 1`,
    [jobId, channel, from, to, most],
  )
  return rows
}

const LIVE_COLUMNS = `r.seq::float8 as seq, extract(epoch from r.measured_at)::float8 * 1000 as at, r.channel, r.value,
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
