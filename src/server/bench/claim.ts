import type { Queryable } from '../db/pool'
import { tokenHash } from '../readings/ingest'

/** The bench of another start that was claimed or seen within this time keeps its token, s. */
const ALIVE_S = 60

/**
 * Makes `token` the token of the simulated bench, unless the bench of another start on this database is alive: its cars
 * are played
 * by one bench only.
 * @param alone - nobody else can have started on this database: then whatever it knew of a bench is of before
 * @returns whether the bench is ours
 */
export async function claimBench(db: Queryable, token: string, alone: boolean): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into device as d (name, kind, token_hash, seen_at) values ('simulated bench', 'bench', $1, now())
     on conflict (name) do update set token_hash = excluded.token_hash, seen_at = now()
       where d.token_hash = excluded.token_hash or $3 or d.seen_at is null or d.seen_at < now() - $2 * interval '1 second'`,
    [tokenHash(token), ALIVE_S, alone],
  )
  return rowCount === 1
}

/** A bench that was stopped gives its place away at once. */
export async function releaseBench(db: Queryable, token: string): Promise<void> {
  await db.query(`update device set seen_at = null where name = 'simulated bench' and token_hash = $1`, [
    tokenHash(token),
  ])
}
