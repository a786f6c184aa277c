import { PUMP_CHANNEL } from '@/core/shop/instruments'
import type { Channel } from '@/core/units/channel'
import type { JobView } from '@/core/views'
import type { Scope } from '../db/scope'
import { hereAt } from '../live/presence'
import { drawnHistories } from '../readings/drawn-history'
import { selectTyped } from '../readings/history'
import { spanOf } from '../readings/span'
import { selectRung } from '../watch/alarm-rows'
import { selectForecast } from '../watch/forecast-rows'
import { judgedHold } from '../watch/judgement-rows'
import { selectClock, selectEvents, selectJob } from './job-rows'
import { plain } from './record-deeds'

/** Points of a channel in the first view: more than a screen has pixels helps nobody. */
const MOST_POINTS = 900
const MOST_SIDES = 400
const DRAWN: ReadonlyMap<Channel, number> = new Map([
  ['vacuum', MOST_POINTS],
  [PUMP_CHANNEL, MOST_SIDES],
  ['scale', MOST_POINTS],
  ['low', MOST_SIDES],
  ['high', MOST_SIDES],
  ['vent', MOST_SIDES],
  ['engine_bay', MOST_SIDES],
])

/** A job for its page, or null. The cursor is read first, so that nothing falls between view and stream. */
export async function jobView(db: Scope, id: string): Promise<JobView | null> {
  const job = await selectJob(db, id)
  if (!job) return null
  const [events, clock, drawn, typed, judged, forecast, rung] = await Promise.all([
    selectEvents(db, id),
    selectClock(db, id),
    drawnHistories().upTo(db, job, DRAWN),
    selectTyped(db, spanOf(job), 40),
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
    vacuum: drawn('vacuum'),
    pump: drawn(PUMP_CHANNEL),
    scale: drawn('scale'),
    sides: { low: drawn('low'), high: drawn('high'), vent: drawn('vent') },
    warmth: drawn('engine_bay'),
    typed,
    benchTrouble: job.benchTrouble,
    judged,
    forecast,
    rung,
    here: hereAt(id),
    cursor: `${job.readingSeq}.${events.length}`,
  }
}
