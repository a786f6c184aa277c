import { database } from '../db/pool'
import { type CarReadings, type NewReading, storeCars } from './store-readings'

/** What became of a batch: readings that were new, and those of cars that take none any more. */
type Done = { stored: number; refused: number }

type Batch = { shopId: number; placed: ReadonlyMap<string, readonly NewReading[]> }
type Waiting = Batch & { resolve: (done: Done) => void; reject: (error: unknown) => void }

/** Readings one commit takes at most: the statement stays short, and nobody waits for a crowd. */
const MOST_READINGS = 6000

/** Commits under way at a time: while the database writes one, the next is made ready. */
const AT_ONCE = 2

/**
 * Batches that arrive while others are being stored share the next commit; each is answered after it. Whoever sends
 * alone waits for nobody. Two commits that bring of one car take its lock one after the other.
 */
class SharedCommit {
  private waiting: Waiting[] = []
  private busy = 0

  store(shopId: number, placed: Batch['placed']): Promise<Done> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ shopId, placed, resolve, reject })
      if (this.busy < AT_ONCE) void this.run()
    })
  }

  private async run(): Promise<void> {
    this.busy += 1
    while (this.waiting.length > 0) await this.commit(this.next())
    this.busy -= 1
  }

  /** As many as one commit takes, in the order they came; one always. */
  private next(): Waiting[] {
    let readings = 0
    const end = this.waiting.findIndex((batch, i) => {
      readings += sizeOf(batch)
      return i > 0 && readings > MOST_READINGS
    })
    return this.waiting.splice(0, end < 0 ? this.waiting.length : end)
  }

  private async commit(batches: readonly Waiting[]): Promise<void> {
    try {
      const done = await storeTogether(batches)
      for (const [i, batch] of batches.entries()) batch.resolve(done[i] as Done)
    } catch (error) {
      // one batch's failure is its own: each is tried by itself, where there was more than one
      if (batches.length === 1) batches[0]?.reject(error)
      else for (const batch of batches) await this.commit([batch])
    }
  }
}

const sizeOf = ({ placed }: Batch): number => [...placed.values()].reduce((sum, r) => sum + r.length, 0)

/** Stores batches in one statement; what two of them bring of one car is stored as one, and counted for each. */
async function storeTogether(batches: readonly Batch[]): Promise<Done[]> {
  const cars = new Map<string, { shopId: number; jobId: string; readings: NewReading[] }>()
  const parts = batches.map(({ shopId, placed }) =>
    [...placed].map(([jobId, readings]) => {
      const car = cars.get(jobId) ?? { shopId, jobId, readings: [] }
      cars.set(jobId, car)
      const from = car.readings.length
      for (const reading of readings) car.readings.push(reading)
      return { jobId, from, to: car.readings.length }
    }),
  )
  const all: CarReadings[] = [...cars.values()]
  const stored = await storeCars(database(), all)
  const places = new Map(all.map(({ jobId }, i) => [jobId, stored[i] ?? null]))
  return parts.map((own) => {
    const done = { stored: 0, refused: 0 }
    for (const { jobId, from, to } of own) {
      const fresh = places.get(jobId)
      if (!fresh) done.refused += to - from
      else for (let place = from; place < to; place++) if (fresh.has(place)) done.stored += 1
    }
    return done
  })
}

const shared = globalThis as unknown as { yperosCommit?: SharedCommit }

/** The process's one. */
export function sharedCommit(): SharedCommit {
  shared.yperosCommit ??= new SharedCommit()
  return shared.yperosCommit
}
