import type pg from 'pg'
import { transaction } from '../db/pool'

/**
 * Months that have a partition of their own: the last, this one and the next; every other reading lies in the
 * catch-all.
 */
const AROUND = [-1, 0, 1] as const

/** First moments of the months around `now`, UTC. */
export const monthsAround = (now: Date): Date[] =>
  AROUND.map((n) => new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() + n, 1)))

/**
 * Makes the partitions of the months around `now`; called at the start and every hour, never by a request, so that no
 * reading waits for one. What lay in the catch-all for such a month (a simulated clock that ran ahead, a dated file)
 * moves into its partition.
 */
export async function keepPartitions(pool: pg.Pool, now = new Date()): Promise<void> {
  for (const month of monthsAround(now)) await keepPartition(pool, month)
}

async function keepPartition(pool: pg.Pool, month: Date): Promise<void> {
  const name = `reading_${month.toISOString().slice(0, 7).replace('-', '_')}`
  const next = new Date(Date.UTC(month.getUTCFullYear(), month.getUTCMonth() + 1, 1))
  const there = await pool.query<{ oid: string | null }>('select to_regclass($1)::text as oid', [name])
  if (there.rows[0]?.oid) return
  await transaction(pool, async (tx) => {
    // whoever holds the readings is let finish first; if that takes too long the month stays in the catch-all until the
    // next try
    await tx.query(`set local lock_timeout = '10s'`)
    // two servers meet a new month together: one makes it, the other finds it
    await tx.query('select pg_advisory_xact_lock(460001)')
    const { rows } = await tx.query<{ oid: string | null }>('select to_regclass($1)::text as oid', [name])
    if (rows[0]?.oid) return
    await tx.query('lock table reading_other in access exclusive mode')
    await tx.query(`create table ${name} (like reading including defaults including constraints)`)
    await tx.query(
      `with moved as (delete from reading_other where measured_at >= $1 and measured_at < $2 returning *)
       insert into ${name} select * from moved`,
      [month, next],
    )
    await tx.query(
      `alter table reading attach partition ${name} for values
          from ('${month.toISOString()}') to ('${next.toISOString()}')`,
    )
  })
}
