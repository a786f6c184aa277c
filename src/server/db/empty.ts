import type { Queryable } from './pool'

/** Empties every table but the one of what was migrated: for a load that is begun anew, and for tests. */
export async function emptyTables(db: Queryable): Promise<void> {
  const { rows } = await db.query<{ name: string }>(
    `select format('%I', tablename) as name from pg_tables where schemaname = 'public' and tablename <> 'migration'`,
  )
  await db.query(`truncate ${rows.map((r) => r.name).join(', ')} cascade`)
}
