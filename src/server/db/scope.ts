import { W } from '@/core/language/server'
import { AppError } from '../errors'
import { database, type Queryable, type Transaction, transaction } from './pool'

/**
 * For which shop something is asked, and on which connection: whatever reads or writes a shop's rows takes one and
 * names its shop in the query.
 */
export type Scope = Queryable & { readonly shopId: number }

/** A scope inside a transaction: what is written together stands or falls together. */
export type TxScope<S extends Scope = Scope> = S & { readonly inTransaction: true }

/** What a device may ask for: its own shop's. */
export type DeviceScope = Scope & {
  readonly device: {
    id: string
    kind: 'instruments' | 'bench'
    /** of the token it came with: the question that finds its instruments makes sure that it still opens something */
    tokenHash?: string
  }
}

/** A shop's scope on the process's pool, or on a connection of its own. */
export function scopeOf(shopId: number, db: Queryable = database()): Scope {
  return { shopId, query: db.query.bind(db) as Queryable['query'] }
}

/** Runs `work` in one transaction on one connection: committed when it returns, rolled back when it throws. */
export function inTransaction<S extends Scope, T>(scope: S, work: (tx: TxScope<S>) => Promise<T>): Promise<T> {
  return transaction(database(), (client: Transaction) =>
    work({ ...scope, query: client.query.bind(client) as Queryable['query'], inTransaction: true }),
  )
}

/**
 * Turns the database's refusal of a second thing of one name into words.
 * @throws AppError `conflict` naming the field
 */
export async function namedOnce<T>(work: Promise<T>): Promise<T> {
  return work.catch((error: { code?: string }) => {
    throw error.code === '23505'
      ? new AppError('conflict', W.thatNameIsTaken, [{ path: 'name', reason: W.isTaken }], error)
      : error
  })
}
