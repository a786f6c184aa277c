import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { migrate } from '@/server/db/migrate'
import { database } from '@/server/db/pool'
import { loadDemo } from '@/server/demo/load-demo'
import { tokenHash } from '@/server/readings/ingest'
import type { Places } from './places'
import { say } from './say'

/** The demo places that ship: a dry, high one and a humid one at the water. */
export const DEMO_PLACES = { 'cerro-lumen': 'Cerro Lumen', 'port-oleander': 'Port Oleander' } as const
export type DemoPlace = keyof typeof DEMO_PLACES

/** Migrates, loads the demo place into an empty database, and gives the bench its token. */
export async function prepareDatabase(places: Places, url: string, demo: DemoPlace | null = 'cerro-lumen'): Promise<{ benchToken: string }> {
  process.env.DATABASE_URL = url
  const done = await migrate(url, join(places.root, 'db/migrations'))
  if (done > 0) say(`${done} migration${done === 1 ? '' : 's'} applied`)
  const db = database()
  const benchToken = secretOf(join(places.state, 'bench-token'))
  await db.query(
    `insert into device (name, kind, token_hash) values ('simulated bench', 'bench', $1)
     on conflict (name) do update set token_hash = excluded.token_hash`,
    [tokenHash(benchToken)],
  )
  if (demo !== null && (await loadDemo(db, join(places.root, 'db/demo', `${demo}.json`), new Date()))) say(`loaded the demo place, ${DEMO_PLACES[demo]}`)
  return { benchToken }
}

function secretOf(file: string): string {
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 })
  return readFileSync(file, 'utf8').trim()
}
