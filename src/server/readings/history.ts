import type { LiveReading, Point } from '@/core/views'
import type { Queryable } from '../db/pool'
import { addTo, pointsOf, type Slices } from './slices'
import type { Span } from './span'

type Asked = [string, string, Date, Date]
/** From the first reading of a channel to the last, and whether there are more than were asked for. */
type Bounds = { low: Date; high: Date; many: boolean }

const WHERE = `job_id = $1 and channel = $2 and measured_at >= $3 and measured_at <= $4`
/** The catch-all is always looked at: what the span names lies there or in the months it covers. */
const asked = (span: Span, channel: string): Asked => [span.jobId, channel, span.from, span.to]
/** date_part gives a float; extract gives a numeric, which made a day of readings five times slower here. */
const AT_S = `date_part('epoch', measured_at)`
const AT_MS = `${AT_S} * 1000`
/** Which slice of time a reading falls into: half as dear as dividing its seconds, over a day of readings. */
const SLICE = 'date_bin(make_interval(secs => $6::float8), measured_at, $5::timestamptz)'
const A_MICROSECOND_S = 1e-6

/** Both ends stand in the index, and counting ends at `most`: a day of readings is not read to learn of it. */
async function selectBounds(db: Queryable, span: Asked, most: number): Promise<Bounds | null> {
  const { rows } = await db.query<{ low: Date | null; high: Date | null; n: string }>(
    `select (select measured_at from reading where ${WHERE} order by measured_at limit 1) as low,
      (select measured_at from reading where ${WHERE} order by measured_at desc limit 1) as high,
      (select count(*) from (select 1 from reading where ${WHERE} limit $5) r) as n`,
    [...span, most + 1],
  )
  const { low, high, n } = rows[0] ?? { low: null, high: null, n: '0' }
  return low && high ? { low, high, many: Number(n) > most } : null
}

/** Where slices begin and how long each is, s: so many of them that the last holds the last reading. */
const sliceTimes = ({ low, high }: Bounds, count: number): [Date, number] => [
  low,
  (high.getTime() - low.getTime() + 1) / 1000 / count + A_MICROSECOND_S,
]

async function selectAll(db: Queryable, span: Asked, upToSeq: number | null = null): Promise<Point[]> {
  const { rows } = await db.query<Point>(
    `select ${AT_MS} as at, value, 1 as count from reading
      where ${WHERE} and ($5::bigint is null or seq <= $5) order by measured_at, seq`,
    [...span, upToSeq],
  )
  return rows
}

/** A channel as it is drawn: every reading where they are few, the ends of each slice where they are many. */
export type Cut = { points: Point[]; slices: Slices | null }

/**
 * A channel's readings up to a number, thinned to about `most` points by keeping the least and greatest of each slice
 * of time.
 * @param where - the job's readings or a part of them, job time; null for none
 * @param most - points wanted at most, 10 to 10000
 * @param upToSeq - the number of the last reading that counts, in the order of commits; null for all there are
 */
export async function cutHistory(
  db: Queryable,
  where: Span | null,
  channel: string,
  most: number,
  upToSeq: number | null = null,
): Promise<Cut> {
  if (!where) return { points: [], slices: null }
  const span = asked(where, channel)
  const bounds = await selectBounds(db, span, most)
  if (!bounds?.many) return { points: bounds ? await selectAll(db, span, upToSeq) : [], slices: null }
  const [low, eachS] = sliceTimes(bounds, most / 2)
  const { rows } = await db.query<{ least: [number, number]; greatest: [number, number]; count: number }>(
    `select min(array[value, ${AT_S}]) as least, max(array[value, ${AT_S}]) as greatest, count(*)::int as count
       from reading where ${WHERE} and ($7::bigint is null or seq <= $7) group by ${SLICE}`,
    [...span, low, eachS, upToSeq],
  )
  const cut: Slices = { fromMs: low.getTime(), eachMs: eachS * 1000, slices: new Map() }
  const point = ([value, s]: [number, number]) => ({ at: s * 1000, value, count: 1 })
  for (const { least, greatest, count } of rows) addTo(cut, { least: point(least), greatest: point(greatest), count })
  return { points: pointsOf(cut), slices: cut }
}

