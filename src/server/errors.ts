import { W } from '@/core/language/server'

/** Outcomes a client must hear about, with the status each answers. */
const STATUS = {
  'bad-input': 400,
  'not-signed-in': 401,
  'not-allowed': 403,
  'not-found': 404,
  conflict: 409,
  'already-signed': 409,
  'too-slow': 408,
  'too-large': 413,
  'not-json': 415,
  'too-many': 429,
  away: 503,
} as const
export type AppErrorCode = keyof typeof STATUS

/** One fault of an input: where (a path such as `readings[3].value`) and what is expected there. */
export type Fault = { path: string; reason: string }

/** An error the caller can mend; anything else is our defect and answers 500. */
export class AppError extends Error {
  readonly code: AppErrorCode
  readonly faults: Fault[]
  /** what else the answer carries: what the caller needs to go on */
  readonly more: Readonly<Record<string, unknown>>

  constructor(
    code: AppErrorCode,
    message: string,
    faults: Fault[] = [],
    cause?: unknown,
    more: Readonly<Record<string, unknown>> = {},
  ) {
    super(message, { cause })
    this.name = 'AppError'
    this.code = code
    this.faults = faults
    this.more = more
  }

  get status(): number {
    return STATUS[this.code]
  }
}

export const notFound = (what: string): AppError => new AppError('not-found', W.isNotHere(what))
