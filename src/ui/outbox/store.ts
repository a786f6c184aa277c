import type { Dexie, EntityTable } from 'dexie'
import type { Deed } from '@/core/call/types'
import type { Channel, ReadingUnit } from '@/core/units/channel'

/** A deed as it is sent: with its id, when it was done in job time, and how much of the job its hand had seen. */
export type SentDeed = { id: string; happenedAt: string; seen: number } & Deed
/** A typed reading as it is sent: with its number and its own time, job time; `now` where the server's clock says it better. */
export type SentReading = {
  now?: true
  seq: number
  channel: Channel
  value: number
  unit: ReadingUnit
  at: string
  note?: string
}

export type What = { kind: 'events'; events: SentDeed[] } | { kind: 'readings'; readings: SentReading[] }

/**
 * Something a hand did on this device that the server has not acknowledged. `trying`: the page that did it waits for its
 * first answer; `waiting`: no answer came, it is sent when the line is back; `refused`: the server does not take it.
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
}

type Outbox = Dexie & { kept: EntityTable<Kept, 'n'> }

let opened: Promise<Outbox> | null = null
/** The store of this browser, made when it is first asked for; its package comes by itself, for no page waits for it. */
export function outbox(): Promise<Outbox> {
  opened ??= import('dexie').then(({ Dexie }) => {
    const made = new Dexie('yperos-outbox') as Outbox
    made.version(1).stores({ kept: '++n, who, state, jobId' })
    return made
  })
  return opened
}

/** Tells everything that is kept, in the order it was done, now and whenever it changes. @returns what ends it */
export function onKept(tell: (kept: readonly Kept[]) => void): () => void {
  let end: (() => void) | undefined
  let over = false
  const listen = async () => {
    const { liveQuery } = await import('dexie')
    const { kept } = await outbox()
    if (over) return
    // a browser that forbids storage keeps nothing
    const heard = liveQuery(() => kept.orderBy('n').toArray()).subscribe({ next: tell, error: () => undefined })
    end = () => heard.unsubscribe()
  }
  listen().catch(() => undefined)
  return () => {
    over = true
    end?.()
  }
}

/** Keeps something before it is sent. @returns its place, or null where this browser keeps nothing */
export async function keep(entry: What & Omit<Kept, 'n' | 'knew' | 'kind'>): Promise<number | null> {
  try {
    const before = await (await outbox()).kept.where('jobId').equals(entry.jobId).toArray()
    const knew = before.flatMap((k) => (k.kind === 'events' ? [...k.knew, ...k.events.map((e) => e.id)] : []))
    // its place is given by the store
    return (await (await outbox()).kept.add({ ...entry, knew: [...new Set(knew)] } as unknown as Kept)) as number
  } catch {
    // a browser that forbids storage: what is done is sent as before, and lost with the line
    return null
  }
}

export const letGo = async (n: number | null): Promise<void> => {
  if (n !== null) await (await outbox()).kept.delete(n)
}
export const mark = async (n: number | null, change: Partial<Pick<Kept, 'state' | 'why'>>): Promise<void> => {
  if (n !== null) await (await outbox()).kept.update(n, change)
}

/** What a page left behind that was closed before its answer came waits like the rest. */
export async function takeUpTrying(olderThanMs: number): Promise<void> {
  await (await outbox()).kept
    .where('state')
    .equals('trying')
    .and((k) => k.doneAtMs < olderThanMs)
    .modify({ state: 'waiting' })
}
