import { ColumnMapping } from '@/core/readings/readings-csv'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { upsertMapping } from '@/server/readings/column-mappings'

/** Keeps which column of a logger's file is what, by name. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  const mapping = parseInput(ColumnMapping, await readJson(request))
  await upsertMapping(scope, scope.user.id, mapping)
  return Response.json({ ok: true })
})
