import type { FleetCar } from '@/core/book/fleet'
import type { Scope } from '../db/scope'

/**
 * Every car of the shop with what its visits say of its losses, oldest visit first; read car by car in one question.
 */
export async function selectFleet(db: Scope): Promise<FleetCar[]> {
  const { rows } = await db.query<Omit<FleetCar, 'visits'> & FleetCar['visits'][number]>(
    `select c.id, c.name, c.plate, c.model, b.visit ->> 'at' as at, b.visit -> 'charged' as charged,
       (b.visit ->> 'recoveredG')::float8 as "recoveredG", (b.visit ->> 'leastG')::float8 as "leastG",
       b.visit -> 'renewed' as renewed, b.visit -> 'mended' as mended, b.visit -> 'holds' as holds
       from book_line b join car c on c.id = b.car_id
      where b.shop_id = $1 and b.visit is not null order by c.id, b.at`,
    [db.shopId],
  )
  const cars = new Map<string, FleetCar>()
  for (const { id, name, plate, model, ...visit } of rows) {
    const car = cars.get(id) ?? { id, name, plate, model, visits: [] }
    // the charge of null in JSON is a null of JSON
    car.visits.push(visit)
    cars.set(id, car)
  }
  return [...cars.values()]
}
