import type { LeakPlace } from '@/core/job/leak'
import type { Learned } from '@/core/leak/search-view'
import type { Scope } from '../db/scope'

/** Leaks this shop found so far in real work, by place: what its next search begins with. */
export async function selectLeaksFound(db: Scope): Promise<Learned> {
  const { rows } = await db.query<{ at: LeakPlace; found: number }>(
    `select e.payload ->> 'at' as at, count(*)::int as found
       from event e join event o on o.job_id = e.job_id and o.seq = 0
      where e.shop_id = $1 and e.kind = 'leak-found' and coalesce(o.payload ->> 'purpose', 'work') = 'work'
      group by 1`,
    [db.shopId],
  )
  return Object.fromEntries(rows.map(({ at, found }) => [at, found]))
}
