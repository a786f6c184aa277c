import type * as z from 'zod'
import { OutOfRange, Unreadable } from '@/core/errors'
import { W } from '@/core/language/server'
import { isAway } from './db/away'
import { AppError, type Fault } from './errors'
import { log } from './log'

/** Largest body taken, bytes: 600 readings of 200 bytes and room to spare. */
const LARGEST_BODY = 512 * 1024
/** Longest time a body may take to arrive, ms. */
const SLOWEST_BODY_MS = 30_000

/** What is asked, as far as a handler of ours looks at it: the web's own kind, or a line of Node's as it is. */
export type Asked = {
  method: string
  url: string
  headers: { get(name: string): string | null }
  body: { getReader(): BodyReader } | null
}
type BodyReader = {
  read(): Promise<{ done?: boolean | undefined; value?: Uint8Array | undefined }>
  releaseLock(): void
}

type Handler<C, A extends Asked = Request> = (request: A, context: C) => Promise<Response>

/** Turns what a handler throws into an answer; the only place that does. */
export function handle<C, A extends Asked = Request>(work: Handler<C, A>): Handler<C, A> {
  return async (request, context) => {
    try {
      return await work(request, context)
    } catch (error) {
      return answerError(error, request)
    }
  }
}

function answerError(error: unknown, request: Asked): Response {
  const known = knownError(error)
  if (known) {
    // what was not read of a body that was cut is not waited for
    const close = known.code === 'too-large' || known.code === 'too-slow' ? { headers: { connection: 'close' } } : {}
    return Response.json(
      { ...known.more, error: known.code, message: known.message, faults: known.faults },
      { status: known.status, ...close },
    )
  }
  log.error({ err: error, url: new URL(request.url, 'http://here').pathname }, 'unexpected failure')
  return Response.json({ error: 'internal', message: W.somethingFailedOnOurSide, faults: [] }, { status: 500 })
}

function knownError(error: unknown): AppError | null {
  if (error instanceof AppError) return error
  if (error instanceof OutOfRange || error instanceof Unreadable) return new AppError('bad-input', error.message)
  return isAway(error) ? new AppError('away', W.theDatabaseIsAwayNothing, [], error) : null
}

/** A path in the way JSON tools write it, such as `readings[3].value`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    '',
  )
}

/**
 * Parses with a Zod schema.
 * @throws AppError `bad-input` with the path and reason of every fault
 */
export function parseInput<S extends z.ZodType>(schema: S, input: unknown): z.infer<S> {
  const result = schema.safeParse(input)
  if (result.success) return result.data
  const faults: Fault[] = result.error.issues.map((issue) => ({ path: pathText(issue.path), reason: issue.message }))
  const first = faults[0]
  throw new AppError('bad-input', first ? `${first.path || 'input'}: ${first.reason}` : W.badInput, faults)
}

const TOO_LARGE = W.theRequestIsLargerThan

/**
 * The body as text, read as it comes: cut at 512 KiB, and after 30 s.
 * @throws AppError `too-large`, `too-slow`, `bad-input` when it is not UTF-8
 */
export const readText = async (request: Asked): Promise<string> =>
  decode(await readBytes(request, LARGEST_BODY, TOO_LARGE))

/**
 * The body as bytes, read as it comes: cut at its largest, and after 30 s.
 * @throws AppError `too-large` with these words, `too-slow`
 */
export async function readBytes(request: Asked, largest: number, tooLarge: string): Promise<Buffer> {
  if (Number(request.headers.get('content-length') ?? 0) > largest) throw new AppError('too-large', tooLarge)
  const reader = request.body?.getReader()
  if (!reader) return Buffer.alloc(0)
  const pieces: Uint8Array[] = []
  let size = 0
  const tooSlow = sleep(SLOWEST_BODY_MS)
  try {
    for (;;) {
      const piece = await Promise.race([reader.read(), tooSlow.over])
      if (piece === 'over') throw new AppError('too-slow', W.theRequestDidNotArrive)
      if (piece.done || !piece.value) break
      size += piece.value.byteLength
      if (size > largest) throw new AppError('too-large', tooLarge)
      pieces.push(piece.value)
    }
  } catch (error) {
    // what is still to come is thrown away by the door behind the answer: cancelled here, the line would be reset and
    // the reset could overtake the answer
    reader.releaseLock()
    throw error
  } finally {
    tooSlow.clear()
  }
  return Buffer.concat(pieces)
}

function decode(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch (cause) {
    throw new AppError('bad-input', W.theBodyIsNotUtf, [{ path: '', reason: W.aByteThatIsNo }], cause)
  }
}

function sleep(ms: number): { over: Promise<'over'>; clear: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined
  const over = new Promise<'over'>((resolve) => {
    timer = setTimeout(() => resolve('over'), ms)
  })
  return { over, clear: () => clearTimeout(timer) }
}

/**
 * The body as JSON; a form of another site cannot send that type.
 * @throws AppError `not-json`, `bad-input`, and those of `readText`
 */
export async function readJson(request: Request): Promise<unknown> {
  const type = request.headers.get('content-type')
  // a program that names no type at all is let by: a browser always names one
  if (type !== null && !/^application\/json\b/i.test(type)) throw new AppError('not-json', W.sendJsonWithContentType)
  const text = await readText(request)
  try {
    return JSON.parse(text)
  } catch (cause) {
    throw new AppError('bad-input', W.theBodyIsNotJson, [{ path: '', reason: (cause as Error).message }], cause)
  }
}

/** The address somebody reached the server by, as their browser spelled it; @param asked - the request's headers */
export const addressOf = (asked: Headers): string =>
  `${asked.get('x-forwarded-proto') ?? 'http'}://${asked.get('host') ?? 'localhost'}`
