import type { Channel, ReadingUnit } from '@/core/units/channel'
import type { Transaction } from '../db/pool'
import { notifyChange } from '../jobs/notify'
import { ensurePartitions } from './partitions'

/** A reading ready to be stored: `value` in the stored unit of its channel, `sent` as sent or typed, `measuredAt` in job time. */
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
}

/**
 * Stores readings of one job: the one end of every way in, be it an instrument, a hand or a file.
 * The same instrument, number and time twice is stored once. The job's row is locked first, so that its
 * reading numbers follow the order of commits and a stream that resumes after a number misses nothing.
 * @returns how many were new; null when there is no such unsigned job
 */
export async function storeReadings(tx: Transaction, jobId: string, readings: readonly NewReading[]): Promise<number | null> {
  await ensurePartitions(readings.map((r) => r.measuredAt))
  const { rows } = await tx.query<{ base: string }>(`update job set reading_seq = reading_seq + $2 where id = $1 and signed_at is null returning reading_seq - $2 as base`, [
    jobId,
    readings.length,
  ])
  const base = rows[0]?.base
  if (base === undefined) return null
  const column = <T>(pick: (r: NewReading) => T): T[] => readings.map(pick)
  const stored = await tx.query(
    `insert into reading (job_id, seq, measured_at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note)
     select $1, $2::bigint + n, at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note
       from unnest($3::timestamptz[], $4::text[], $5::float8[], $6::float8[], $7::text[], $8::text[], $9::bigint[], $10::uuid[], $11::text[])
            with ordinality as t (at, channel, value, sent_value, sent_unit, instrument_id, device_seq, by_account, note, n)
     on conflict do nothing`,
    [
      jobId,
      base,
      column((r) => r.measuredAt),
      column((r) => r.channel),
      column((r) => r.value),
      column((r) => r.sentValue),
      column((r) => r.sentUnit),
      column((r) => r.instrumentId),
      column((r) => r.deviceSeq),
      column((r) => r.byAccount),
      column((r) => r.note),
    ],
  )
  await updateLatest(tx, jobId, readings)
  const seq = Number(base) + readings.length
  await notifyChange(tx, { job: jobId, readings: seq })
  return stored.rowCount ?? 0
}

/** The newest reading of each channel, kept beside the job for the board. */
async function updateLatest(tx: Transaction, jobId: string, readings: readonly NewReading[]): Promise<void> {
  const newest: Record<string, { value: number; at: string; sentValue: number; sentUnit: string }> = {}
  for (const r of readings) {
    const at = r.measuredAt.toISOString()
    const before = newest[r.channel]
    if (!before || before.at <= at) newest[r.channel] = { value: r.value, at, sentValue: r.sentValue, sentUnit: r.sentUnit }
  }
  await tx.query(
    `update job set latest = latest || (
       select coalesce(jsonb_object_agg(key, value), '{}') from jsonb_each($2::jsonb)
        where latest -> key is null or latest -> key ->> 'at' <= value ->> 'at') where id = $1`,
    [jobId, JSON.stringify(newest)],
  )
}
