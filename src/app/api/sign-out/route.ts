import { endSession } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle } from '@/server/http'
import { selectShop } from '@/server/shop/shop'

/** Ends the session, if there is one: whoever is signed out already is signed out. */
export const POST = handle(async () => {
  await endSession(await selectShop(database()))
  return Response.json({ ok: true })
})
