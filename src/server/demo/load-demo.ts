import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type pg from 'pg'
import { z } from 'zod'
import { stationPressurePa } from '@/core/units/barometer'
import { insertAccount } from '../accounts/accounts'
import { selectProcedures, selectRigs, upsertProcedure } from '../shop/catalogue'
import { insertShop } from '../shop/shop'
import { DemoCar } from './demo-car'
import { DemoEquipment, DemoRig, fillShelf } from './fill-shelf'
import { DEMO_SIGN_INS } from './sign-ins'
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
    }),
  ),
  equipment: z.array(DemoEquipment),
  rigs: z.array(DemoRig),
  cars: z.array(DemoCar),
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
  if (((await db.query('select 1 from shop')).rowCount ?? 0) > 0) return false
  // the shop is written last: without it whatever is here is a load that was cut short, and begins anew
  await db.query(
    'truncate judgement, ledger_entry, column_mapping, reading, event, attachment, job_clock, job, session, account, procedure, rig, equipment_deed, equipment',
  )
  for (const person of DEMO_SIGN_INS) await insertAccount(db, person)
  for (const procedure of place.procedures) await upsertProcedure(db, { id: randomUUID(), ...procedure })
  await fillShelf(db, place.equipment, place.rigs, now)
  const procedures = await selectProcedures(db)
  const rigs = await selectRigs(db)
  for (const car of place.cars) await walkCar(db, car, place.shop, procedures, rigs, now)
  return insertShop(db, { name, altitudeM, ambientC, barometerPa: stationPressurePa(altitudeM), timeZone, demo: true })
}
