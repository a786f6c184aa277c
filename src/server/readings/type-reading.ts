import * as z from 'zod'
import { Instant } from '@/core/entry/instant'
import { verbatim } from '@/core/entry/text'
import { jobTimeMs } from '@/core/job/clock'
import { W } from '@/core/language/server/readings'
import { CHANNELS, READING_UNITS, toStored } from '@/core/units/channel'
import { MINUTE_MS } from '@/core/units/constants'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction } from '../db/scope'
import { AppError, notFound } from '../errors'
import { selectClock, selectJob, selectJobForUpdate } from '../jobs/job-rows'
import { selectSpan } from './span'
import { HAND, storeReadings } from './store-readings'

export const TypedReading = z.strictObject({
  /** made by whoever types, so that sending twice is harmless */
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  channel: z.enum(CHANNELS),
  value: z.number().finite(),
  unit: z.enum(READING_UNITS),
  /** job time; the server's when left out */
  at: Instant.optional(),
  note: verbatim(200, 0).optional(),
})

/**
 * Stores what a hand typed, by the same end as every instrument.
 * @throws AppError `bad-input` when the value or its time cannot be, `already-signed` after the signature
 */
export async function typeReadings(
  db: UserScope,
  jobId: string,
  typed: readonly z.infer<typeof TypedReading>[],
): Promise<number> {
  const job = await selectJob(db, jobId)
  if (!job) throw notFound(W.thisJob)
  const clock = await selectClock(db, jobId)
  const arrivedMs = clock[0]?.jobMs ?? 0
  // a server's clock that was set back puts no reading before its car
  const nowMs = Math.max(arrivedMs, jobTimeMs(clock, Date.now()))
  const readings = typed.map((t, i) => {
    const at = t.at === undefined ? nowMs : Date.parse(t.at)
    const fault =
      faultOfTime(at, arrivedMs, nowMs) ??
      (typed.findIndex((o) => o.seq === t.seq) < i ? W.theNumberIsInThis(t.seq) : null)
    if (fault)
      throw new AppError('bad-input', fault, [
        { path: `readings[${i}].${t.at === undefined ? 'seq' : 'at'}`, reason: fault },
      ])
    return {
      channel: t.channel,
      value: storedAt(i, () => toStored(t.channel, t.value, t.unit, job.barometerPa)),
      sentValue: t.value,
      sentUnit: t.unit,
      instrumentId: HAND,
      deviceSeq: t.seq,
      // an entry sent twice without a time of its own must find itself: the number alone tells, so the time is its
      // first
      measuredAt: new Date(Math.round(at)),
      byAccount: db.user.id,
      note: t.note ?? null,
      ...(t.at === undefined && { justNow: true }),
    }
  })
  return inTransaction(db, async (tx) => {
    // the lock first: the same entry sent twice at once must see itself stored
    await selectJobForUpdate(tx, jobId)
    const span = await selectSpan(tx, jobId)
    const { rows } = await tx.query<{ n: string }>(
      `select device_seq as n from reading
        where job_id = $1 and measured_at >= $3 and measured_at <= $4 and instrument_id = 'hand'
          and device_seq = any($2::bigint[])`,
      [jobId, readings.map((r) => r.deviceSeq), span?.from ?? null, span?.to ?? null],
    )
    const before = new Set(rows.map((r) => Number(r.n)))
    const fresh = readings.filter((r) => !before.has(r.deviceSeq))
    if (fresh.length === 0) return 0
    const stored = await storeReadings(tx, jobId, fresh)
    if (stored === null) throw new AppError('already-signed', W.theRecordIsSignedReadings)
    return stored
  })
}

/** Why a reading cannot be from `at`, job time in ms; null when it can. */
function faultOfTime(at: number, arrivedMs: number, nowMs: number): string | null {
  if (at > nowMs + MINUTE_MS) return W.liesAheadOfTheJobs(iso(at), iso(nowMs))
  if (at < arrivedMs - MINUTE_MS) return W.liesBeforeTheCarCame(iso(at), iso(arrivedMs))
  return null
}

const iso = (ms: number): string => new Date(ms).toISOString()

function storedAt(i: number, convert: () => number): number {
  try {
    return convert()
  } catch (error) {
    throw new AppError('bad-input', (error as Error).message, [
      { path: `readings[${i}].value`, reason: (error as Error).message },
    ])
  }
}
