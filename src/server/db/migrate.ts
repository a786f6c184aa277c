import { readdir } from 'node:fs/promises'
import { runner } from 'node-pg-migrate'
import type pg from 'pg'
import { openClient } from './pool'

const TABLE = 'migration'

/** The database was made by a newer version of the program, which knows what this one does not. */
export class NewerDatabase extends Error {
  constructor(unknown: readonly string[]) {
    super(
      `this database was opened by a newer version of the program (${unknown.join(', ')}): start that version, ` +
        `or restore a backup from before it`,
    )
    this.name = 'NewerDatabase'
  }
}

/**
 * Brings the database at `databaseUrl` to the newest migration of `folder`; two starters wait for each other.
 * @throws NewerDatabase when it has migrations that are not in `folder`; nothing is changed then
 */
export async function migrate(databaseUrl: string, folder: string): Promise<number> {
  const client = await openClient(databaseUrl)
  try {
    await refuseNewer(client, folder)
    const done = await runner({
      dbClient: client,
      dir: folder,
      direction: 'up',
      migrationsTable: TABLE,
      singleTransaction: false,
      advisoryLockMode: 'wait',
      log: () => undefined,
    })
    return done.length
  } finally {
    await client.end()
  }
}

async function refuseNewer(client: pg.Client, folder: string): Promise<void> {
  const ours = new Set((await readdir(folder)).filter((f) => f.endsWith('.sql')).map((f) => f.slice(0, -'.sql'.length)))
  const there = await client.query<{ oid: string | null }>('select to_regclass($1)::text as oid', [TABLE])
  if (!there.rows[0]?.oid) return
  const { rows } = await client.query<{ name: string }>(`select name from ${TABLE} order by id`)
  const unknown = rows.map((r) => r.name).filter((name) => !ours.has(name))
  if (unknown.length > 0) throw new NewerDatabase(unknown)
}
