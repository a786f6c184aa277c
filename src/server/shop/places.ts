import { W } from '@/core/language/server/shop'
import type { Scope, TxScope } from '../db/scope'
import { notFound } from '../errors'

/** A place the shop works at; `id` null is the shop's own. Pressure Pa absolute, Celsius; when its air was read. */
export type Place = {
  id: string | null
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  airAt: string | null
}
/** `read`: a barometer or a forecast told it; what is worked out from the altitude was never read. */
type Air = { altitudeM: number | null; barometerPa: number; ambientC: number; read: boolean }

/** The shop's own place first, then where else it works. */
export async function selectPlaces(db: Scope): Promise<[Place, ...Place[]]> {
  const { rows } = await db.query<Omit<Place, 'airAt'> & { airAt: Date | null }>(
    `select null as id, name, altitude_m as "altitudeM", barometer_pa as "barometerPa", ambient_c as "ambientC",
      air_at as "airAt" from shop where id = $1
     union all (select id::text, name, altitude_m, barometer_pa, ambient_c, air_at from place
       where shop_id = $1 order by name)`,
    [db.shopId],
  )
  return rows.map(({ airAt, ...place }) => ({ ...place, airAt: airAt?.toISOString() ?? null })) as [Place, ...Place[]]
}

/**
 * Keeps the air of a place as it is now. An altitude that was known stays known where only a barometer was read.
 * @param id - null for the shop's own place
 */
export async function tellAir(
  tx: TxScope,
  id: string | null,
  { altitudeM, barometerPa, ambientC, read }: Air,
): Promise<void> {
  const table = id === null ? 'shop' : 'place'
  const { rowCount } = await tx.query(
    `update ${table}
        set altitude_m = coalesce($2, altitude_m), barometer_pa = $3, ambient_c = $4, air_at = case when $5
        then now() end
      where ${id === null ? 'id = $1' : 'shop_id = $1 and id = $6'}`,
    [tx.shopId, altitudeM, barometerPa, ambientC, read, ...(id === null ? [] : [id])],
  )
  if (rowCount !== 1) throw notFound(W.thisPlace)
}

export async function insertPlace(tx: TxScope, place: Air & { name: string }): Promise<void> {
  await tx.query(
    `insert into place (shop_id, name, altitude_m, barometer_pa, ambient_c, air_at) values ($1, $2, $3, $4, $5,
      case when $6 then now() end)`,
    [tx.shopId, place.name, place.altitudeM, place.barometerPa, place.ambientC, place.read],
  )
}
