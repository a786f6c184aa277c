import { selectSession } from '../accounts/session-rows'
import type { SessionScope } from '../accounts/user-scope'
import type { Change } from '../jobs/notify'
import { hub } from './hub'

/** Shorter than the patience of any proxy or reader, ms; a session that ended ends its streams within it. */
const PING_MS = 10_000
/** A stream reads the database at most once in this time, ms: a flood of readings becomes a few larger messages. */
const LEAST_GAP_MS = 300
/** Time between two tries while the database is away, ms. */
const RETRY_MS = 500
/** It is said anew so often while it stays away, ms: why it is away changes, and a page asks when it is told. */
const AWAY_AGAIN_MS = 2000

/** What a stream sends next: `id` is where a reader that lost the line resumes. */
export type Message = { id: string; data: unknown }
type Next = () => Promise<(Message & { more?: boolean }) | null>

/**
 * Answers with server-sent events: `next` is asked at once and after each change that `concerns` the stream. Besides
 * its messages it says `away` while the database does not answer and `back` when it does again, and `signed-out` before
 * it ends with its session.
 * @param scope - of the session it was opened under
 * @param ended - called once when its reader is gone, or its session
 * @param next - what is new since the last call, or null; asked again at once while it returns something `more`
 */
export function eventStream(
  request: Request,
  scope: SessionScope,
  concerns: (change: Change | 'reconnected') => boolean,
  next: Next,
  ended: () => void = () => undefined,
): Response {
  const encoder = new TextEncoder()
  const close: (() => void)[] = []
  const end = () => {
    for (const step of close.splice(0)) step()
  }
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const pump = makePump(next, (text) => controller.enqueue(encoder.encode(text)))
      const hangUp = () => {
        if (close.length === 0) return
        end()
        controller.close()
      }
      const ping = setInterval(() => void stillSignedIn(scope, pump, hangUp), PING_MS)
      const unsubscribe = hub().subscribe((change) => concerns(change) && pump.wake())
      close.push(unsubscribe, () => clearInterval(ping), pump.stop, ended)
      request.signal.addEventListener('abort', hangUp)
      pump.send('retry: 500\n\n')
      pump.wake()
    },
    cancel: end,
  })
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  })
}

async function stillSignedIn(scope: SessionScope, pump: Pump, hangUp: () => void): Promise<void> {
  try {
    const stands = (await selectSession(scope, scope.sessionId)) !== null
    pump.send(named(stands ? 'ping' : 'signed-out'))
    if (!stands) hangUp()
  } catch {
    // a database that is away has ended no session, and a line behind which it is away is not said to be well
    pump.wake()
  }
}

/** A message that says what became of the line rather than what is new. */
const named = (name: 'away' | 'back' | 'ping' | 'signed-out'): string => `event: ${name}\ndata: {}\n\n`

type Pump = ReturnType<typeof makePump>

function makePump(next: Next, write: (text: string) => void) {
  let busy = false
  let dirty = false
  let stopped = false
  /** when it was last said that the database is away, ms; null while it answers */
  let saidAwayMs: number | null = null
  let lastMs = 0
  const send = (text: string) => {
    if (!stopped) write(text)
  }
  const turn = async (): Promise<void> => {
    try {
      const message = await next()
      if (saidAwayMs !== null) send(named('back'))
      saidAwayMs = null
      if (message) send(`id: ${message.id}\ndata: ${JSON.stringify(message.data)}\n\n`)
      if (message?.more) dirty = true
    } catch {
      // the database is away: nothing is lost, it is asked again until it answers
      if (saidAwayMs === null || Date.now() - saidAwayMs >= AWAY_AGAIN_MS) {
        send(named('away'))
        saidAwayMs = Date.now()
      }
      await new Promise((done) => setTimeout(done, RETRY_MS))
      dirty = true
    }
  }
  const run = async (): Promise<void> => {
    busy = true
    do {
      dirty = false
      const wait = lastMs + LEAST_GAP_MS - Date.now()
      if (wait > 0) await new Promise((done) => setTimeout(done, wait))
      lastMs = Date.now()
      await turn()
    } while (dirty && !stopped)
    busy = false
  }
  const wake = () => {
    dirty = true
    if (!busy && !stopped) void run()
  }
  return {
    send,
    wake,
    stop: () => {
      stopped = true
    },
  }
}
