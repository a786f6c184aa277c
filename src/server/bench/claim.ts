import type { Scope } from '../db/scope'
import { tokenHash } from '../readings/ingest'

/** The bench of another start that was claimed or seen within this time keeps its token, s. */
const ALIVE_S = 60

/** A place for the simulated bench, which no token opens until a start claims it: its instruments hang on it. */
export async function makeBenchPlace(db: Scope): Promise<void> {
  await db.query(
    `insert into device (name, kind, token_hash, shop_id)
        values ('simulated bench', 'bench', 'unclaimed ' || $1::text, $1::int)`,
    [db.shopId],
  )
}

/**
 * Makes `token` the token of the simulated bench, unless the bench of another start on this database is alive: its cars
 * are played by one bench only.
 * @param alone - nobody else can have started on this database: then whatever it knew of a bench is of before
 * @returns whether the bench is ours
 */
export async function claimBench(db: Scope, token: string, alone: boolean): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into device as d (name, kind, token_hash, seen_at, shop_id)
        values ('simulated bench', 'bench', $1, now(), $4)
     on conflict (shop_id, name) do update set token_hash = excluded.token_hash, seen_at = now()
       where d.token_hash = excluded.token_hash or $3 or d.seen_at is null
         or d.seen_at < now() - $2 * interval '1 second'`,
    [tokenHash(token), ALIVE_S, alone, db.shopId],
  )
  return rowCount === 1
}

/** A bench that was stopped gives its place away at once. */
export async function releaseBench(db: Scope, token: string): Promise<void> {
  await db.query(
    `update device set seen_at = null where shop_id = $2 and name = 'simulated bench' and token_hash = $1`,
    [tokenHash(token), db.shopId],
  )
}
