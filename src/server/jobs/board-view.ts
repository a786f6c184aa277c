import type { BoardRow } from '@/core/views'
import type { Scope } from '../db/scope'
import { hereAt } from '../live/presence'
import { HAND } from '../readings/store-readings'
import { type BoardJob, selectBoard, selectBoardJobs, selectClocks } from './job-rows'

/** Cars on the board at most: a screen nobody can read helps nobody. */
const MOST_ROWS = 300

/** Cars of today: all that are open, and those signed in the last 12 hours. */
export async function boardView(db: Scope): Promise<BoardRow[]> {
  return rowsOf(db, await selectBoard(db, new Date(Date.now() - 12 * 3600_000), MOST_ROWS))
}

/** The board's rows of some jobs; ids without a job are left out. */
export async function boardRows(db: Scope, ids: readonly string[]): Promise<BoardRow[]> {
  return rowsOf(db, await selectBoardJobs(db, ids))
}

async function rowsOf(db: Scope, jobs: readonly BoardJob[]): Promise<BoardRow[]> {
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
    byHand: job.latest.vacuum?.instrument === HAND,
    unit: job.latest.vacuum?.sentUnit ?? null,
    found: job.found,
    forecast: job.forecast,
    clock: clocks.get(job.id) ?? [],
    events: job.events,
    ringing: job.ringing,
    whose: job.whose,
    here: hereAt(job.id),
  }))
}
