import { W } from '@/core/language/server/readings'
import { type Asked, handle, readText } from '../http'
import { forSender, ingest } from './ingest'

/**
 * The one way in for instruments: batched NDJSON with a device token, answered after the commit. Answered by the web
 * server itself, ahead of the pages: it is asked many times a second, by programs.
 */
export const answerIngest: (asked: Asked) => Promise<Response> = (asked) => take(asked, undefined)

const take = handle<undefined, Asked>(async (request) => {
  if (request.method !== 'POST')
    return Response.json(
      { error: 'bad-input', message: W.readingsAreSentByPost, faults: [] },
      { status: 405, headers: { allow: 'POST' } },
    )
  const device = await forSender(request)
  return Response.json(await ingest(device, await readText(request)), { status: 202 })
})
