import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import { W } from '@/core/language/server/accounts'
import { database, type Queryable } from '../db/pool'
import { AppError } from '../errors'

/** Wrong passwords for a name from one address before it has to wait, and for how long, s. */
const WRONG_TRIES = 3
const WAIT_S = 10

// one for the process: each limiter keeps a timer of its own, so what has run out is deleted by the housekeeping
// instead
let shared: RateLimiterPostgres | undefined
function limiter(): RateLimiterPostgres {
  shared ??= new RateLimiterPostgres({
    storeClient: database(),
    storeType: 'pool',
    tableName: 'sign_in_attempt',
    tableCreated: true,
    clearExpiredByTimeout: false,
    keyPrefix: 'try',
    points: WRONG_TRIES,
    duration: WAIT_S,
  })
  return shared
}

/** Whoever tries wrong passwords delays himself: the name from that address, nobody else. */
const keyOf = (signIn: string, address: string): string =>
  `${signIn.toLowerCase().slice(0, 80)} ${address.slice(0, 64)}`

/**
 * Counts an attempt to sign in before it is made, so that many at once count as many.
 * @throws AppError `too-many` with the seconds to wait, ten at most
 */
export async function countAttempt(signIn: string, address: string): Promise<void> {
  try {
    await limiter().consume(keyOf(signIn, address))
  } catch (refused) {
    if (refused instanceof Error) throw refused
    const seconds = Math.max(1, Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000))
    throw new AppError('too-many', W.tooManyWrongTriesTry(seconds))
  }
}

/** A right password counts nowhere, and forgets the wrong ones before it. */
export async function forgetAttempts(signIn: string, address: string): Promise<void> {
  await limiter().delete(keyOf(signIn, address))
}

/** Deletes attempts nobody waits for any more. @returns how many */
export async function deleteExpiredAttempts(db: Queryable): Promise<number> {
  const { rowCount } = await db.query('delete from sign_in_attempt where expire < $1', [Date.now()])
  return rowCount ?? 0
}
