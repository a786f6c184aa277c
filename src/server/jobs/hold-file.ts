import * as z from 'zod'
import { foldJob } from '@/core/job/reduce'
import { currentHold } from '@/core/job/state'
import { W } from '@/core/language/server/jobs'
import type { UserScope } from '../accounts/user-scope'
import { AppError, notFound } from '../errors'
import { typeReadings } from '../readings/type-reading'
import { selectEvents } from './job-rows'

/**
 * Readings of a file as seconds since isolation; `seq` numbers them from a number its sender made, so that sending
 * twice is harmless.
 */
export const HoldFile = z.strictObject({
  seq: z.number().int().min(0).max(9e14),
  readings: z
    .array(z.strictObject({ elapsedS: z.number().min(0).max(1e7), pressurePa: z.number().min(0).max(120_000) }))
    .min(1)
    .max(20_000),
})

/**
 * Stores a file's readings in the running hold, each at its time since isolation.
 * @returns how many were new
 * @throws AppError `conflict` when the car is not holding, `bad-input` when the file runs ahead of the job's clock
 */
export async function storeHoldFile(db: UserScope, jobId: string, file: z.infer<typeof HoldFile>): Promise<number> {
  const events = await selectEvents(db, jobId)
  if (events.length === 0) throw notFound(W.thisJob)
  const state = foldJob(events)
  const hold = currentHold(state)
  if (state.step !== 'hold' || !hold || hold.ended) throw new AppError('conflict', W.thisCarIsNotHolding)
  const isolatedMs = Date.parse(hold.isolatedAt)
  const typed = file.readings.map((r, i) => ({
    seq: file.seq + i,
    channel: 'vacuum' as const,
    value: r.pressurePa,
    unit: 'Pa' as const,
    at: new Date(Math.round(isolatedMs + r.elapsedS * 1000)).toISOString(),
    note: W.fromAFile,
  }))
  return typeReadings(db, jobId, typed)
}
