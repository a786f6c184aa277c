import { ColumnMapping } from '@/core/readings/readings-csv'
import type { Queryable } from '../db/pool'

/** Mappings of foreign files, by name. */
export async function selectMappings(db: Queryable): Promise<ColumnMapping[]> {
  const { rows } = await db.query<{ mapping: unknown }>(`select mapping from column_mapping order by name`)
  return rows.map((r) => ColumnMapping.parse(r.mapping))
}

/** Keeps a mapping; one of the same name is replaced. */
export async function upsertMapping(db: Queryable, accountId: string, mapping: ColumnMapping): Promise<void> {
  await db.query(
    `insert into column_mapping (name, mapping, by_account) values ($1, $2, $3)
     on conflict (name) do update set mapping = excluded.mapping, by_account = excluded.by_account, updated_at = now()`,
    [mapping.name, JSON.stringify(mapping), accountId],
  )
}
