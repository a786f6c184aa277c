import { ColumnMapping } from '@/core/readings/readings-csv'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle, parseInput, readJson } from '@/server/http'
import { upsertMapping } from '@/server/readings/column-mappings'

/** Keeps which column of a logger's file is what, by name. */
export const POST = handle(async (request) => {
  const user = await requireUser()
  const mapping = parseInput(ColumnMapping, await readJson(request))
  await upsertMapping(database(), user.id, mapping)
  return Response.json({ ok: true })
})
