import type { Scope } from '../db/scope'
import type { Shop } from '../shop/shop'
import type { Account } from './accounts'

/** A scope of somebody who is signed in. */
export type UserScope = Scope & { readonly user: Account }

/** Who asks, by a session that stands, and the shop it is of. */
export type SessionScope = UserScope & { readonly shop: Shop; readonly sessionId: string }

/** The same scope on behalf of somebody. */
export const onBehalf = (scope: Scope, user: Account): UserScope => ({ ...scope, user })
