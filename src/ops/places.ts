import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { say } from './say'

/** Where a run keeps its things: its name, the checkout, its state folder, and the cluster's data. */
export type Places = { name: string; root: string; state: string; data: string; runFile: string; lockFile: string }

/** Where the data of a start by root lies, because PostgreSQL runs as another user who may not enter the checkout. */
const ROOTS_DATA = '/var/lib/yperos'

/** Folders of a run named `name` (`main` for `up`, another for tests). */
export function placesOf(name: string): Places {
  const root = process.env.YPEROS_ROOT ?? process.cwd()
  const state = join(root, '.yperos', name)
  mkdirSync(state, { recursive: true, mode: 0o700 })
  const data = process.getuid?.() === 0 ? join(ROOTS_DATA, markOfState(state, ROOTS_DATA), 'pg') : join(state, 'pg')
  return { name, root, state, data, runFile: join(state, 'run.json'), lockFile: join(state, 'lock.json') }
}

/**
 * The name of a state folder's data below `base`. It is kept with the state, so that a checkout that is moved takes its
 * shop along; the data names the state it belongs to, so that a state that was lost finds it again, and a copy of a
 * checkout does not open the shop of the one it was copied from.
 */
export function markOfState(state: string, base: string): string {
  const kept = read(join(state, 'mark'))
  const mark = kept ?? ofPath(state)
  const mine = belongsTo(state, base, mark) ? mark : randomBytes(6).toString('hex')
  if (mine !== mark)
    say(
      kept
        ? `this checkout is a copy: the shop of ${read(join(base, mark, 'belongs-to'))} stays its own, a new one ` +
            `is opened here`
        : 'a new place for the data',
    )
  if (kept !== mine) writeFileSync(join(state, 'mark'), mine, { mode: 0o600 })
  mkdirSync(join(base, mine), { recursive: true, mode: 0o755 })
  writeFileSync(join(base, mine, 'belongs-to'), state)
  return mine
}

/** The name worked out from the path: of installations from before it was kept, and the first choice for a new one. */
const ofPath = (state: string): string => createHash('sha256').update(state).digest('hex').slice(0, 12)

/** Whether data is this state's: nobody's else, or of a state that has moved here or is gone. */
function belongsTo(state: string, base: string, mark: string): boolean {
  const owner = read(join(base, mark, 'belongs-to'))
  if (owner === null || owner === state || !existsSync(owner)) return true
  // the same folder by another way, or another folder that still has this mark
  if (statSync(owner).ino === statSync(state).ino) return true
  return (read(join(owner, 'mark')) ?? ofPath(owner)) !== mark
}

function read(file: string): string | null {
  try {
    return readFileSync(file, 'utf8').trim() || null
  } catch {
    return null
  }
}
