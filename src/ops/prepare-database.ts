import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { claimBench } from '@/server/bench/claim'
import { migrate, NewerDatabase } from '@/server/db/migrate'
import { database, openClient } from '@/server/db/pool'
import { scopeOf } from '@/server/db/scope'
import { loadDemo } from '@/server/demo/load-demo'
import { keepPartitions } from '@/server/readings/partitions'
import { findShop } from '@/server/shop/shop'
import type { Places } from './places'
import { writeWhole } from './run-file'
import { Stop, say } from './say'

/** The demo places that ship: a dry, high one and a humid one at the water. */
export const DEMO_PLACES = { 'cerro-lumen': 'Cerro Lumen', 'port-oleander': 'Port Oleander' } as const
export type DemoPlace = keyof typeof DEMO_PLACES

type Prepare = { demo: DemoPlace | null; alone: boolean }

/**
 * Migrates, makes room for the readings of these months, claims the bench and loads the demo place into an empty
 * database. Of two starts on one database the second waits for the first.
 * @param alone - nobody else starts on this database
 * @returns whether the simulated bench is this start's; a shop of one's own has none
 */
export async function prepareDatabase(places: Places, url: string, { demo, alone }: Prepare): Promise<boolean> {
  process.env.DATABASE_URL = url
  const turn = await openClient(url)
  try {
    await turn.query('select pg_advisory_lock(460002)')
    const done = await migrate(url, join(places.root, 'db/migrations'))
    if (done > 0) say(`${done} migration${done === 1 ? '' : 's'} applied`)
    const db = database()
    await keepPartitions(db)
    if (demo !== null && (await loadDemo(db, join(places.root, 'db/demo', `${demo}.json`), new Date())))
      say(`loaded the demo place, ${DEMO_PLACES[demo]}`)
    const shop = await findShop(db)
    return shop?.demo ? await claimBench(scopeOf(shop.id, db), benchToken(places), alone) : false
  } catch (error) {
    throw error instanceof NewerDatabase ? new Stop(error.message) : error
  } finally {
    // the lock goes with the connection
    await turn.end()
  }
}

/** The token of this start's bench, made once. */
export function benchToken(places: Places): string {
  const file = join(places.state, 'bench-token')
  if (!existsSync(file)) writeWhole(file, randomBytes(32).toString('base64url'))
  return readFileSync(file, 'utf8').trim()
}
