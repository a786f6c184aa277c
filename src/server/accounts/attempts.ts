import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import { database } from '../db/pool'
import { AppError } from '../errors'

/** Wrong passwords allowed in a quarter of an hour: per sign-in name, and per address that asks. */
const PER_NAME = 8
const PER_ADDRESS = 40
const WINDOW_S = 900

const limiter = (keyPrefix: string, points: number) =>
  new RateLimiterPostgres({ storeClient: database(), tableName: 'sign_in_attempt', tableCreated: true, keyPrefix, points, duration: WINDOW_S })

/**
 * Counts an attempt to sign in before it is made.
 * @throws AppError `too-many` with the minutes to wait
 */
export async function countAttempt(signIn: string, address: string): Promise<void> {
  try {
    await limiter('name', PER_NAME).consume(signIn.toLowerCase())
    await limiter('address', PER_ADDRESS).consume(address)
  } catch (refused) {
    if (refused instanceof Error) throw refused
    const minutes = Math.ceil((refused as RateLimiterRes).msBeforeNext / 60_000)
    throw new AppError('too-many', `Too many attempts. Try again in ${minutes} min.`)
  }
}

/** A right password forgets the wrong ones of that name before it, and gives its own attempt back to the address. */
export async function forgetAttempts(signIn: string, address: string): Promise<void> {
  await limiter('name', PER_NAME).delete(signIn.toLowerCase())
  await limiter('address', PER_ADDRESS).reward(address)
}
