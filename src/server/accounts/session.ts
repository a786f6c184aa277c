import { getIronSession, type IronSession, type SessionOptions } from 'iron-session'
import { cookies } from 'next/headers'
import { database } from '../db/pool'
import { environment } from '../environment'
import { AppError } from '../errors'
import { selectShop } from '../shop/shop'
import type { Account } from './accounts'
import { deleteSession, insertSession, type Session, selectSession } from './session-rows'

/** How long a sign-in lasts, s: a working day and the way home. */
const SESSION_S = 14 * 3600

type Cookie = { sessionId?: string }

async function cookie(): Promise<IronSession<Cookie>> {
  const { cookieSecret } = await selectShop(database())
  // on loopback and in a workshop's own network there is no TLS; behind a proxy with it set YPEROS_INSECURE_COOKIE=0
  const secure = environment().YPEROS_INSECURE_COOKIE === '0'
  const options: SessionOptions = {
    password: cookieSecret,
    cookieName: 'yperos',
    ttl: SESSION_S,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure, path: '/' },
  }
  return getIronSession<Cookie>(await cookies(), options)
}

/** Starts a session for an account and sets its sealed, http-only cookie. */
export async function startSession(accountId: string): Promise<void> {
  const sealed = await cookie()
  sealed.sessionId = await insertSession(database(), accountId, SESSION_S)
  await sealed.save()
}

/** Ends the session on the server and takes the cookie back. */
export async function endSession(): Promise<void> {
  const sealed = await cookie()
  if (sealed.sessionId) await deleteSession(database(), sealed.sessionId)
  sealed.destroy()
}

/**
 * The session of whoever asks, or null: checked in the database on each request, so a right taken away is gone at once.
 */
export async function currentSession(): Promise<Session | null> {
  const { sessionId } = await cookie()
  return sessionId ? selectSession(database(), sessionId) : null
}

/** Who asks, or null. */
export async function currentUser(): Promise<Account | null> {
  return (await currentSession())?.account ?? null
}

/** @throws AppError `not-signed-in` */
export async function requireSession(): Promise<Session> {
  const session = await currentSession()
  if (!session) throw new AppError('not-signed-in', 'Sign in first.')
  return session
}

/** @throws AppError `not-signed-in` */
export async function requireUser(): Promise<Account> {
  return (await requireSession()).account
}
