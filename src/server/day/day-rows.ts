import type { Pin } from '@/core/day/shop-day'
import type { Off } from '@/core/day/view'
import type { Works } from '@/core/day/works'
import type { Step } from '@/core/job/steps'
import { W } from '@/core/language/server/day'
import type { Scope } from '../db/scope'
import { notFound } from '../errors'

/** Who and what is away now or later. */
export async function selectOff(db: Scope, nowMs: number): Promise<Off[]> {
  const { rows } = await db.query<{
    id: string
    accountId: string | null
    thing: string | null
    from: Date
    to: Date | null
    by: string
  }>(
    `select id, account_id as "accountId", thing, from_at as "from", to_at as "to", by_name as "by" from day_off
      where shop_id = $1 and (to_at is null or to_at > $2) order by from_at`,
    [db.shopId, new Date(nowMs)],
  )
  return rows.map(({ from, to, ...row }) => ({ ...row, fromMs: from.getTime(), toMs: to?.getTime() ?? null }))
}

export async function insertOff(db: Scope, off: Omit<Off, 'by'>, by: string): Promise<void> {
  await db.query(
    `insert into day_off (id, shop_id, account_id, thing, from_at, to_at, by_name) values ($1, $2, $3, $4, $5, $6, $7)
      on conflict (id) do nothing`,
    [
      off.id,
      db.shopId,
      off.accountId,
      off.thing,
      new Date(off.fromMs),
      off.toMs === null ? null : new Date(off.toMs),
      by,
    ],
  )
}

/** Somebody or something is back: now, or it never goes. */
export async function endOff(db: Scope, id: string, nowMs: number): Promise<void> {
  const now = new Date(nowMs)
  const { rowCount } = await db.query('delete from day_off where id = $1 and shop_id = $2 and from_at >= $3', [
    id,
    db.shopId,
    now,
  ])
  if (rowCount === 1) return
  const ended = await db.query('update day_off set to_at = $3 where id = $1 and shop_id = $2', [id, db.shopId, now])
  if (ended.rowCount !== 1) throw notFound(W.whoOrWhatIsAway)
}

/** A car that is still to come. */
export type Expected = {
  id: string
  name: string
  model: string
  arrivesMs: number
  promisedMs: number | null
  fixMin: number
  by: string
}

export async function selectExpected(db: Scope): Promise<Expected[]> {
  const { rows } = await db.query<
    Omit<Expected, 'arrivesMs' | 'promisedMs'> & { arrives: Date; promised: Date | null }
  >(
    `select id, name, model, arrives_at as arrives, promised_at as promised, fix_min as "fixMin", by_name as "by"
       from expected_car where shop_id = $1 and job_id is null and gone_at is null order by arrives_at limit 200`,
    [db.shopId],
  )
  return rows.map(({ arrives, promised, ...row }) => ({
    ...row,
    arrivesMs: arrives.getTime(),
    promisedMs: promised?.getTime() ?? null,
  }))
}

export async function upsertExpected(db: Scope, car: Expected): Promise<void> {
  await db.query(
    `insert into expected_car (id, shop_id, name, model, arrives_at, promised_at, fix_min, by_name)
     values ($1, $2, $3, $4, $5, $6, $7, $8)
     on conflict (id) do update set name = excluded.name, model = excluded.model, arrives_at = excluded.arrives_at,
       promised_at = excluded.promised_at, fix_min = excluded.fix_min where expected_car.shop_id = excluded.shop_id`,
    [
      car.id,
      db.shopId,
      car.name,
      car.model,
      new Date(car.arrivesMs),
      car.promisedMs === null ? null : new Date(car.promisedMs),
      car.fixMin,
      car.by,
    ],
  )
}

/** It was taken in as a job, or does not come. */
export async function endExpected(db: Scope, id: string, jobId: string | null): Promise<void> {
  await db.query(
    `update expected_car set job_id = $3, gone_at = case when $3::uuid is null then now() end where id = $1
        and shop_id = $2
      and job_id is null`,
    [id, db.shopId, jobId],
  )
  await db.query('delete from day_pin where car = $1 and shop_id = $2', [id, db.shopId])
}

/** What was promised of an open car, or of one to come. @returns false where there is none of that id */
export async function setPromise(db: Scope, car: string, atMs: number | null): Promise<boolean> {
  const at = atMs === null ? null : new Date(atMs)
  const of = (table: 'job' | 'expected_car') =>
    db.query(`update ${table} set promised_at = $3 where id = $1 and shop_id = $2`, [car, db.shopId, at])
  return (await of('job')).rowCount === 1 || (await of('expected_car')).rowCount === 1
}

/** What was promised of open jobs, wall ms. */
export async function selectPromises(db: Scope): Promise<Map<string, number>> {
  const { rows } = await db.query<{ id: string; at: Date }>(
    'select id, promised_at as at from job where shop_id = $1 and promised_at is not null and signed_at is null',
    [db.shopId],
  )
  return new Map(rows.map((r) => [r.id, r.at.getTime()]))
}

export async function selectPins(db: Scope): Promise<Pin[]> {
  const { rows } = await db.query<{
    car: string
    step: Step
    person: string | null
    rig: string | null
    from: Date
    by: string
  }>(
    `select car, step, account_id as person, rig, from_at as "from", by_name as "by" from day_pin
        where shop_id = $1 order by set_at`,
    [db.shopId],
  )
  return rows.map(({ from, ...pin }) => ({ ...pin, fromMs: from.getTime() }))
}

export async function upsertPin(db: Scope, { car, step, person, rig, fromMs, by }: Pin): Promise<void> {
  await db.query(
    `insert into day_pin (shop_id, car, step, account_id, rig, from_at, by_name) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (shop_id, car, step) do update set account_id = excluded.account_id, rig = excluded.rig,
       from_at = excluded.from_at, by_name = excluded.by_name, set_at = now()`,
    [db.shopId, car, step, person, rig, new Date(fromMs), by],
  )
}

/** Lets a piece go: one, or with null all there are. */
export async function deletePins(db: Scope, which: { car: string; step: Step } | null): Promise<void> {
  await db.query('delete from day_pin where shop_id = $1 and ($2::uuid is null or (car = $2 and step = $3))', [
    db.shopId,
    which?.car ?? null,
    which?.step ?? null,
  ])
}

/** When everybody works, by account. */
export async function selectWorks(db: Scope): Promise<Map<string, Works>> {
  const { rows } = await db.query<{ id: string; works: Works }>(
    'select id, works from account where shop_id = $1 and works is not null',
    [db.shopId],
  )
  return new Map(rows.map((r) => [r.id, r.works]))
}

export async function setWorks(db: Scope, accountId: string, works: Works | null): Promise<void> {
  const { rowCount } = await db.query('update account set works = $2 where id = $1 and shop_id = $3', [
    accountId,
    works && JSON.stringify(works),
    db.shopId,
  ])
  if (rowCount !== 1) throw notFound(W.thisAccount)
}
