import { z } from 'zod'
import { jobTimeMs } from '@/core/procedure/clock'
import { CHANNELS, READING_UNITS, toStored } from '@/core/units/channel'
import type { Account } from '../accounts/accounts'
import { database, transaction } from '../db/pool'
import { AppError, notFound } from '../errors'
import { selectClock, selectJob, selectJobForUpdate } from '../jobs/job-rows'
import { ensurePartitions } from './partitions'
import { storeReadings } from './store-readings'

export const TypedReading = z.strictObject({
  /** made by whoever types, so that sending twice is harmless */
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  channel: z.enum(CHANNELS),
  value: z.number().finite(),
  unit: z.enum(READING_UNITS),
  /** job time; the server's when left out */
  at: z.iso.datetime({ offset: true }).optional(),
  note: z.string().max(200).optional(),
})

/**
 * Stores what a hand typed, by the same end as every instrument.
 * @throws AppError `bad-input` when the value cannot be, `already-signed` after the signature
 */
export async function typeReadings(user: Account, jobId: string, typed: readonly z.infer<typeof TypedReading>[]): Promise<number> {
  const db = database()
  const job = await selectJob(db, jobId)
  if (!job) throw notFound('this job')
  const nowMs = jobTimeMs(await selectClock(db, jobId), Date.now())
  const readings = typed.map((t, i) => {
    const at = t.at === undefined ? nowMs : Date.parse(t.at)
    if (at > nowMs + 60_000) throw new AppError('bad-input', 'the time lies ahead', [{ path: `readings[${i}].at`, reason: 'lies ahead of the job’s clock' }])
    return {
      channel: t.channel,
      value: storedAt(i, () => toStored(t.channel, t.value, t.unit, job.barometerPa)),
      sentValue: t.value,
      sentUnit: t.unit,
      instrumentId: 'hand',
      deviceSeq: t.seq,
      // an entry sent twice without a time of its own must find itself: the number alone tells, so the time is its first
      measuredAt: new Date(Math.round(at)),
      byAccount: user.id,
      note: t.note ?? null,
    }
  })
  // before the transaction reads: a new month's partition waits for everybody who looks at the readings, and would wait for us
  await ensurePartitions(readings.map((r) => r.measuredAt))
  return transaction(db, async (tx) => {
    // the lock first: the same entry sent twice at once must see itself stored
    await selectJobForUpdate(tx, jobId)
    const { rows } = await tx.query<{ n: string }>(`select device_seq as n from reading where job_id = $1 and instrument_id = 'hand' and device_seq = any($2::bigint[])`, [
      jobId,
      readings.map((r) => r.deviceSeq),
    ])
    const before = new Set(rows.map((r) => Number(r.n)))
    const fresh = readings.filter((r) => !before.has(r.deviceSeq))
    if (fresh.length === 0) return 0
    const stored = await storeReadings(tx, jobId, fresh)
    if (stored === null) throw new AppError('already-signed', 'The record is signed: readings can no longer be added.')
    return stored
  })
}

function storedAt(i: number, convert: () => number): number {
  try {
    return convert()
  } catch (error) {
    throw new AppError('bad-input', (error as Error).message, [{ path: `readings[${i}].value`, reason: (error as Error).message }])
  }
}
