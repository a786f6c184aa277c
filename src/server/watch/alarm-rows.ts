import type { Alarm } from '@/core/call/alarms'
import type { Ring, Ringing, Rung, Whose } from '@/core/views'
import type { Scope } from '../db/scope'
import { JOIN_WHOSE, selectClocks, WHOSE } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'

/** What rings in the shop now. */
export async function selectRinging(db: Scope): Promise<Ringing[]> {
  const { rows } = await db.query<{ id: string; car: string; ringing: Ring[]; whose: Whose }>(
    `select j.id, j.summary ->> 'name' as car, j.ringing, ${WHOSE} from job j ${JOIN_WHOSE}
      where j.shop_id = $1 and j.ringing <> '[]'`,
    [db.shopId],
  )
  const clocks = await selectClocks(
    db,
    rows.map((r) => r.id),
  )
  return rows.flatMap(({ id, car, ringing, whose }) =>
    ringing.map((ring) => ({ ...ring, jobId: id, car, whose, clock: clocks.get(id) ?? [] })),
  )
}

/** What rang on a car so far, oldest first. */
export async function selectRung(db: Scope, jobId: string): Promise<Rung[]> {
  const { rows } = await db.query<{ id: string; sentence: string; at: Date }>(
    `select id, sentence, rang_at as at from alarm where job_id = $1 and shop_id = $2 order by stored_at, rang_at`,
    [jobId, db.shopId],
  )
  return rows.map((r) => ({ ...r, at: r.at.toISOString() }))
}

/**
 * Keeps what rings on a car now, and what of it is new among what rang; told to every page. @param jobMs - job time
 * now
 */
export async function keepRinging(
  db: Scope,
  jobId: string,
  ringing: readonly Ring[],
  fresh: readonly Alarm[],
  jobMs: number,
): Promise<void> {
  if (fresh.length > 0)
    await db.query(
      `insert into alarm (job_id, id, shop_id, sentence, rang_at)
       select $1, f.id, $2, f.sentence, $5 from unnest($3::text[], $4::text[]) as f (id, sentence)
         on conflict do nothing`,
      [jobId, db.shopId, fresh.map((a) => a.id), fresh.map((a) => a.sentence), new Date(Math.round(jobMs))],
    )
  await db.query('update job set ringing = $2 where id = $1 and shop_id = $3', [
    jobId,
    JSON.stringify(ringing),
    db.shopId,
  ])
  await notifyChange(db, { job: jobId, alarms: true })
}
