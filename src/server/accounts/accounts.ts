import { randomUUID } from 'node:crypto'
import { hash, verify } from '@node-rs/argon2'
import { W } from '@/core/language/server/accounts'
import type { Role } from '@/core/shop/people'
import { Units } from '@/core/units/shown'
import type { Scope, TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'

export type Account = {
  id: string
  signIn: string
  name: string
  role: Role
  certificate: string
  disabledAt: Date | null
}

const COLUMNS = `id, sign_in as "signIn", name, role, certificate, disabled_at as "disabledAt"`

/** argon2id (the package's default) with 19 MiB and two passes, the least OWASP advises (2024). */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

/** A hash nobody's password has: an unknown sign-in costs the same time as a wrong password. */
let decoy: Promise<string> | undefined

export async function selectAccounts(db: Scope): Promise<Account[]> {
  const { rows } = await db.query<Account>(`select ${COLUMNS} from account where shop_id = $1 order by name`, [
    db.shopId,
  ])
  return rows
}

/** Adds somebody; without a password nobody signs in as them until they set one by their link. */
export async function insertAccount(
  db: Scope,
  account: { signIn: string; name: string; role: Role; certificate: string; password?: string | undefined },
): Promise<Account> {
  const { rows } = await db.query<Account>(
    `insert into account (sign_in, name, role, certificate, password_hash, shop_id)
     values ($1, $2, $3, $4, $5, $6) returning ${COLUMNS}`,
    [
      account.signIn,
      account.name,
      account.role,
      account.certificate,
      await hash(account.password ?? randomUUID(), HASHING),
      db.shopId,
    ],
  )
  return rows[0] as Account
}

/**
 * Changes an account's role and certificate, or closes it. The leads are counted under a lock, so that two who change
 * each other at once leave one.
 * @param byId - the lead who asks; he must still be one when his turn comes
 * @throws AppError `not-allowed` when he is none any more, `not-found`, `conflict` when no lead would be left
 */
export async function changeAccount(
  tx: TxScope,
  byId: string,
  change: { id: string; role: Role; certificate: string; disabled: boolean },
): Promise<void> {
  const { rows: leads } = await tx.query<{ id: string }>(
    `select id from account where shop_id = $1 and role = 'lead' and disabled_at is null order by id for update`,
    [tx.shopId],
  )
  if (!leads.some((l) => l.id === byId)) throw new AppError('not-allowed', W.youAreNotTheLead)
  const keepsLead = change.role === 'lead' && !change.disabled
  if (!keepsLead && !leads.some((l) => l.id !== change.id)) throw new AppError('conflict', W.somebodyMustKeepTheLead)
  const { rowCount } = await tx.query(
    `update account set role = $2, certificate = $3, disabled_at = case when $4 then coalesce(disabled_at, now()) end
      where id = $1 and shop_id = $5`,
    [change.id, change.role, change.certificate, change.disabled, tx.shopId],
  )
  if (rowCount !== 1) throw notFound(W.thisAccount)
  if (change.disabled) await tx.query('delete from session where account_id = $1', [change.id])
}

/**
 * Gives an account another password; its other sessions end.
 * @param keep - the session that goes on, null for none
 */
export async function setPassword(tx: TxScope, id: string, password: string, keep: string | null): Promise<void> {
  await tx.query('update account set password_hash = $2 where id = $1 and shop_id = $3', [
    id,
    await hash(password, HASHING),
    tx.shopId,
  ])
  await tx.query('delete from session where account_id = $1 and ($2::uuid is null or id <> $2)', [id, keep])
}

/** Keeps the units somebody thinks in. */
export async function setUnits(db: Scope, id: string, units: Units): Promise<void> {
  await db.query('update account set units = $2 where id = $1 and shop_id = $3', [id, JSON.stringify(units), db.shopId])
}

/** The units somebody thinks in; the shop's for what was never chosen. */
export async function unitsOf(db: Scope, id: string): Promise<Units> {
  const { rows } = await db.query<{ units: unknown }>(
    'select s.units || a.units as units from account a join shop s on s.id = a.shop_id where a.id = $1 and ' +
      'a.shop_id = $2',
    [id, db.shopId],
  )
  return Units.parse(rows[0]?.units ?? {})
}

/** The account whose password this is, or null; takes as long either way. */
export async function checkPassword(db: Scope, signIn: string, password: string): Promise<Account | null> {
  const { rows } = await db.query<Account & { passwordHash: string }>(
    `select ${COLUMNS}, password_hash as "passwordHash" from account where shop_id = $2 and sign_in = $1
        and disabled_at is null`,
    [signIn.trim().toLowerCase(), db.shopId],
  )
  const found = rows[0]
  decoy ??= hash(W.noSuchAccount, HASHING)
  const right = await verify(found?.passwordHash ?? (await decoy), password)
  if (!found || !right) return null
  const { passwordHash: _secret, ...account } = found
  return account
}
