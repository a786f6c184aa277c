import pg from 'pg'
import { environment } from '../environment'

/** A pool or a client inside a transaction. */
export type Queryable = { query: pg.Pool['query'] }
export type Transaction = pg.PoolClient

// one pool per process, also across the reloads of a development server
const shared = globalThis as unknown as { yperosPool?: pg.Pool }

/** The process's pool on DATABASE_URL. */
export function database(): pg.Pool {
  if (!shared.yperosPool) {
    shared.yperosPool = new pg.Pool({ connectionString: environment().DATABASE_URL, max: 12, application_name: 'yperos' })
    // an idle connection that the server closes is replaced at the next query; without a listener it would end the process
    shared.yperosPool.on('error', () => undefined)
  }
  return shared.yperosPool
}

/** Runs `work` in one transaction on one connection: committed when it returns, rolled back when it throws. */
export async function transaction<T>(pool: pg.Pool, work: (tx: Transaction) => Promise<T>): Promise<T> {
  const client = await pool.connect()
  let broken: Error | undefined
  try {
    await client.query('begin')
    const result = await work(client)
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
