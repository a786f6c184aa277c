import { getIronSession, type IronSession, type SessionOptions } from 'iron-session'
import { cookies, headers } from 'next/headers'
import { W } from '@/core/language/server/accounts'
import { database } from '../db/pool'
import { scopeOf } from '../db/scope'
import { environment } from '../environment'
import { AppError } from '../errors'
import { type Shop, selectShop } from '../shop/shop'
import { deleteSession, insertSession, selectSession } from './session-rows'
import { onBehalf, type SessionScope } from './user-scope'

/** How long a sign-in lasts, s: a working day and the way home. */
const SESSION_S = 14 * 3600

type Cookie = { sessionId?: string }

async function cookie({ cookieSecret }: Shop): Promise<IronSession<Cookie>> {
  // on loopback there is no TLS; through a proxy that speaks it the cookie goes by TLS only
  const byTls = (await headers()).get('x-forwarded-proto') === 'https'
  const secure = byTls || environment().YPEROS_INSECURE_COOKIE === '0'
  const options: SessionOptions = {
    password: cookieSecret,
    cookieName: environment().YPEROS_COOKIE,
    ttl: SESSION_S,
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure, path: '/' },
  }
  return getIronSession<Cookie>(await cookies(), options)
}

/** Starts a session for an account of the shop and sets its sealed, http-only cookie. */
export async function startSession(shop: Shop, accountId: string): Promise<void> {
  const sealed = await cookie(shop)
  sealed.sessionId = await insertSession(database(), accountId, SESSION_S)
  await sealed.save()
}

/** Ends the session on the server and takes the cookie back. */
export async function endSession(shop: Shop): Promise<void> {
  const sealed = await cookie(shop)
  if (sealed.sessionId) await deleteSession(database(), sealed.sessionId)
  sealed.destroy()
}

/**
 * Who asks and for which shop, or null: checked in the database on each request, so a right taken away is gone at once.
 */
export async function currentScope(): Promise<SessionScope | null> {
  const shop = await selectShop(database())
  const { sessionId } = await cookie(shop)
  const session = sessionId ? await selectSession(scopeOf(shop.id), sessionId) : null
  return session && { ...onBehalf(scopeOf(shop.id), session.account), shop, sessionId: session.id }
}

/** The scope of a request of somebody who is signed in. @throws AppError `not-signed-in` */
export async function forUser(): Promise<SessionScope> {
  const scope = await currentScope()
  if (!scope) throw new AppError('not-signed-in', W.signInFirst)
  return scope
}
