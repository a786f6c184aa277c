import type { IncomingMessage, ServerResponse } from 'node:http'
import type { Asked } from '@/server/http'

/**
 * A request of Node's as our handlers ask for one, its body still to be read: a web's own would cost as much as the
 * rest.
 */
export function asked(request: IncomingMessage): Asked {
  return {
    method: request.method ?? 'GET',
    url: request.url ?? '/',
    headers: {
      get: (name) => {
        const value = request.headers[name]
        return (Array.isArray(value) ? value.join(', ') : value) ?? null
      },
    },
    body: {
      getReader: () => {
        // what is left unread is not thrown away with it: the door does that, behind the answer
        const pieces = request.iterator({ destroyOnReturn: false })
        return { read: () => pieces.next(), releaseLock: () => void pieces.return?.() }
      },
    },
  }
}

/** Writes a whole answer, small enough to be held. */
export async function writeAnswer(answer: Response, response: ServerResponse): Promise<void> {
  const body = Buffer.from(await answer.arrayBuffer())
  response.writeHead(answer.status, { ...Object.fromEntries(answer.headers), 'content-length': body.byteLength })
  response.end(body)
}
