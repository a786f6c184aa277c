import type { Change } from '../jobs/notify'
import { hub } from './hub'

/** Shorter than the patience of any proxy or reader, ms. */
const PING_MS = 10_000
/** A stream reads the database at most once in this time, ms: a flood of readings becomes a few larger messages. */
const LEAST_GAP_MS = 200

/** Time between two tries while the database is away, ms. */
const RETRY_MS = 500

/** What a stream sends next: `id` is where a reader that lost the line resumes. */
export type Message = { id: string; data: unknown }

/**
 * Answers with server-sent events: `next` is asked at once and after each change that `concerns` the stream.
 * @param next - what is new since the last call, or null; asked again at once while it returns something `more`
 */
export function eventStream(request: Request, concerns: (change: Change | 'reconnected') => boolean, next: () => Promise<(Message & { more?: boolean }) | null>): Response {
  const encoder = new TextEncoder()
  const close: (() => void)[] = []
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const pump = makePump(next, (text) => controller.enqueue(encoder.encode(text)))
      const ping = setInterval(() => pump.send(': ping\n\n'), PING_MS)
      const unsubscribe = hub().subscribe((change) => concerns(change) && pump.wake())
      close.push(unsubscribe, () => clearInterval(ping), pump.stop)
      request.signal.addEventListener('abort', () => {
        for (const step of close.splice(0)) step()
        controller.close()
      })
      pump.send('retry: 500\n\n')
      pump.wake()
    },
    cancel() {
      for (const step of close.splice(0)) step()
    },
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } })
}

function makePump(next: () => Promise<(Message & { more?: boolean }) | null>, write: (text: string) => void) {
  let busy = false
  let dirty = false
  let stopped = false
  let lastMs = 0
  const send = (text: string) => {
    if (!stopped) write(text)
  }
  const run = async (): Promise<void> => {
    busy = true
    do {
      dirty = false
      const wait = lastMs + LEAST_GAP_MS - Date.now()
      if (wait > 0) await new Promise((done) => setTimeout(done, wait))
      lastMs = Date.now()
      try {
        const message = await next()
        if (message) send(`id: ${message.id}\ndata: ${JSON.stringify(message.data)}\n\n`)
        if (message?.more) dirty = true
      } catch {
        // the database is away: nothing is lost, it is asked again until it answers
        send(': waiting for the database\n\n')
        await new Promise((done) => setTimeout(done, RETRY_MS))
        dirty = true
      }
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
