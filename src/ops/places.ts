import { createHash } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'

/** Where a run keeps its things: the checkout, its state folder, and the cluster's data. */
export type Places = { root: string; state: string; data: string; runFile: string }

/**
 * Folders of a run named `name` (`main` for `up`, another for tests).
 * As root the data lies in /var/lib, because PostgreSQL runs as another user who may not enter the checkout.
 */
export function placesOf(name: string): Places {
  const root = process.env.YPEROS_ROOT ?? process.cwd()
  const state = join(root, '.yperos', name)
  mkdirSync(state, { recursive: true, mode: 0o700 })
  const mark = createHash('sha256').update(state).digest('hex').slice(0, 12)
  const data = process.getuid?.() === 0 ? join('/var/lib/yperos', mark, 'pg') : join(state, 'pg')
  return { root, state, data, runFile: join(state, 'run.json') }
}
