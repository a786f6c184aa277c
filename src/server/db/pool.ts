import { AsyncLocalStorage } from 'node:async_hooks'
import pg from 'pg'
import { environment } from '../environment'

/** A pool or a client inside a transaction. */
export type Queryable = { query: pg.Pool['query'] }
export type Transaction = pg.PoolClient

/** Connections of one process; each transaction takes one. */
const MOST = 12
/** A shop is quiet for minutes: the next page finds its connections open, ms. */
const OPEN_FOR_MS = 10 * 60_000
/** No request waits longer for a connection, no statement runs longer, no transaction idles longer than this, ms. */
const TIMEOUTS = {
  connectionTimeoutMillis: 10_000,
  statement_timeout: 30_000,
  idle_in_transaction_session_timeout: 20_000,
} as const

// one pool per process, also across the reloads of a development server
const shared = globalThis as unknown as { yperosPool?: pg.Pool; yperosInside?: AsyncLocalStorage<true> }

/** Set while the code that runs holds a transaction's connection. */
const inside = (): AsyncLocalStorage<true> => {
  shared.yperosInside ??= new AsyncLocalStorage<true>()
  return shared.yperosInside
}

/**
 * A pool that refuses a second connection to whoever holds one in a transaction: as many requests as there are
 * connections, each waiting for one more, would wait for each other for ever.
 */
class OnePool extends pg.Pool {
  override connect(...given: unknown[]): Promise<pg.PoolClient> {
    if (inside().getStore())
      throw new Error('a second connection was asked for inside a transaction: hand the transaction on instead')
    return (super.connect as (...all: unknown[]) => Promise<pg.PoolClient>)(...given)
  }
}

/** A pool on `connectionString` with our timeouts, which does not die with an idle connection. */
export function makePool(connectionString: string, max = MOST): pg.Pool {
  const pool = new OnePool({
    connectionString,
    max,
    idleTimeoutMillis: OPEN_FOR_MS,
    application_name: 'yperos',
    ...TIMEOUTS,
  })
  // a connection that dies while nobody asks it anything, idle or between two questions of a transaction, fails the
  // next question or is replaced; without these listeners it would end the process
  pool.on('error', () => undefined)
  pool.on('connect', (client) => client.on('error', () => undefined))
  return pool
}

/** The process's pool on DATABASE_URL. */
export function database(): pg.Pool {
  shared.yperosPool ??= makePool(environment().DATABASE_URL)
  return shared.yperosPool
}

/** A connection of its own for whoever needs one for long, or before the pool may be used; the caller ends it. */
export async function openClient(connectionString: string): Promise<pg.Client> {
  // a line that is taken up and never answered, as behind a database that was just killed, is given up
  const client = new pg.Client({ connectionString, application_name: 'yperos', connectionTimeoutMillis: 5000 })
  // a connection that dies between two questions fails the next one; without a listener it would end the process
  client.on('error', () => undefined)
  await client.connect()
  return client
}

/** Runs `work` in one transaction on one connection: committed when it returns, rolled back when it throws. */
export async function transaction<T>(pool: pg.Pool, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const client = await pool.connect()
  let broken: Error | undefined
  try {
    await client.query('begin')
    const result = await inside().run(true, () => work(client))
    await client.query('commit')
    return result
  } catch (error) {
    await client.query('rollback').catch((e: Error) => {
      broken = e
    })
    throw error
  } finally {
    client.release(broken)
  }
}
