import { fileURLToPath } from 'node:url'
import { migrate } from '../db/migrate'

/** Brings the throw-away database to the newest migration before the database tests. */
export default async function setup(): Promise<void> {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is missing: run these tests with ./yperos test database')
  await migrate(url, fileURLToPath(new URL('../../../db/migrations', import.meta.url)))
}
