import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** Something as it was last seen live: a board's rows, a job with all that was read of it. Wall time, ms. */
type Seen = { key: string; value: unknown; atMs: number }
type Schema = DBSchema & { seen: { key: string; value: Seen } }

let opened: Promise<IDBPDatabase<Schema>> | null = null
function store(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('yperos-seen', 1, {
    upgrade: (made) => void made.createObjectStore('seen', { keyPath: 'key' }),
  }).catch((error) => {
    opened = null
    throw error
  })
  return opened
}

/** Keeps what is seen now in place of what was seen before; a browser that forbids storage keeps nothing. */
export async function keepSeen(key: string, value: unknown): Promise<void> {
  await store()
    .then((s) => s.put('seen', { key, value, atMs: Date.now() }))
    .catch(() => undefined)
}

/** What was last seen, or null. */
export async function lastSeen<T>(key: string): Promise<{ value: T; atMs: number } | null> {
  const found = await store()
    .then((s) => s.get('seen', key))
    .catch(() => undefined)
  return found ? { value: found.value as T, atMs: found.atMs } : null
}

/** Whoever signs out leaves nothing of the shop on this device but what still waits to be sent. */
export async function forgetSeen(): Promise<void> {
  await store()
    .then((s) => s.clear('seen'))
    .catch(() => undefined)
}
