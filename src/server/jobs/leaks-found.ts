import type { LeakPlace } from '@/core/job/leak'
import type { Learned } from '@/core/leak/search-view'
import type { Scope } from '../db/scope'

/**
 * Leaks this shop found in real work: how often at each place, what its next search begins with, and those of this very
 * car in its earlier jobs, newest first.
 */
export async function selectLeaksFound(db: Scope, jobId: string): Promise<Learned> {
  const { rows } = await db.query<{ at: LeakPlace; when: Date; done: string; own: boolean }>(
    `select e.payload ->> 'at' as at, e.happened_at as when, e.payload ->> 'done' as done,
            coalesce(j.car_id = (select car_id from job where id = $2) and j.id <> $2, false) as own
       from event e join event o on o.job_id = e.job_id and o.seq = 0 join job j on j.id = e.job_id
      where e.shop_id = $1 and e.kind = 'leak-found' and coalesce(o.payload ->> 'purpose', 'work') = 'work'
      order by e.happened_at desc`,
    [db.shopId, jobId],
  )
  const shop: Learned['shop'] = {}
  for (const { at } of rows) shop[at] = (shop[at] ?? 0) + 1
  return { shop, car: rows.filter((r) => r.own).map(({ at, when, done }) => ({ at, when: when.toISOString(), done })) }
}
