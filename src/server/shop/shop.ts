import { generateKeyPairSync, randomBytes } from 'node:crypto'
import type { OnSale } from '@/core/charge/buy'
import { W } from '@/core/language/server/shop'
import type { TraineeRights } from '@/core/shop/trainee'
import type { Units } from '@/core/units/shown'
import type { Queryable } from '../db/pool'
import type { Scope } from '../db/scope'
import { AppError, notFound } from '../errors'

/** The place everything happens at; pressures Pa absolute, temperatures Celsius. */
export type Shop = {
  id: number
  name: string
  altitudeM: number | null
  barometerPa: number
  ambientC: number
  timeZone: string
  demo: boolean
  /** whether whoever signs is asked for a certificate number */
  certificateAsked: boolean
  /** when the air was read; null while it is worked out or was never read */
  airAt: Date | null
  /** when the installation was last backed up, and after how many days the lead is told */
  backedUpAt: Date | null
  backupDays: number
  /** minutes an alarm rings unanswered before it is the lead's too */
  leadAfterMin: number
  /** sizes of cans and cylinders that can be bought here */
  onSale: OnSale[]
  /** what trainees may do, as far as it was set */
  traineeRights: Partial<TraineeRights>
  cookieSecret: string
  signingKey: string
  publicKey: string
}

const SHOP = `select id, name, altitude_m as "altitudeM", barometer_pa as "barometerPa", ambient_c as "ambientC",
  time_zone as "timeZone", demo, certificate_asked as "certificateAsked", air_at as "airAt",
    backed_up_at as "backedUpAt", backup_days as "backupDays", lead_after_min as "leadAfterMin",
      trainee_rights as "traineeRights", on_sale as "onSale", cookie_secret as "cookieSecret",
    signing_key as "signingKey", public_key as "publicKey" from shop`

/**
 * The shop whose door this installation is: its first, as long as it has one door. Whoever is known by a session or a
 * token is in that one's shop.
 * @throws AppError `not-found` while none is set up
 */
export async function selectShop(db: Queryable): Promise<Shop> {
  const shop = await findShop(db)
  if (!shop) throw new AppError('not-found', W.noShopIsSetUp)
  return shop
}

/** The same, or null while none is set up. */
export async function findShop(db: Queryable): Promise<Shop | null> {
  const { rows } = await db.query<Shop>(`${SHOP} where opened_at is not null order by id limit 1`)
  return rows[0] ?? null
}

/** The shop of a scope, also while it is being set up. */
export async function shopOf({ shopId, query }: Scope): Promise<Shop> {
  const { rows } = await query<Shop>(`${SHOP} where id = $1`, [shopId])
  if (!rows[0]) throw notFound(W.thisShop)
  return rows[0]
}

/**
 * Creates a shop with fresh secrets: a cookie key and its own Ed25519 signing key. It opens when everything in it is
 * set up. @returns its id
 */
export async function insertShop(
  db: Queryable,
  shop: Omit<
    Shop,
    | 'id'
    | 'cookieSecret'
    | 'signingKey'
    | 'publicKey'
    | 'airAt'
    | 'backedUpAt'
    | 'backupDays'
    | 'leadAfterMin'
    | 'traineeRights'
    | 'onSale'
  >,
): Promise<number> {
  const keys = generateKeyPairSync('ed25519')
  const { rows } = await db.query<{ id: number }>(
    `insert into shop (name, altitude_m, barometer_pa, ambient_c, time_zone, demo, cookie_secret, signing_key,
      public_key, certificate_asked)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
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
      shop.certificateAsked,
    ],
  )
  return (rows[0] as { id: number }).id
}

/** What the lead decides once: whether a certificate is asked of whoever signs, and how old a backup may be, days. */
export async function setRules(
  { shopId, query }: Scope,
  rules: { certificateAsked: boolean; backupDays: number; leadAfterMin: number },
): Promise<void> {
  await query('update shop set certificate_asked = $2, backup_days = $3, lead_after_min = $4 where id = $1', [
    shopId,
    rules.certificateAsked,
    rules.backupDays,
    rules.leadAfterMin,
  ])
}

/** What trainees may do here. */
export async function setTraineeRights({ shopId, query }: Scope, rights: TraineeRights): Promise<void> {
  await query('update shop set trainee_rights = $2 where id = $1', [shopId, JSON.stringify(rights)])
}

/** What can be bought here. */
export async function setOnSale({ shopId, query }: Scope, sizes: readonly OnSale[]): Promise<void> {
  await query('update shop set on_sale = $2 where id = $1', [shopId, JSON.stringify(sizes)])
}

/** What people here think in, where they have not chosen themselves. */
export async function setShopUnits({ shopId, query }: Scope, units: Units): Promise<void> {
  await query('update shop set units = $2 where id = $1', [shopId, JSON.stringify(units)])
}

/** From now on the shop is there for whoever comes to its door. */
export async function openShop({ shopId, query }: Scope): Promise<void> {
  await query('update shop set opened_at = now() where id = $1', [shopId])
}
