import type { Queryable } from '../db/pool'
import type { Scope } from '../db/scope'
import type { Account } from './accounts'

/** A session and whose it is. */
export type Session = { id: string; account: Account }

/** Opens a session that lasts `lifeS` seconds and returns its id. */
export async function insertSession(db: Queryable, accountId: string, lifeS: number): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    `insert into session (account_id, expires_at) values ($1, now() + $2 * interval '1 second') returning id`,
    [accountId, lifeS],
  )
  return (rows[0] as { id: string }).id
}

export async function deleteSession(db: Queryable, id: string): Promise<void> {
  await db.query('delete from session where id = $1', [id])
}

/** A session that stands, with its account; null when it ended, ran out, or its account was closed. */
export async function selectSession(db: Scope, id: string): Promise<Session | null> {
  const { rows } = await db.query<Account>(
    `select a.id, a.sign_in as "signIn", a.name, a.role, a.certificate, a.disabled_at as "disabledAt"
       from session s join account a on a.id = s.account_id
      where s.id = $1 and a.shop_id = $2 and s.expires_at > now() and a.disabled_at is null`,
    [id, db.shopId],
  )
  return rows[0] ? { id, account: rows[0] } : null
}

/** Deletes what ran out. @returns how many */
export async function deleteExpiredSessions(db: Queryable): Promise<number> {
  const { rowCount } = await db.query('delete from session where expires_at <= now()')
  return rowCount ?? 0
}
