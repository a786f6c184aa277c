import type { CarVisit } from '@/core/book/car-visit'
import type { KnownCar } from '@/core/shop/known-car'
import { selectCar } from '../cars/cars'
import type { Scope } from '../db/scope'

/** Visits of one car that are read at most, the newest. */
const MOST_VISITS = 300

/** A car and everything that was ever done to it, oldest first; null where there is none of that id. */
export async function carPage(db: Scope, carId: string): Promise<{ car: KnownCar; visits: CarVisit[] } | null> {
  const car = await selectCar(db, carId)
  if (!car) return null
  const { rows } = await db.query<{ visit: CarVisit }>(
    `select visit from book_line where shop_id = $1 and car_id = $2 and visit is not null order by at desc limit $3`,
    [db.shopId, carId, MOST_VISITS],
  )
  return { car, visits: rows.map((r) => r.visit).reverse() }
}
