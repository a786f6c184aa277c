import { forUser } from '@/server/accounts/session'
import { changeShelf, ShelfChange } from '@/server/equipment/change-shelf'
import { handle, parseInput, readJson } from '@/server/http'

/** The shelf, the rigs made of it, and what was done to it. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  await changeShelf(scope, parseInput(ShelfChange, await readJson(request)))
  return Response.json({ ok: true })
})
