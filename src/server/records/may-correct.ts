import type { Scope } from '../db/scope'

/** A signed record is corrected by whoever signed it, or by the lead. */
export async function mayCorrect(db: Scope, accountId: string, jobId: string): Promise<boolean> {
  const { rows } = await db.query<{ may: boolean }>(
    `select a.role = 'lead' or exists (select 1 from event e where e.job_id = $1 and e.shop_id = a.shop_id
      and e.kind = 'signed' and e.by_account = a.id) as may
       from account a where a.id = $2 and a.shop_id = $3`,
    [jobId, accountId, db.shopId],
  )
  return rows[0]?.may ?? false
}
