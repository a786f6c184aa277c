import type { CarVisit } from '@/core/book/car-visit'
import type { KnownCar } from '@/core/book/known-car'
import { selectCar } from '../cars/cars'
import type { Scope } from '../db/scope'

/** Visits of one car that are read at most, the newest. */
const MOST_VISITS = 300

/** A car and everything that was ever done to it, oldest first; null where there is none of that id. */
export async function carPage(
  db: Scope,
  carId: string,
): Promise<{ car: KnownCar; visits: CarVisit[]; labelPhoto: string | null } | null> {
  const car = await selectCar(db, carId)
  if (!car) return null
  const { rows } = await db.query<{ visit: CarVisit }>(
    `select visit from book_line where shop_id = $1 and car_id = $2 and visit is not null order by at desc limit $3`,
    [db.shopId, carId, MOST_VISITS],
  )
  const { rows: photos } = await db.query<{ id: string; jobId: string }>(
    `select p.id, p.job_id as "jobId" from photo p join job j on j.id = p.job_id
      where j.shop_id = $1 and j.car_id = $2 and p.kind = 'label' order by p.stored_at desc limit 1`,
    [db.shopId, carId],
  )
  const labelPhoto = photos[0] ? `/api/jobs/${photos[0].jobId}/photos/${photos[0].id}` : null
  return { car, visits: rows.map((r) => r.visit).reverse(), labelPhoto }
}
