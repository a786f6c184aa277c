import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Deed } from '@/core/call/types'
import type { HoldEnded } from '@/core/job/events'
import type { PhotoOf } from '@/core/job/photos'
import type { Channel, ReadingUnit } from '@/core/units/channel'

/** A deed as it is sent: with its id, when it was done in job time, and how much of the job its hand had seen. */
export type SentDeed = { id: string; happenedAt: string; seen?: number } & Deed
/**
 * A typed reading as it is sent: with its number and its own time, job time; `now` where the server's clock says it
 * better.
 */
export type SentReading = {
  now?: true
  seq: number
  channel: Channel
  value: number
  unit: ReadingUnit
  at: string
  note?: string
}

/**
 * A deed with a request of its own: its id, when it was done in job time, and how much of the job its hand had seen.
 */
type Own = { id: string; at: string; seen: number }

export type What =
  | { kind: 'events'; events: SentDeed[] }
  | { kind: 'readings'; readings: SentReading[] }
  /** `ended`: what this device found of the hold; the server judges it itself when it comes */
  | ({ kind: 'hold-end'; ended: HoldEnded } & Own)
  | ({ kind: 'sign'; certificate: string } & Own)
  | ({ kind: 'photos'; of: PhotoOf; caption: string; image: Blob } & Omit<Own, 'seen'>)

/**
 * Something a hand did on this device that the server has not acknowledged. `trying`: the page that did it waits for
 * its first answer; `waiting`: no answer came, it is sent when the line is back; `refused`: the server does not take
 * it.
 */
export type Kept = What & {
  n: number
  jobId: string
  /** account that did it, and its name: nobody else sends it */
  who: string
  whoName: string
  /** wall time, ms */
  doneAtMs: number
  /** ids of the deeds on this job that waited here when this one was done */
  knew: readonly string[]
  state: 'trying' | 'waiting' | 'refused'
  why?: string
  /** how often the server failed on it */
  failed?: number
}

/** One table, its rows in the order they were put in. */
type Schema = DBSchema & { kept: { key: number; value: Kept } }

let opened: Promise<IDBPDatabase<Schema>> | null = null
/** The store of this browser, made when it is first asked for; one that could not be opened is tried again. */
function store(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('yperos-outbox', 1, {
    upgrade: (made) => void made.createObjectStore('kept', { keyPath: 'n', autoIncrement: true }),
  }).catch((error) => {
    opened = null
    throw error
  })
  return opened
}

/** Whoever shows what is kept, in this tab; other tabs are told by a channel of the browser. */
const listening = new Set<() => void>()
const channel =
  typeof window === 'undefined' || typeof BroadcastChannel === 'undefined'
    ? null
    : new BroadcastChannel('yperos-outbox')
channel?.addEventListener('message', () => {
  for (const ask of listening) ask()
})
function changed(): void {
  for (const ask of listening) ask()
  channel?.postMessage('changed')
}

/** Everything that is kept, in the order it was done. */
export const allKept = async (): Promise<Kept[]> => (await store()).getAll('kept')

/** Tells everything that is kept, now and whenever it changes. @returns what ends it */
export function onKept(tell: (kept: readonly Kept[]) => void): () => void {
  // a browser that forbids storage keeps nothing
  const ask = () => void allKept().then(tell, () => undefined)
  listening.add(ask)
  ask()
  return () => listening.delete(ask)
}

/** Ids of the events it becomes; none for readings, which contradict nothing. */
const idsOf = (what: What): string[] =>
  what.kind === 'events' ? what.events.map((e) => e.id) : what.kind === 'readings' ? [] : [what.id]

/** Keeps something before it is sent. @returns its place, or null where this browser keeps nothing */
export async function keep(entry: What & Omit<Kept, 'n' | 'knew' | 'kind'>): Promise<number | null> {
  try {
    const before = (await allKept()).filter((k) => k.jobId === entry.jobId)
    const knew = before.flatMap((k) => [...k.knew, ...idsOf(k)])
    // its place is given by the store
    const n = await (await store()).add('kept', { ...entry, knew: [...new Set(knew)] } as unknown as Kept)
    changed()
    return n
  } catch {
    // what is done is sent as before, and lost with the line
    return null
  }
}

/** The server has it: it is kept no more. */
export async function letGo(n: number | null): Promise<void> {
  if (n === null) return
  await (await store()).delete('kept', n)
  changed()
}

/** What became of something that is kept. */
export async function mark(n: number | null, change: Partial<Pick<Kept, 'state' | 'why' | 'failed'>>): Promise<void> {
  if (n === null) return
  const table = (await store()).transaction('kept', 'readwrite').store
  const kept = await table.get(n)
  if (kept) await table.put({ ...kept, ...change })
  changed()
}

/** What a page left behind that was closed before its answer came waits like the rest. */
export async function takeUpTrying(olderThanMs: number): Promise<void> {
  const left = (await allKept()).filter((k) => k.state === 'trying' && k.doneAtMs < olderThanMs)
  for (const { n } of left) await mark(n, { state: 'waiting' })
}
