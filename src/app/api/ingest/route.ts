import { database } from '@/server/db/pool'
import { handle, readText } from '@/server/http'
import { ingest, requireDevice } from '@/server/readings/ingest'

/** The one way in for instruments: batched NDJSON with a device token, answered after the commit. */
export const POST = handle(async (request) => {
  const device = await requireDevice(database(), request)
  return Response.json(await ingest(device.id, await readText(request)), { status: 202 })
})
