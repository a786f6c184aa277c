import { clockFactor, jobTimeMs } from '@/core/job/clock'
import type { Scope } from '../db/scope'
import { selectClock } from './job-rows'

/**
 * The job's time now, ms, and how fast its clock runs. Never before the last thing that was recorded: a server's clock
 * that was set back makes nothing happen before what it follows. Null when there is no such job.
 */
export async function jobNow(db: Scope, jobId: string): Promise<{ ms: number; factor: number } | null> {
  const clock = await selectClock(db, jobId)
  if (clock.length === 0) return null
  const { rows } = await db.query<{ last: Date }>(
    'select happened_at as last from event where job_id = $1 and shop_id = $2 order by seq desc limit 1',
    [jobId, db.shopId],
  )
  return { ms: Math.max(jobTimeMs(clock, Date.now()), rows[0]?.last.getTime() ?? 0), factor: clockFactor(clock) }
}
