import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import { Worker } from 'node:worker_threads'
import next from 'next'
import { database } from '@/server/db/pool'
import { environment } from '@/server/environment'
import { keepHouse } from '@/server/housekeeping'
import { tellWrong } from '@/server/live/wrong'
import { log } from '@/server/log'
import { answerIngest } from '@/server/readings/ingest-handler'
import { ADDRESS_HEADER } from '@/server/sender'
import { addressOf, hostsOf, listOf, turnedAway } from './door'
import { lingerBehind } from './linger'
import { asked, writeAnswer } from './web-request'

/**
 * Longer than any client or proxy keeps a line idle: a line closed at the moment it is used again loses a request, ms.
 */
const KEEP_ALIVE_MS = 75_000
/** A request that has not arrived whole by then is cut, ms. */
const SLOWEST_MS = 30_000
/** Requests under way when it is told to stop may finish so long, ms; streams and idle lines do not hold it up. */
const GRACE_MS = 700

/** Where instruments send what they measure. */
const INGEST = '/api/ingest'

/** What every answer of the API carries besides its own. */
const API_HEADERS = {
  'x-content-type-options': 'nosniff',
  'cache-control': 'no-store',
  'content-security-policy': `default-src 'none'; frame-ancestors 'none'`,
  'referrer-policy': 'no-referrer',
  'cross-origin-resource-policy': 'same-origin',
}

const [host = '127.0.0.1', port = '4600'] = process.argv.slice(2)
const { YPEROS_HOSTS, YPEROS_PROXY, YPEROS_WATCH } = environment()
const hosts = hostsOf(host, YPEROS_HOSTS)
const proxies = listOf(YPEROS_PROXY)

const app = next({ dev: false, dir: process.env.YPEROS_ROOT ?? process.cwd(), hostname: host, port: Number(port) })
await app.prepare()
const answer = app.getRequestHandler()

// looked for every few seconds: Node's own half a minute would double what a slow sender gets
const server = createServer({ connectionsCheckingInterval: 5000 }, (request, response) => void take(request, response))
server.keepAliveTimeout = KEEP_ALIVE_MS
server.headersTimeout = SLOWEST_MS / 2
server.requestTimeout = SLOWEST_MS

async function take(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { headers, method = 'GET', url = '/' } = request
  lingerBehind(request)
  if (url.startsWith('/api/')) for (const [name, value] of Object.entries(API_HEADERS)) response.setHeader(name, value)
  const away = turnedAway(
    {
      method,
      url,
      host: headers.host,
      origin: headers.origin,
      fetchSite: headers['sec-fetch-site'] as string | undefined,
    },
    hosts,
  )
  if (away) {
    // nothing of the body is read: the line is closed behind the answer
    response.writeHead(away.status, { 'content-type': 'application/json', connection: 'close' })
    response.end(JSON.stringify({ error: away.code, message: away.message, faults: [] }))
    return
  }
  headers[ADDRESS_HEADER] = addressOf(
    request.socket.remoteAddress,
    headers['x-forwarded-for'] as string | undefined,
    proxies,
  )
  try {
    if (url === INGEST || url.startsWith(`${INGEST}?`))
      return await writeAnswer(await answerIngest(asked(request)), response)
    await answer(request, response)
  } catch (error) {
    log.error({ err: error, url }, 'the page server failed')
    if (!response.headersSent) response.writeHead(500)
    response.end()
  }
}

/** A watch that ended is started anew after this, ms. */
const WATCH_AGAIN_MS = 2000

/** Watches what runs in a thread beside the one that answers pages. */
function watchApart(): void {
  const thread = new Worker(new URL('./watch-thread.mjs', import.meta.url))
  thread.on('error', (error) => log.error({ err: error }, 'the watch failed'))
  thread.on('exit', () => {
    if (!stopping) setTimeout(watchApart, WATCH_AGAIN_MS)
  })
}

let stopping = false
function stop(): void {
  if (stopping) return
  stopping = true
  server.close()
  server.closeIdleConnections()
  setTimeout(() => {
    server.closeAllConnections()
    void database()
      .end()
      .catch(() => undefined)
      .then(() => process.exit(0))
    // a database that does not answer keeps nobody waiting
    setTimeout(() => process.exit(0), GRACE_MS)
  }, GRACE_MS)
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, stop)
// the start command says here what keeps the database away, so that pages can say it
process.on('message', (message) => tellWrong(message))

keepHouse()
if (YPEROS_WATCH === 'here') watchApart()
server.listen(Number(port), host)
