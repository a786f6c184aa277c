import { ColumnMapping } from '@/core/readings/readings-csv'
import type { Scope } from '../db/scope'

/** Mappings of foreign files, by name. */
export async function selectMappings(db: Scope): Promise<ColumnMapping[]> {
  const { rows } = await db.query<{ mapping: unknown }>(
    `select mapping from column_mapping where shop_id = $1 order by name`,
    [db.shopId],
  )
  return rows.map((r) => ColumnMapping.parse(r.mapping))
}

/** Keeps a mapping; one of the same name is replaced. */
export async function upsertMapping(db: Scope, accountId: string, mapping: ColumnMapping): Promise<void> {
  await db.query(
    `insert into column_mapping (name, mapping, by_account, shop_id) values ($1, $2, $3, $4)
     on conflict (shop_id, name) do update
       set mapping = excluded.mapping, by_account = excluded.by_account, updated_at = now()`,
    [mapping.name, JSON.stringify(mapping), accountId, db.shopId],
  )
}
