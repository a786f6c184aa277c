import { W } from '@/core/language/pages/setup-route'
import { ShopSetUp } from '@/core/shop/set-up'
import { startSession } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { setUpShop } from '@/server/shop/set-up-shop'
import { findShop } from '@/server/shop/shop'

/**
 * Sets up the shop of an installation that has none, and signs its first person in; needs no session, there is none.
 */
export const POST = handle(async (request) => {
  if (await findShop(database())) throw new AppError('conflict', W.aShopIsOpenHere)
  const { shop, accountId } = await setUpShop(parseInput(ShopSetUp, await readJson(request)), new Date())
  await startSession(shop, accountId)
  return Response.json({ name: shop.name }, { status: 201 })
})
