import { randomBytes } from 'node:crypto'
import ical, { ICalAlarmType } from 'ical-generator'
import { neededMs } from '@/core/board/needed'
import type { PromisesKept } from '@/core/day/view'
import { W } from '@/core/language/server/day'
import type { BoardRow } from '@/core/views'
import type { UserScope } from '../accounts/user-scope'
import type { Queryable } from '../db/pool'
import { type Scope, scopeOf } from '../db/scope'
import { boardView } from '../jobs/board-view'
import { tokenHash } from '../readings/ingest'
import { selectExpected, selectPromises } from './day-rows'

const SECRET_BYTES = 24
/** A calendar asks again so often, s. */
const TTL_S = 300
/** A come-back takes somebody so long in the calendar, ms. */
const COME_BACK_MS = 10 * 60_000

/** Makes somebody's calendar address, in place of the one before. @returns its path, told once */
export async function makeCalendar({ user, shopId, query }: UserScope): Promise<string> {
  const secret = randomBytes(SECRET_BYTES).toString('base64url')
  await query('update account set calendar_hash = $2 where id = $1 and shop_id = $3', [
    user.id,
    tokenHash(secret),
    shopId,
  ])
  return `/calendar/${secret}`
}

/** From now on nobody reads by it. */
export async function withdrawCalendar({ user, shopId, query }: UserScope): Promise<void> {
  await query('update account set calendar_hash = null where id = $1 and shop_id = $2', [user.id, shopId])
}

export async function hasCalendar({ user, shopId, query }: UserScope): Promise<boolean> {
  const { rows } = await query<{ made: boolean }>(
    'select calendar_hash is not null as made from account where id = $1 and shop_id = $2',
    [user.id, shopId],
  )
  return rows[0]?.made ?? false
}

/**
 * Somebody's days by the secret of their address; null where it is nobody's, was withdrawn, or the account is closed.
 */
export async function calendarOf(db: Queryable, secret: string, nowMs: number): Promise<string | null> {
  const { rows } = await db.query<{ id: string; name: string; role: string; shopId: number; shop: string }>(
    `select a.id, a.name, a.role, a.shop_id as "shopId", s.name as shop from account a join shop s on s.id = a.shop_id
      where a.calendar_hash = $1 and a.disabled_at is null`,
    [tokenHash(secret)],
  )
  const person = rows[0]
  if (!person) return null
  const scope = scopeOf(person.shopId)
  const [board, promises, expected] = await Promise.all([
    boardView(scope),
    selectPromises(scope),
    selectExpected(scope),
  ])
  // the lead sees the shop's, everybody else their own
  const concerns = ({ whose }: BoardRow) => person.role === 'lead' || whose.id === person.id || whose.id === null
  const mine = board.filter(concerns)
  const calendar = ical({ name: `${person.shop}, ${person.name}`, ttl: TTL_S })
  const entry = (id: string, startMs: number, summary: string, description: string, lengthMs = COME_BACK_MS) => {
    const event = calendar.createEvent({
      id,
      start: new Date(startMs),
      end: new Date(startMs + lengthMs),
      stamp: new Date(nowMs),
      summary,
      description,
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: 300 })
  }
  for (const row of mine) {
    const at = neededMs(row, nowMs)
    const { name, step } = row.summary
    if (Number.isFinite(at) && at > nowMs)
      entry(`back-${row.id}`, at, W.comeBackTo(name), step === 'pull' ? W.itsPullIsThoughtTo : W.itsHoldEndsThen)
    const promised = promises.get(row.id)
    if (promised !== undefined) entry(`promise-${row.id}`, promised, W.isPromised(name), W.readyByThen)
  }
  for (const car of expected) {
    entry(`comes-${car.id}`, car.arrivesMs, W.comes(car.name), W.toBeTakenIn)
    if (car.promisedMs !== null) entry(`promise-${car.id}`, car.promisedMs, W.isPromised(car.name), W.readyByThen)
  }
  return calendar.toString()
}

/** Promises that were kept and missed in each month, the newest first; a car that is not signed yet missed its own. */
export async function promisesKept(db: Scope, timeZone: string): Promise<PromisesKept[]> {
  const { rows } = await db.query<PromisesKept>(
    `select to_char(promised_at at time zone $2, 'YYYY-MM') as month,
            count(*) filter (where signed_at <= promised_at)::int as kept,
            count(*) filter (where signed_at is null or signed_at > promised_at)::int as missed,
            percentile_cont(0.5)
              within group (order by date_part('epoch', coalesce(signed_at, now()) - promised_at) / 60)
              filter (where coalesce(signed_at, now()) > promised_at) as "medianLateMin"
       from job where shop_id = $1 and promised_at is not null and promised_at < now()
      group by 1 order by 1 desc limit 12`,
    [db.shopId, timeZone],
  )
  return rows
}
