import { getIronSession, type SessionOptions } from 'iron-session'
import { cookies } from 'next/headers'
import { database, type Queryable } from '../db/pool'
import { environment } from '../environment'
import { AppError } from '../errors'
import { selectShop } from '../shop/shop'
import type { Account } from './accounts'

/** How long a sign-in lasts, s: a working day and the way home. */
const SESSION_S = 14 * 3600

type Cookie = { sessionId?: string }

async function options(db: Queryable): Promise<SessionOptions> {
  const { cookieSecret } = await selectShop(db)
  // on loopback and in a workshop's own network there is no TLS; behind a proxy with it set YPEROS_INSECURE_COOKIE=0
  const secure = environment().YPEROS_INSECURE_COOKIE === '0'
  return { password: cookieSecret, cookieName: 'yperos', ttl: SESSION_S, cookieOptions: { httpOnly: true, sameSite: 'lax', secure, path: '/' } }
}

/** Starts a session for an account and sets its sealed, http-only cookie. */
export async function startSession(accountId: string): Promise<void> {
  const db = database()
  const { rows } = await db.query<{ id: string }>(`insert into session (account_id, expires_at) values ($1, now() + $2 * interval '1 second') returning id`, [accountId, SESSION_S])
  const session = await getIronSession<Cookie>(await cookies(), await options(db))
  session.sessionId = (rows[0] as { id: string }).id
  await session.save()
}

/** Ends the session on the server and takes the cookie back. */
export async function endSession(): Promise<void> {
  const db = database()
  const session = await getIronSession<Cookie>(await cookies(), await options(db))
  if (session.sessionId) await db.query('delete from session where id = $1', [session.sessionId])
  session.destroy()
}

/** Who asks, or null: checked in the database on each request, so a right taken away is gone at once. */
export async function currentUser(): Promise<Account | null> {
  const db = database()
  const session = await getIronSession<Cookie>(await cookies(), await options(db))
  if (!session.sessionId) return null
  const { rows } = await db.query<Account>(
    `select a.id, a.sign_in as "signIn", a.name, a.role, a.certificate, a.disabled_at as "disabledAt"
       from session s join account a on a.id = s.account_id
      where s.id = $1 and s.expires_at > now() and a.disabled_at is null`,
    [session.sessionId],
  )
  return rows[0] ?? null
}

/** @throws AppError `not-signed-in` */
export async function requireUser(): Promise<Account> {
  const user = await currentUser()
  if (!user) throw new AppError('not-signed-in', 'Sign in first.')
  return user
}
