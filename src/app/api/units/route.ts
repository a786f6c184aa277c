import { Units } from '@/core/units/shown'
import { setUnits } from '@/server/accounts/accounts'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'

/** The units whoever is signed in thinks in. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  await setUnits(scope, scope.user.id, parseInput(Units, await readJson(request)))
  return Response.json({ ok: true })
})
