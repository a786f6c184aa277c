import { type Lead, learnLead, STRANGER } from '@/core/charge/closing'
import type { Scope } from '../db/scope'

/** So many of the last closings teach: hands and valves change. */
const MOST = 12

/** How long this person's hand takes on this rig, from the closings they logged; a stranger's without any. */
export async function selectLead(db: Scope, accountId: string, rigName: string): Promise<Lead> {
  const { rows } = await db.query<{ saidG: number; gramsPerS: number; stepG: number; endedG: number }>(
    `select (e.payload -> 'closing' ->> 'saidG')::float8 as "saidG",
        (e.payload -> 'closing' ->> 'gramsPerS')::float8 as "gramsPerS",
            (e.payload -> 'closing' ->> 'stepG')::float8 as "stepG", (e.payload ->> 'grossG')::float8 as "endedG"
       from event e join event o on o.job_id = e.job_id and o.seq = 0
      where e.shop_id = $4 and e.kind = 'container-ended' and e.by_account = $1 and e.payload ? 'closing'
        and o.payload -> 'rig' ->> 'name' = $2 and coalesce(o.payload ->> 'purpose', 'work') = 'work'
      order by e.stored_at desc limit $3`,
    [accountId, rigName, MOST, db.shopId],
  )
  return rows.reverse().reduce((lead, r) => learnLead(lead, r.saidG, r.endedG, r.gramsPerS, r.stepG), STRANGER)
}
