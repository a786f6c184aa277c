import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import type { Scope } from '../db/scope'
import { notifyChange } from '../jobs/notify'

/** What the bench says of a car it cannot play; null words when it plays again. */
export const BenchTrouble = z.strictObject({ jobId: Id, words: text(300).nullable() })
export type BenchTrouble = z.infer<typeof BenchTrouble>

/**
 * Keeps what the bench says of a car beside it and tells the car's page; a job that is not on the bench is left alone.
 */
export async function storeTrouble(db: Scope, { jobId, words }: BenchTrouble): Promise<void> {
  const { rowCount } = await db.query(
    'update job set bench_trouble = $2 where id = $1 and shop_id = $3 and simulated',
    [jobId, words, db.shopId],
  )
  if (rowCount === 1) await notifyChange(db, { job: jobId, events: 0 })
}
