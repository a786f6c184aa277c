import { randomBytes } from 'node:crypto'
import { W } from '@/core/language/server/accounts'
import { database } from '../db/pool'
import { inTransaction, type Scope, scopeOf, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { tokenHash } from '../readings/ingest'
import { selectShop } from '../shop/shop'
import { logShop } from '../shop/shop-log'
import { setPassword } from './accounts'

/** How long a link may be used, days. */
const LINK_DAYS = 3
const TOKEN_BYTES = 24

/**
 * Makes the link by which somebody sets a password, in place of the one before; told once.
 * @throws AppError `not-found` for somebody who is not of this shop, or whose account is closed
 */
export async function invite(tx: TxScope, accountId: string): Promise<string> {
  const token = randomBytes(TOKEN_BYTES).toString('base64url')
  const { rowCount } = await tx.query(
    'select 1 from account where shop_id = $1 and id = $2 and disabled_at is null for update',
    [tx.shopId, accountId],
  )
  if (rowCount !== 1) throw notFound(W.thisAccount)
  await tx.query('delete from invitation where account_id = $1', [accountId])
  await tx.query(
    `insert into invitation (token_hash, shop_id, account_id, expires_at)
        values ($1, $2, $3, now() + $4 * interval '1 day')`,
    [tokenHash(token), tx.shopId, accountId, LINK_DAYS],
  )
  return token
}

/** Who a link is for: what their page greets them by; null for one that was used, has run out, or never was. */
export async function invitedBy(
  db: Scope,
  token: string,
): Promise<{ id: string; name: string; signIn: string } | null> {
  const { rows } = await db.query<{ id: string; name: string; signIn: string }>(
    `select a.id, a.name, a.sign_in as "signIn" from invitation i join account a on a.id = i.account_id
      where i.token_hash = $1 and i.shop_id = $2 and i.expires_at > now() and a.disabled_at is null`,
    [tokenHash(token), db.shopId],
  )
  return rows[0] ?? null
}

/**
 * Sets the password a link was made for; the link is used up, and whoever was signed in by the old password no more.
 * @returns the account @throws AppError `not-found` for a link that was used or has run out
 */
export async function useInvitation(token: string, password: string): Promise<string> {
  const shop = await selectShop(database())
  return inTransaction(scopeOf(shop.id), async (tx) => {
    const { rows } = await tx.query<{ id: string; name: string }>(
      `delete from invitation i using account a
        where i.token_hash = $1 and i.shop_id = $2 and i.expires_at > now() and a.id = i.account_id
          and a.disabled_at is null
        returning i.account_id as id, a.name`,
      [tokenHash(token), tx.shopId],
    )
    if (!rows[0]) throw new AppError('not-found', W.thisLinkWasUsedOr)
    await setPassword(tx, rows[0].id, password, null)
    await logShop(tx, rows[0].name, 'password-set', W.byTheirLink(rows[0].name))
    return rows[0].id
  })
}
