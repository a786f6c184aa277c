import type { JobEvent } from '@/core/procedure/events'
import type { JobView } from '@/core/views'
import type { Queryable } from '../db/pool'
import { selectHistory, selectTyped } from '../readings/history'
import { selectClock, selectEvents, selectJob } from './job-rows'

/** Points of a channel in the first view: more than a screen has pixels helps nobody. */
const MOST_POINTS = 900
const MOST_SIDES = 400

/** A job for its page, or null. The cursor is read first, so that nothing falls between view and stream. */
export async function jobView(db: Queryable, id: string): Promise<JobView | null> {
  const job = await selectJob(db, id)
  if (!job) return null
  const [events, clock, vacuum, scale, low, high, vent, typed] = await Promise.all([
    selectEvents(db, id),
    selectClock(db, id),
    selectHistory(db, id, 'vacuum', null, null, MOST_POINTS),
    selectHistory(db, id, 'scale', null, null, MOST_POINTS),
    selectHistory(db, id, 'low', null, null, MOST_SIDES),
    selectHistory(db, id, 'high', null, null, MOST_SIDES),
    selectHistory(db, id, 'vent', null, null, MOST_SIDES),
    selectTyped(db, id, 40),
  ])
  const shown = events.map(({ seq: _s, previous: _p, hash: _h, ...event }) => event as JobEvent)
  return { id, simulated: job.simulated, events: shown, clock, latest: job.latest, vacuum, scale, sides: { low, high, vent }, typed, cursor: `${job.readingSeq}.${events.length}` }
}
