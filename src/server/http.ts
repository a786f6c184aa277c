import type { z } from 'zod'
import { OutOfRange, Unreadable } from '@/core/errors'
import { AppError, type Fault } from './errors'
import { log } from './log'

/** Largest body taken, bytes: 600 readings of 200 bytes and room to spare. */
const LARGEST_BODY = 512 * 1024

type Handler<C> = (request: Request, context: C) => Promise<Response>

/** Turns what a handler throws into an answer; the only place that does. */
export function handle<C>(work: Handler<C>): Handler<C> {
  return async (request, context) => {
    try {
      return await work(request, context)
    } catch (error) {
      return answerError(error, request)
    }
  }
}

function answerError(error: unknown, request: Request): Response {
  const known = error instanceof OutOfRange || error instanceof Unreadable ? new AppError('bad-input', error.message) : error
  if (known instanceof AppError) {
    return Response.json({ error: known.code, message: known.message, faults: known.faults }, { status: known.status })
  }
  log.error({ err: error, url: new URL(request.url).pathname }, 'unexpected failure')
  return Response.json({ error: 'internal', message: 'Something failed on our side; nothing was half-written. Try again.', faults: [] }, { status: 500 })
}

/** A path in the way JSON tools write it, such as `readings[3].value`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)), '')
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
  throw new AppError('bad-input', first ? `${first.path || 'input'}: ${first.reason}` : 'bad input', faults)
}

/** The body as text, at most 512 KiB. */
export async function readText(request: Request): Promise<string> {
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) throw new AppError('too-large', 'the request is larger than 512 KiB: send fewer readings at a time')
  const text = await request.text()
  if (text.length > LARGEST_BODY) throw new AppError('too-large', 'the request is larger than 512 KiB: send fewer readings at a time')
  return text
}

/** The body as JSON. */
export async function readJson(request: Request): Promise<unknown> {
  const text = await readText(request)
  try {
    return JSON.parse(text)
  } catch (cause) {
    throw new AppError('bad-input', 'the body is not JSON', [{ path: '', reason: (cause as Error).message }], cause)
  }
}
