import { PUMP_CHANNEL } from '@/core/shop/instruments'
import type { JobView } from '@/core/views'
import type { Scope } from '../db/scope'
import { hereAt } from '../live/presence'
import { selectHistory, selectTyped } from '../readings/history'
import { spanOf } from '../readings/span'
import { selectRung } from '../watch/alarm-rows'
import { selectForecast } from '../watch/forecast-rows'
import { judgedHold } from '../watch/judgement-rows'
import { selectClock, selectEvents, selectJob } from './job-rows'
import { plain } from './record-deeds'

/** Points of a channel in the first view: more than a screen has pixels helps nobody. */
const MOST_POINTS = 900
const MOST_SIDES = 400

/** A job for its page, or null. The cursor is read first, so that nothing falls between view and stream. */
export async function jobView(db: Scope, id: string): Promise<JobView | null> {
  const job = await selectJob(db, id)
  if (!job) return null
  const span = spanOf(job)
  const [events, clock, vacuum, pump, scale, low, high, vent, warmth, typed, judged, forecast, rung] =
    await Promise.all([
      selectEvents(db, id),
      selectClock(db, id),
      selectHistory(db, span, 'vacuum', MOST_POINTS),
      selectHistory(db, span, PUMP_CHANNEL, MOST_SIDES),
      selectHistory(db, span, 'scale', MOST_POINTS),
      selectHistory(db, span, 'low', MOST_SIDES),
      selectHistory(db, span, 'high', MOST_SIDES),
      selectHistory(db, span, 'vent', MOST_SIDES),
      selectHistory(db, span, 'engine_bay', MOST_SIDES),
      selectTyped(db, span, 40),
      judgedHold(db, id),
      selectForecast(db, id),
      selectRung(db, id),
    ])
  const shown = plain(events)
  return {
    id,
    simulated: job.simulated,
    events: shown,
    clock,
    latest: job.latest,
    vacuum,
    pump,
    scale,
    sides: { low, high, vent },
    warmth,
    typed,
    benchTrouble: job.benchTrouble,
    judged,
    forecast,
    rung,
    here: hereAt(id),
    cursor: `${job.readingSeq}.${events.length}`,
  }
}