/** The points of `cutHistory` alone. */
export async function selectHistory(
  db: Queryable,
  where: Span | null,
  channel: string,
  most: number,
): Promise<Point[]> {
  return (await cutHistory(db, where, channel, most)).points
}

/** A channel's readings averaged into at most `most` slices of equal time: what the judge works on. */
export async function selectAverages(
  db: Queryable,
  where: Span | null,
  channel: string,
  most: number,
): Promise<Point[]> {
  if (!where) return []
  const span = asked(where, channel)
  const bounds = await selectBounds(db, span, most)
  if (!bounds?.many) return bounds ? selectAll(db, span) : []
  const { rows } = await db.query<Point>(
    `select avg(${AT_MS}) as at, avg(value) as value, count(*)::int as count
       from reading where ${WHERE} group by ${SLICE} order by ${SLICE}`,
    [...span, ...sliceTimes(bounds, most)],
  )
  return rows
}

/**
 * All readings of a channel from `from` on, numbered above `afterSeq` up to `upToSeq`, in the order of commits: what a
 * hold is judged on.
 */
export async function selectChannelAfter(
  db: Queryable,
  span: Span | null,
  channel: string,
  from: Date,
  afterSeq: number,
  upToSeq: number,
): Promise<{ at: number; value: number; inHg: number | null }[]> {
  if (!span) return []
  const { rows } = await db.query<{ at: number; value: number; inHg: number | null }>(
    `select ${AT_MS} as at, value, case when sent_unit = 'inHgV' then sent_value end as "inHg" from reading
      where job_id = $1 and channel = $2 and measured_at >= greatest($3::timestamptz, $4::timestamptz)
        and measured_at <= $5 and seq > $6 and seq <= $7 order by seq`,
    [span.jobId, channel, from, span.from, span.to, afterSeq, upToSeq],
  )
  return rows
}

const LIVE_COLUMNS = `r.seq::float8 as seq, date_part('epoch', r.measured_at) * 1000 as at, r.channel, r.value,
  r.sent_value as "sentValue", r.sent_unit as "sentUnit", r.instrument_id as instrument, a.name as by`

/**
 * Readings after `afterSeq` up to `upToSeq`, in the order of commits.
 * @param span - as it was when `upToSeq` was the last: what came later may lie outside it
 */
export async function selectReadingsAfter(
  db: Queryable,
  span: Span | null,
  afterSeq: number,
  upToSeq: number,
  limit: number,
): Promise<LiveReading[]> {
  if (!span || upToSeq <= afterSeq) return []
  // asked by every open page for every batch: planned once for a connection
  const { rows } = await db.query<LiveReading>({
    name: 'readings-after',
    text: `select ${LIVE_COLUMNS} from reading r left join account a on a.id = r.by_account
      where r.job_id = $1 and r.measured_at >= $2 and r.measured_at <= $3 and r.seq > $4 and r.seq <= $5
        order by r.seq limit $6`,
    values: [span.jobId, span.from, span.to, afterSeq, upToSeq, limit],
  })
  return rows
}

/** What hands typed, newest first. */
export async function selectTyped(db: Queryable, span: Span | null, limit: number): Promise<LiveReading[]> {
  if (!span) return []
  const { rows } = await db.query<LiveReading>(
    `select ${LIVE_COLUMNS} from reading r left join account a on a.id = r.by_account
      where r.job_id = $1 and r.measured_at >= $2 and r.measured_at <= $3 and r.instrument_id = 'hand'
        order by r.seq desc limit $4`,
    [span.jobId, span.from, span.to, limit],
  )
  return rows
}
