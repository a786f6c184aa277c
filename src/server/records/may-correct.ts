import type { Queryable } from '../db/pool'

/** A signed record is corrected by whoever signed it, or by the lead. */
export async function mayCorrect(db: Queryable, accountId: string, jobId: string): Promise<boolean> {
  const { rows } = await db.query<{ may: boolean }>(
    `select a.role = 'lead' or exists (select 1 from event e where e.job_id = $1 and e.kind = 'signed' and e.by_account = a.id) as may
       from account a where a.id = $2`,
    [jobId, accountId],
  )
  return rows[0]?.may ?? false
}
