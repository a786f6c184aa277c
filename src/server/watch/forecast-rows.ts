import type { PullForecast } from '@/core/pull/forecast'
import type { Queryable } from '../db/pool'

/** Keeps what was said of a job's pull in place of what was said before. */
export async function upsertForecast(db: Queryable, jobId: string, forecast: PullForecast): Promise<void> {
  await db.query(
    `insert into forecast (job_id, pull, said_at, payload) values ($1, $2, now(), $3)
     on conflict (job_id) do update set pull = excluded.pull, said_at = excluded.said_at, payload = excluded.payload`,
    [jobId, forecast.pull, JSON.stringify(forecast)],
  )
}

/** What was last said of a job's pull, or null. */
export async function selectForecast(db: Queryable, jobId: string): Promise<PullForecast | null> {
  const { rows } = await db.query<{ payload: PullForecast }>('select payload from forecast where job_id = $1', [jobId])
  return rows[0]?.payload ?? null
}
