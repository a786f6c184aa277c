import type { Scope } from '../db/scope'

/** What changed, told to every web server on this database when the transaction commits. */
export type Change = {
  shop: number
  job: string
  readings?: number
  events?: number
  judged?: true
  alarms?: true
  here?: true
  /** of the shop's day rather than of a job: something it is planned from changed, or the plan did */
  day?: 'asked' | 'planned'
}
export const CHANGE_CHANNEL = 'yperos_change'

export async function notifyChange(db: Scope, change: Omit<Change, 'shop'>): Promise<void> {
  await db.query('select pg_notify($1, $2)', [CHANGE_CHANNEL, JSON.stringify({ shop: db.shopId, ...change })])
}

/** Tells that the shop's day is to be planned anew, or was. */
export const notifyDay = (db: Scope, day: 'asked' | 'planned'): Promise<void> => notifyChange(db, { job: '', day })
