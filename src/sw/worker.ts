import { type PrecacheEntry, Serwist } from 'serwist'
import { type Asked, PAGES } from '../ui/offline/asked'

/** The service worker's own globals, as far as they are used here. */
declare const self: {
  __SW_MANIFEST: PrecacheEntry[]
  addEventListener(
    kind: 'message',
    take: (event: { data: unknown; waitUntil(work: Promise<unknown>): void }) => void,
  ): void
  addEventListener(
    kind: 'notificationclick',
    take: (event: { notification: Notification; waitUntil(work: Promise<unknown>): void }) => void,
  ): void
  addEventListener(
    kind: 'fetch',
    take: (event: {
      request: Request
      respondWith(answer: Promise<Response>): void
      stopImmediatePropagation(): void
    }) => void,
  ): void
  clients: { openWindow(url: string): Promise<unknown> }
}

/** A page that does not come within this is shown as it was last seen, where it was, ms. */
const PATIENCE_MS = 5000
/** Pages that are another's business, or make no sense without a server. */
const NEVER = ['/sign-in', '/setup', '/invite', '/offline', '/sign-out', '/authority', '/health']
const OFFLINE = '/offline'

const isKept = (path: string): boolean => !NEVER.some((n) => path === n || path.startsWith(`${n}/`))

/** A page with the moment it was kept written into it, so that its clock can be told right later. */
async function marked(answer: Response): Promise<Response> {
  const headers = new Headers(answer.headers)
  headers.delete('content-length')
  headers.delete('content-encoding')
  const text = (await answer.text()).replace('<html ', `<html data-kept-at="${Date.now()}" `)
  return new Response(text, { status: 200, headers })
}

/** How often everything was forgotten: what was asked for before is not kept after. */
let forgotten = 0

async function keep(path: string, answer: Response, asOf: number): Promise<void> {
  if (!answer.ok || answer.redirected || !isKept(path)) return
  if (!(answer.headers.get('content-type') ?? '').startsWith('text/html')) return
  const page = await marked(answer)
  const cache = await caches.open(PAGES)
  if (asOf === forgotten) await cache.put(path, page)
}

const after = (ms: number): Promise<null> => new Promise((done) => setTimeout(() => done(null), ms))

/** A page from the server; as it was last seen where none comes; what is kept here where it never was. */
async function page({
  request,
  event,
}: {
  request: Request
  event: { waitUntil(work: Promise<unknown>): void }
}): Promise<Response> {
  const path = new URL(request.url).pathname
  const asOf = forgotten
  const kept = await (await caches.open(PAGES)).match(path)
  const asked = fetch(request).then(
    (answer) => {
      if (answer.ok) event.waitUntil(keep(path, answer.clone(), asOf))
      // a server that is there and whose database is not shows less than what was last seen
      return answer.status >= 500 ? null : answer
    },
    () => null,
  )
  const answer = await (kept ? Promise.race([asked, after(PATIENCE_MS)]) : asked)
  return answer ?? kept ?? (await serwist.matchPrecache(OFFLINE)) ?? Response.error()
}

const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [{ matcher: ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate', handler: page }],
})

/**
 * A script of a page's worker under the very address it was asked by: what is kept carries its own, without the part
 * behind the # by which the worker knows what it is.
 */
async function workerScript(request: Request): Promise<Response> {
  const kept = await serwist.matchPrecache(request.url.split('#')[0] as string)
  return kept ? new Response(kept.body, { headers: kept.headers }) : fetch(request)
}

// ahead of the router, which would answer with what is kept as it is
self.addEventListener('fetch', (event) => {
  if (event.request.destination !== 'worker') return
  event.stopImmediatePropagation()
  event.respondWith(workerScript(event.request))
})
serwist.addEventListeners()

self.addEventListener('message', (event) => {
  const asked = event.data as Partial<Asked> | null
  if (asked?.do === 'forget') {
    forgotten += 1
    event.waitUntil(caches.delete(PAGES))
  }
  if (asked?.do === 'keep' && 'path' in asked && typeof asked.path === 'string') {
    const { path } = asked
    const asOf = forgotten
    event.waitUntil(
      fetch(path, { redirect: 'manual' })
        .then((answer) => keep(path, answer, asOf))
        .catch(() => undefined),
    )
  }
})

// an alarm that is tapped leads to the board, where it stands
self.addEventListener('notificationclick', (event) => {
  event.notification.close()
  event.waitUntil(self.clients.openWindow('/board'))
})
