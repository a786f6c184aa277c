import { LINE_FORM } from '@/core/book/book-line'
import { foldJob } from '@/core/job/reduce'
import type { Queryable } from '../db/pool'
import { inTransaction, scopeOf } from '../db/scope'
import { selectEvents, selectJobForUpdate } from '../jobs/job-rows'
import { keepLine } from './keep-line'

/** Jobs that are looked at in one go; between them the watch does what else it has to. */
const AT_ONCE = 25

/** Makes the lines of jobs that have none, or one of an older form. @returns how many were made */
export async function fillLines(db: Queryable): Promise<number> {
  const { rows } = await db.query<{ id: string; shopId: number; carId: string | null }>(
    `select j.id, j.shop_id as "shopId", j.car_id as "carId" from job j left join book_line b on b.id = j.id
      where b.id is null or b.form < $1 limit $2`,
    [LINE_FORM, AT_ONCE],
  )
  for (const { id, shopId, carId } of rows)
    await inTransaction(scopeOf(shopId), async (tx) => {
      // under the job's lock: an entry that comes meanwhile makes the line itself
      await selectJobForUpdate(tx, id)
      const events = await selectEvents(tx, id)
      await keepLine(tx, id, carId, foldJob(events), events)
    })
  return rows.length
}
