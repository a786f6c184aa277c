import { handle, readText } from '@/server/http'
import { forDevice, ingest } from '@/server/readings/ingest'

/** The one way in for instruments: batched NDJSON with a device token, answered after the commit. */
export const POST = handle(async (request) => {
  const device = await forDevice(request)
  return Response.json(await ingest(device, await readText(request)), { status: 202 })
})
