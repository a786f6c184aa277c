import type { Channel, ReadingUnit } from '@/core/units/channel'
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

/**
 * Stores readings of one job: the one end of every way in, be it an instrument, a hand or a file.
 * The same instrument, number and time twice is stored once. The job's row is locked first, so that its
 * reading numbers follow the order of commits and a stream that resumes after a number misses nothing.
 * The newest of a channel is the last to arrive, also where a clock was set back: a later number of the same
 * instrument,
 * what was typed just now, or a later time of another.
 * @returns how many were new; null when there is no such unsigned job
 */
export async function storeReadings(tx: Scope, jobId: string, readings: readonly NewReading[]): Promise<number | null> {
  const times = readings.map((r) => r.measuredAt.getTime())
  const column = <T>(pick: (r: NewReading) => T): T[] => readings.map(pick)
  // one statement, so that a batch costs one round trip: lock and number, store, tell the streams
  const { rows } = await tx.query<{ seq: number | null; stored: number }>(
    `with numbered as (
       update job set reading_seq = reading_seq + $2::int,
         readings_from = least(readings_from, $14::timestamptz), readings_to = greatest(readings_to, $15::timestamptz),
         latest = latest || (
         select coalesce(jsonb_object_agg(key, case when back_s > 2 then value || jsonb_build_object('backS', back_s) else value end), '{}')
           from jsonb_each($3::jsonb), lateral (select
             date_part('epoch', (latest -> key ->> 'at')::timestamptz - (value ->> 'at')::timestamptz) as back_s) b
          where latest -> key is null or back_s <= 0 or (value ->> 'justNow')::boolean
             or value ->> 'instrument' <> $16 and latest -> key ->> 'instrument' = value ->> 'instrument' and (latest -> key ->> 'n')::bigint < (value ->> 'n')::bigint)
        where id = $1 and shop_id = $17 and signed_at is null returning reading_seq),
     stored as (
       insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note)
       select $1, reading_seq - $2::int + n, at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note
         from numbered, unnest($4::timestamptz[], $5::text[], $6::float8[], $7::float8[], $8::text[], $9::text[], $10::bigint[], $11::uuid[], $12::text[])
              with ordinality as t (at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note, n)
       on conflict do nothing returning 1)
     select (select reading_seq::float8 from numbered) as seq, (select count(*)::int from stored) as stored,
            (select pg_notify($13, json_build_object('shop', $17::int, 'job', $1::uuid, 'readings', reading_seq)::text) from numbered)`,
    [
      jobId,
      readings.length,
      JSON.stringify(newestOf(readings)),
      column((r) => r.measuredAt),
      column((r) => r.channel),
      column((r) => r.value),
      column((r) => r.sentValue),
      column((r) => r.sentUnit),
      column((r) => r.instrumentId),
      column((r) => r.deviceSeq),
      column((r) => r.byAccount),
      column((r) => r.note),
      CHANGE_CHANNEL,
      new Date(Math.min(...times)),
      new Date(Math.max(...times)),
      // a hand's numbers are made at random: they order nothing
      HAND,
      tx.shopId,
    ],
  )
  const result = rows[0]
  return result && result.seq !== null ? result.stored : null
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
  const newest: Record<string, Newest> = {}
  for (const r of readings) {
    const at = r.measuredAt.toISOString()
    const before = newest[r.channel]
    if (before && before.instrument !== r.instrumentId && before.at > at) continue
    if (before && r.instrumentId === HAND && !r.justNow && before.at > at) continue
    if (before && r.instrumentId !== HAND && before.instrument === r.instrumentId && before.n > r.deviceSeq) continue
    newest[r.channel] = {
      value: r.value,
      at,
      sentValue: r.sentValue,
      sentUnit: r.sentUnit,
      instrument: r.instrumentId,
      n: r.deviceSeq,
      ...(r.justNow && { justNow: true }),
    }
  }
  return newest
}
