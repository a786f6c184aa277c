import type { BoardRow } from '@/core/views'
import type { Queryable } from '../db/pool'
import { selectBoard, selectClocks } from './job-rows'

/** Cars on the board at most: a screen nobody can read helps nobody. */
const MOST_ROWS = 300

/** Cars of today: all that are open, and those signed in the last 12 hours. */
export async function boardView(db: Queryable): Promise<BoardRow[]> {
  const jobs = await selectBoard(db, new Date(Date.now() - 12 * 3600_000), MOST_ROWS)
  const clocks = await selectClocks(
    db,
    jobs.map((j) => j.id),
  )
  return jobs.map((job) => ({
    id: job.id,
    simulated: job.simulated,
    summary: job.summary,
    vacuumPa: job.latest.vacuum?.value ?? null,
    vacuumAt: job.latest.vacuum?.at ?? null,
    clock: clocks.get(job.id) ?? [],
  }))
}
