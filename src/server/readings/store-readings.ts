import type { Channel, ReadingUnit } from '@/core/units/channel'
import type { Queryable } from '../db/pool'
import type { Scope } from '../db/scope'
import { CHANGE_CHANNEL } from '../jobs/notify'

/**
 * A reading ready to be stored: `value` in the stored unit of its channel, `sent` as sent or typed, `measuredAt` in job
 * time.
 */
export type NewReading = {
  channel: Channel
  value: number
  sentValue: number
  sentUnit: ReadingUnit
  instrumentId: string
  deviceSeq: number
  measuredAt: Date
  byAccount: string | null
  note: string | null
  /** typed at the moment it was read: the newest of its channel, whatever the clocks say */
  justNow?: boolean
}

/** The instrument of whatever is typed. */
export const HAND = 'hand'

/** Readings of one car, in the order they came. */
export type CarReadings = { shopId: number; jobId: string; readings: readonly NewReading[] }

/**
 * Stores readings of several cars in one statement, which is one transaction: the one end of every way in, be it an
 * instrument, a hand or a file. The same instrument, number and time twice is stored once. The jobs' rows are locked
 * first, in one order, so that reading numbers follow the order of commits and a stream that resumes after a number
 * misses nothing. The newest of a channel is the last to arrive, also where a clock was set back: a later number of the
 * same instrument, what was typed just now, or a later time of another.
 * @param cars - each job once
 * @returns for each car which of its readings were new, by their place in it; null when there is no such unsigned job
 */
export async function storeCars(db: Queryable, cars: readonly CarReadings[]): Promise<(Set<number> | null)[]> {
  const all = cars.flatMap(({ readings }, car) => readings.map((reading, place) => ({ car: car + 1, place, reading })))
  const column = <T>(pick: (r: NewReading) => T): T[] => all.map((a) => pick(a.reading))
  const times = cars.map(({ readings }) => readings.map((r) => r.measuredAt.getTime()))
  const { rows } = await db.query<{ id: string; first: number; whole: boolean; seqs: string[] | null }>({
    name: 'store-cars',
    text: STORE,
    values: [
      cars.map((c) => c.jobId),
      cars.map((c) => c.shopId),
      cars.map((c) => c.readings.length),
      cars.map((c) => JSON.stringify(newestOf(c.readings))),
      times.map((t) => new Date(Math.min(...t)).toISOString()),
      times.map((t) => new Date(Math.max(...t)).toISOString()),
      arrayOf(all.map((a) => a.car)),
      arrayOf(all.map((a) => a.place)),
      arrayOf(column((r) => r.measuredAt.getTime())),
      arrayOf(column((r) => r.channel)),
      arrayOf(column((r) => r.value)),
      arrayOf(column((r) => r.sentValue)),
      arrayOf(column((r) => r.sentUnit)),
      column((r) => r.instrumentId),
      arrayOf(column((r) => r.deviceSeq)),
      arrayOf(column((r) => r.byAccount ?? 'NULL')),
      column((r) => r.note),
      CHANGE_CHANNEL,
      // a hand's numbers are made at random: they order nothing
      HAND,
    ],
  })
  const found = new Map(rows.map((r) => [r.id, r]))
  return cars.map(({ jobId, readings }) => {
    const row = found.get(jobId)
    if (!row) return null
    // which ones is only said where some were known before
    return new Set(row.whole ? readings.keys() : (row.seqs ?? []).map((seq) => Number(seq) - row.first))
  })
}

/**
 * An array of the database's from what needs no quoting: numbers, ids, words of our own lists and `NULL`. The driver
 * looks at every letter of every element, which is a tenth of what storing costs.
 */
const arrayOf = (plain: readonly (string | number)[]): string => `{${plain.join(',')}}`

