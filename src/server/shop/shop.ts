import { generateKeyPairSync, randomBytes } from 'node:crypto'
import type { Queryable } from '../db/pool'
import { AppError } from '../errors'

/** The place everything happens at; pressures Pa absolute, temperatures Celsius. */
export type Shop = {
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  timeZone: string
  demo: boolean
  cookieSecret: string
  signingKey: string
  publicKey: string
}

export async function selectShop(db: Queryable): Promise<Shop> {
  const { rows } = await db.query<Shop>(
    `select name, altitude_m as "altitudeM", barometer_pa as "barometerPa", ambient_c as "ambientC", time_zone as "timeZone",
            demo, cookie_secret as "cookieSecret", signing_key as "signingKey", public_key as "publicKey"
       from shop where id = 1`,
  )
  const shop = rows[0]
  if (!shop) throw new AppError('not-found', 'no shop is set up in this database: start with ./yperos up')
  return shop
}

/**
 * Creates the shop with fresh secrets: a cookie key and its own Ed25519 signing key. False when there is one already.
 */
export async function insertShop(
  db: Queryable,
  shop: Omit<Shop, 'cookieSecret' | 'signingKey' | 'publicKey'>,
): Promise<boolean> {
  const keys = generateKeyPairSync('ed25519')
  const { rowCount } = await db.query(
    `insert into shop (id, name, altitude_m, barometer_pa, ambient_c, time_zone, demo, cookie_secret, signing_key, public_key)
     values (1, $1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict (id) do nothing`,
    [
      shop.name,
      shop.altitudeM,
      shop.barometerPa,
      shop.ambientC,
      shop.timeZone,
      shop.demo,
      randomBytes(48).toString('base64url'),
      keys.privateKey.export({ type: 'pkcs8', format: 'pem' }).toString(),
      keys.publicKey.export({ type: 'spki', format: 'der' }).toString('base64'),
    ],
  )
  return rowCount === 1
}
