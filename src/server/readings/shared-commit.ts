import { database } from '../db/pool'
import { Together } from '../db/together'
import { type CarReadings, type NewReading, storeCars } from './store-readings'

/** What became of a batch: readings that were new, and those of cars that take none any more. */
type Done = { stored: number; refused: number }

type Batch = { shopId: number; placed: ReadonlyMap<string, readonly NewReading[]> }
/** Readings one commit takes at most: the statement stays short, and nobody waits for a crowd. */
const MOST_READINGS = 6000

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

const shared = globalThis as unknown as { yperosCommit?: Together<Batch, Done> }

/**
 * The process's one: batches that arrive together share a commit, and each is answered after it. Two commits that bring
 * of one car take its lock one after the other.
 */
export function sharedCommit(): Together<Batch, Done> {
  shared.yperosCommit ??= new Together({ answer: storeTogether, weight: sizeOf, most: MOST_READINGS, atOnce: 2 })
  return shared.yperosCommit
}