/** One statement, so that a batch costs one round trip: lock, number, store, tell the streams. */
const STORE = `with car as (
    select * from unnest($1::uuid[], $2::int[], $3::int[], $4::jsonb[], $5::timestamptz[], $6::timestamptz[])
      with ordinality as c (id, shop_id, count, newest, low, high, car)
  ), locked as (
    select j.id from job j join car c on c.id = j.id and c.shop_id = j.shop_id where j.signed_at is null
      order by j.id for update of j
  ), numbered as (
    update job set reading_seq = reading_seq + c.count,
      readings_from = least(readings_from, c.low), readings_to = greatest(readings_to, c.high),
      latest = latest || (
      select coalesce(jsonb_object_agg(key, case when back_s > 2
        then value || jsonb_build_object('backS', back_s) else value end), '{}')
        from jsonb_each(c.newest), lateral (select
          date_part('epoch', (latest -> key ->> 'at')::timestamptz - (value ->> 'at')::timestamptz) as back_s) b
       where latest -> key is null or back_s <= 0 or (value ->> 'justNow')::boolean
          or value ->> 'instrument' <> $19 and latest -> key ->> 'instrument' = value ->> 'instrument'
            and (latest -> key ->> 'n')::bigint < (value ->> 'n')::bigint)
      from car c where job.id = c.id and job.id in (select id from locked)
      returning job.id, job.shop_id, job.reading_seq, c.count, c.car
  ), stored as (
    insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id,
      device_seq, by_account, note)
    select n.id, n.reading_seq - n.count + 1 + r.place, to_timestamp(r.at / 1000), r.channel, r.value, r.sent_value, r.sent_unit,
      r.instrument_id, r.device_seq, r.by_account, r.note
      from unnest($7::int[], $8::int[], $9::float8[], $10::text[], $11::float8[], $12::float8[], $13::text[],
        $14::text[], $15::bigint[], $16::uuid[], $17::text[])
           as r (car, place, at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note)
      join numbered n on n.car = r.car
    on conflict do nothing returning job_id, seq
  )
  select n.id, (n.reading_seq - n.count + 1)::float8 as first, s.count is not distinct from n.count as whole,
         case when s.count < n.count then s.seqs end as seqs,
         pg_notify($18, json_build_object('shop', n.shop_id, 'job', n.id, 'readings', n.reading_seq)::text)
    from numbered n
    left join (select job_id, count(*) as count, array_agg(seq) as seqs from stored group by job_id) s
      on s.job_id = n.id`

/**
 * Stores readings of one job.
 * @returns how many were new; null when there is no such unsigned job
 */
export async function storeReadings(tx: Scope, jobId: string, readings: readonly NewReading[]): Promise<number | null> {
  const [stored] = await storeCars(tx, [{ shopId: tx.shopId, jobId, readings }])
  return stored ? stored.size : null
}

type Newest = {
  value: number
  at: string
  sentValue: number
  sentUnit: string
  instrument: string
  n: number
  justNow?: boolean
}

/**
 * The newest reading of each channel in a batch, kept beside the job for board and page; an instrument's lines come in
 * the order it measured.
 */
function newestOf(readings: readonly NewReading[]): Record<string, Newest> {
  const newest = new Map<Channel, NewReading>()
  for (const r of readings) {
    const before = newest.get(r.channel)
    if (!before || follows(r, before)) newest.set(r.channel, r)
  }
  return Object.fromEntries([...newest].map(([channel, r]) => [channel, asNewest(r)]))
}

function follows(r: NewReading, before: NewReading): boolean {
  const later = before.measuredAt.getTime() <= r.measuredAt.getTime()
  if (before.instrumentId !== r.instrumentId) return later
  return r.instrumentId === HAND ? r.justNow === true || later : before.deviceSeq <= r.deviceSeq
}

const asNewest = (r: NewReading): Newest => ({
  value: r.value,
  at: r.measuredAt.toISOString(),
  sentValue: r.sentValue,
  sentUnit: r.sentUnit,
  instrument: r.instrumentId,
  n: r.deviceSeq,
  ...(r.justNow && { justNow: true }),
})
