import { runner } from 'node-pg-migrate'

/** Brings the database at `databaseUrl` to the newest migration of `folder`; two starters wait for each other. */
export async function migrate(databaseUrl: string, folder: string): Promise<number> {
  const done = await runner({
    databaseUrl,
    dir: folder,
    direction: 'up',
    migrationsTable: 'migration',
    singleTransaction: false,
    log: () => undefined,
  })
  return done.length
}
