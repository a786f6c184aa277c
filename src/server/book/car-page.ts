import { type CarVisit, visitOf } from '@/core/book/car-visit'
import { foldJob } from '@/core/job/reduce'
import type { KnownCar } from '@/core/shop/known-car'
import { selectCar } from '../cars/cars'
import type { Scope } from '../db/scope'
import { type EventRow, eventRead, type StoredEvent } from '../jobs/job-rows'

/** Jobs of one car that are read at most, the newest. */
const MOST_JOBS = 200

/** A car and everything that was ever done to it here, oldest first; null where there is none of that id. */
export async function carPage(db: Scope, carId: string): Promise<{ car: KnownCar; visits: CarVisit[] } | null> {
  const car = await selectCar(db, carId)
  if (!car) return null
  // one question for all: a car of sixty jobs is sixty folds, and not sixty questions
  const { rows } = await db.query<EventRow & { jobId: string }>(
    `select e.job_id as "jobId", e.seq, e.id, e.kind, e.happened_at as "happenedAt", e.stored_at as "storedAt", e.by_name as "by", e.payload
       from event e join (select id, created_at from job where shop_id = $1 and car_id = $2 order by created_at desc limit $3) j on j.id = e.job_id
      where e.shop_id = $1 order by j.created_at, e.job_id, e.seq`,
    [db.shopId, carId, MOST_JOBS],
  )
  const jobs = new Map<string, StoredEvent[]>()
  for (const { jobId, ...row } of rows) {
    const known = jobs.get(jobId)
    if (known) known.push(eventRead(row as EventRow))
    else jobs.set(jobId, [eventRead(row as EventRow)])
  }
  const visits = [...jobs].flatMap(([id, events]) => visitOf(id, foldJob(events)) ?? [])
  return { car, visits }
}
