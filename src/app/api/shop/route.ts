import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { changeShop, ShopChange } from '@/server/shop/change-shop'

/** What only the lead may change: procedures, accounts. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  return Response.json(await changeShop(scope, parseInput(ShopChange, await readJson(request))))
})
