import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type pg from 'pg'
import * as z from 'zod'
import { Stages } from '@/core/job/stages'
import { stationPressurePa } from '@/core/units/barometer'
import { insertAccount, selectAccounts } from '../accounts/accounts'
import { makeBenchPlace } from '../bench/claim'
import { emptyTables } from '../db/empty'
import { scopeOf } from '../db/scope'
import { DemoEquipment, DemoRig, fillShelf } from '../equipment/fill-shelf'
import { selectProcedures, selectRigs, upsertProcedure } from '../shop/catalogue'
import { insertShop, openShop } from '../shop/shop'
import { DemoCar } from './demo-car'
import { DemoPast, pastYears } from './past-years'
import { DemoDay, planAhead } from './plan-ahead'
import { DEMO_SIGN_INS } from './sign-ins'
import { DemoAway, walkAway } from './walk-away'
import { walkCar } from './walk-car'

const DemoPlace = z.strictObject({
  shop: z.strictObject({ name: z.string(), altitudeM: z.number(), ambientC: z.number() }),
  procedures: z.array(
    z.strictObject({
      name: z.string(),
      targetMicron: z.number(),
      pullMinutes: z.number(),
      holdMinutes: z.number(),
      proves: z.string(),
      stages: Stages.optional(),
    }),
  ),
  equipment: z.array(DemoEquipment),
  rigs: z.array(DemoRig),
  cars: z.array(DemoCar),
  away: z.array(DemoAway).default([]),
  day: DemoDay.optional(),
  past: z.array(DemoPast).default([]),
})

/**
 * Loads a demo place into an empty database: shop, people, procedures, rigs, and cars at every step of the work,
 * walked through the same events and the same simulated instruments as any other car.
 * @param now - moment all dates are relative to
 * @returns false when a shop is there already
 */
export async function loadDemo(db: pg.Pool, file: string, now: Date): Promise<boolean> {
  const place = DemoPlace.parse(JSON.parse(readFileSync(file, 'utf8')))
  const { name, altitudeM, ambientC } = place.shop
  const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone
  if (((await db.query('select 1 from shop where opened_at is not null')).rowCount ?? 0) > 0) return false
  // a shop that never opened is a load that was cut short, and begins anew
  await emptyTables(db)
  const shopId = await insertShop(db, {
    name,
    altitudeM,
    ambientC,
    barometerPa: stationPressurePa(altitudeM),
    timeZone,
    demo: true,
    certificateAsked: true,
  })
  const scope = scopeOf(shopId, db)
  await makeBenchPlace(scope)
  for (const person of DEMO_SIGN_INS) await insertAccount(scope, person)
  for (const procedure of place.procedures) await upsertProcedure(scope, { id: randomUUID(), ...procedure })
  await fillShelf(scope, place.equipment, place.rigs, now)
  const procedures = await selectProcedures(scope)
  const rigs = await selectRigs(scope)
  for (const car of place.cars) await walkCar(scope, car, place.shop, procedures, rigs, now)
  for (const away of place.away) await walkAway(scope, away, now)
  if (place.day) await planAhead(scope, place.day, now)
  const lead = (await selectAccounts(scope)).find((a) => a.role === 'lead')
  if (lead) await pastYears(scope, lead, place.past, now)
  await openShop(scope)
  return true
}
