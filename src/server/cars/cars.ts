import * as z from 'zod'
import { CarFacts } from '@/core/book/car-facts'
import type { KnownCar } from '@/core/book/known-car'
import { text } from '@/core/entry/text'
import type { JobOpened } from '@/core/job/events'
import { chargedG, countsAsWork, type JobState } from '@/core/job/state'
import { W } from '@/core/language/server/cars'
import { renameLines } from '../book/keep-line'
import { inTransaction, namedOnce, type Scope, type TxScope } from '../db/scope'
import { notFound } from '../errors'

/** Cars offered at the door at most. */
const MOST_CARS = 1000

type CarRow = Omit<KnownCar, 'seenAt' | 'lastChargedAt'> & {
  seenAt: Date
  lastChargedAt: Date | null
  /** of any visit, one of a former life too */
  charged: { grams: number; at: string } | null
}

/** What was last held and noted is its own newest line's that has one. */
const newest = (what: string) =>
  `(select ${what} from book_line b where b.shop_id = car.shop_id and b.car_id = car.id
      and ${what} is not null order by b.at desc limit 1)`
const CAR = `select id, name, plate, model, hybrid, label, volume_l as "volumeL", last_charge_g as "lastChargeG",
  last_charged_at as "lastChargedAt", seen_at as "seenAt", facts, ${newest(`b.visit -> 'holds' -> -1`)} as "lastHold",
  ${newest(`b.visit -> 'notes' ->> -1`)} as "lastNote",
  ${newest(`nullif(b.visit -> 'charged', 'null')`)} as charged from car`

const known = ({ seenAt, lastChargedAt, facts, charged, ...car }: CarRow): KnownCar => ({
  ...car,
  lastChargeG: car.lastChargeG ?? charged?.grams ?? null,
  facts: CarFacts.parse(facts),
  seenAt: seenAt.toISOString(),
  lastChargedAt: lastChargedAt?.toISOString() ?? charged?.at ?? null,
})

/** Cars of the shop, the one that came last first. */
export async function selectCars(db: Scope): Promise<KnownCar[]> {
  const { rows } = await db.query<CarRow>(`${CAR} where shop_id = $1 order by seen_at desc limit $2`, [
    db.shopId,
    MOST_CARS,
  ])
  return rows.map(known)
}

/** A car of the shop, or null. */
export async function selectCar(db: Scope, id: string): Promise<KnownCar | null> {
  const { rows } = await db.query<CarRow>(`${CAR} where shop_id = $1 and id = $2`, [db.shopId, id])
  return rows[0] ? known(rows[0]) : null
}

/**
 * The row of a car that is taken in: the one known by its name and plate, or by its name alone where one of the two
 * has no plate; made where there is none. What the label says now is kept.
 */
export async function carTakenIn(tx: TxScope, { car, label, volumeL }: JobOpened, at: Date): Promise<string> {
  const plate = car.plate ?? ''
  const { rows: known } = await tx.query<{ id: string; plate: string }>(
    `select id, plate from car where shop_id = $1 and lower(name) = lower($2) and (plate = '' or $3 = ''
        or lower(plate) = lower($3))
      order by (lower(plate) = lower($3)) desc, seen_at desc limit 1 for update`,
    [tx.shopId, car.name, plate],
  )
  const { rows } = await tx.query<{ id: string }>(
    `insert into car (shop_id, name, plate, model, hybrid, label, volume_l, seen_at)
        values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (shop_id, lower(name), lower(plate)) do update
       set model = case when excluded.model = '' then car.model else excluded.model end, hybrid = excluded.hybrid,
           label = excluded.label, volume_l = excluded.volume_l, seen_at = greatest(car.seen_at, excluded.seen_at)
     returning id`,
    [tx.shopId, car.name, known[0]?.plate ?? plate, car.model, car.hybrid, JSON.stringify(label), volumeL, at],
  )
  const { id } = rows[0] as { id: string }
  if (known[0] && known[0].plate === '' && plate !== '')
    await tx.query('update car set plate = $2 where id = $1', [id, plate])
  return id
}

/** Keeps what a signed job put into its car; training leaves the car as it was. */
export async function rememberCharge(tx: TxScope, jobId: string, state: JobState, at: Date): Promise<void> {
  if (!countsAsWork(state) || state.containers.length === 0) return
  await tx.query(
    `update car set label = $3, volume_l = $4, last_charge_g = $5, last_charged_at = $6
      where shop_id = $1 and id = (select car_id from job where id = $2)`,
    [tx.shopId, jobId, JSON.stringify(state.opened.label), state.opened.volumeL, chargedG(state), at],
  )
}

/** What a hand changes of a car on its page. */
export const CarTold = z.strictObject({
  name: text(200),
  plate: text(40, 0),
  model: text(200, 0),
  facts: CarFacts,
})

/**
 * Keeps what was told of a car; every line of its past is found by its new name too.
 * @throws AppError `not-found`, `conflict` where another car has that name and plate
 */
export async function tellCar(scope: Scope, id: string, told: z.infer<typeof CarTold>): Promise<void> {
  await namedOnce(
    inTransaction(scope, async (tx) => {
      const { rowCount } = await tx.query(
        'update car set name = $3, plate = $4, model = $5, facts = $6 where id = $1 and shop_id = $2',
        [id, tx.shopId, told.name, told.plate, told.model, JSON.stringify(told.facts)],
      )
      if (rowCount === 0) throw notFound(W.thisCar)
      await renameLines(tx, id, told)
    }),
  )
}
