import type { IncomingMessage, ServerResponse } from 'node:http'
import { Readable } from 'node:stream'

/** A request of Node's as the web's own kind, its body still to be read. */
export function webRequest(request: IncomingMessage): Request {
  const headers = new Headers()
  for (const [name, value] of Object.entries(request.headers))
    for (const one of Array.isArray(value) ? value : [value]) if (one !== undefined) headers.append(name, one)
  const method = request.method ?? 'GET'
  const body = method === 'GET' || method === 'HEAD' ? null : (Readable.toWeb(request) as ReadableStream<Uint8Array>)
  return new Request(`http://${headers.get('host') ?? 'here'}${request.url ?? '/'}`, {
    method,
    headers,
    body,
    ...(body && { duplex: 'half' }),
  } as RequestInit)
}

/** Writes a whole answer, small enough to be held. */
export async function writeAnswer(answer: Response, response: ServerResponse): Promise<void> {
  const body = Buffer.from(await answer.arrayBuffer())
  response.writeHead(answer.status, { ...Object.fromEntries(answer.headers), 'content-length': body.byteLength })
  response.end(body)
}
