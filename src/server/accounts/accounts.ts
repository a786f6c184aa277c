import { hash, verify } from '@node-rs/argon2'
import type { Queryable } from '../db/pool'
import type { Role } from './roles'

export type Account = { id: string; signIn: string; name: string; role: Role; certificate: string; disabledAt: Date | null }

const COLUMNS = `id, sign_in as "signIn", name, role, certificate, disabled_at as "disabledAt"`

/** argon2id (the package's default) with 19 MiB and two passes, the least OWASP advises (2024). */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

/** A hash nobody's password has: an unknown sign-in costs the same time as a wrong password. */
let decoy: Promise<string> | undefined

export async function selectAccounts(db: Queryable): Promise<Account[]> {
  const { rows } = await db.query<Account>(`select ${COLUMNS} from account order by name`)
  return rows
}

export async function insertAccount(db: Queryable, account: { signIn: string; name: string; role: Role; certificate: string; password: string }): Promise<Account> {
  const { rows } = await db.query<Account>(`insert into account (sign_in, name, role, certificate, password_hash) values ($1, $2, $3, $4, $5) returning ${COLUMNS}`, [
    account.signIn,
    account.name,
    account.role,
    account.certificate,
    await hash(account.password, HASHING),
  ])
  return rows[0] as Account
}

export async function updateAccount(db: Queryable, id: string, change: { role: Role; certificate: string; disabled: boolean }): Promise<boolean> {
  const { rowCount } = await db.query(`update account set role = $2, certificate = $3, disabled_at = case when $4 then coalesce(disabled_at, now()) end where id = $1`, [
    id,
    change.role,
    change.certificate,
    change.disabled,
  ])
  if (change.disabled) await db.query('delete from session where account_id = $1', [id])
  return rowCount === 1
}

/** The account whose password this is, or null; takes as long either way. */
export async function checkPassword(db: Queryable, signIn: string, password: string): Promise<Account | null> {
  const { rows } = await db.query<Account & { passwordHash: string }>(
    `select ${COLUMNS}, password_hash as "passwordHash" from account where sign_in = $1 and disabled_at is null`,
    [signIn.trim().toLowerCase()],
  )
  const found = rows[0]
  decoy ??= hash('no such account', HASHING)
  const right = await verify(found?.passwordHash ?? (await decoy), password)
  if (!found || !right) return null
  const { passwordHash: _secret, ...account } = found
  return account
}
