import { redirect } from 'next/navigation'
import { cache } from 'react'
import { database } from '../db/pool'
import { findShop } from '../shop/shop'
import { currentScope } from './session'
import type { SessionScope } from './user-scope'

/**
 * Who views a page, found once for its frame and what stands in it; a visitor without a session is sent to sign in, the
 * first of all to set the shop up.
 */
export const forPage: () => Promise<SessionScope> = cache(async () => {
  if (!(await findShop(database()))) redirect('/setup')
  return (await currentScope()) ?? redirect('/sign-in')
})
