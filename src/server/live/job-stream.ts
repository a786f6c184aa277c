import type { SessionScope } from '../accounts/user-scope'
import { selectClock, selectEvents, selectPulse } from '../jobs/job-rows'
import { notifyChange } from '../jobs/notify'
import { plain } from '../jobs/record-deeds'
import { selectReadingsAfter } from '../readings/history'
import { spanOf } from '../readings/span'
import { selectRinging, selectRung } from '../watch/alarm-rows'
import { selectForecast } from '../watch/forecast-rows'
import { judgedHold } from '../watch/judgement-rows'
import { eventStream } from './event-stream'
import { come, hereAt } from './presence'

/** Readings in one message at most. */
const MOST_READINGS = 3000

/** What a reader may want to know anew, besides readings: those are known by their number. */
const ALL = { events: true, judged: true, alarms: true, here: true }

/** Where a reader of a job stands: the last reading and the last event it has seen. */
export type Cursor = { readings: number; events: number }

/** Reads `readings.events`, such as `120.7`; null when it is neither. */
export function parseCursor(text: string | null): Cursor | null {
  const match = /^(\d{1,15})\.(\d{1,9})$/.exec(text ?? '')
  return match ? { readings: Number(match[1]), events: Number(match[2]) } : null
}

/** Everything new of a job as server-sent events, from a cursor on. */
export function jobStream(request: Request, db: SessionScope, jobId: string, from: Cursor): Response {
  let cursor = from
  // what a notification said is new; at first, and after a lost line, anything may be
  let wanted = ALL
  const gone = come(jobId, db.user, () => {
    // a database that is away tells nobody who is here: the next change does
    void notifyChange(db, { job: jobId, here: true }).catch(() => undefined)
  })
  return eventStream(
    request,
    db,
    (change) => {
      if (change === 'reconnected') {
        wanted = ALL
        return true
      }
      // what rings anywhere in the shop is told on every page
      if (change.shop !== db.shopId || (change.job !== jobId && !change.alarms)) return false
      if (change.job !== jobId) wanted = { ...wanted, alarms: true }
      else
        wanted = {
          events: wanted.events || change.events !== undefined,
          judged: wanted.judged || change.judged === true,
          alarms: wanted.alarms || change.alarms === true,
          here: wanted.here || change.here === true,
        }
      return true
    },
    async () => {
      const asked = wanted
      wanted = { events: false, judged: false, alarms: false, here: false }
      try {
        const pulse = await selectPulse(db, jobId)
        if (!pulse) return null
        // whatever woke it, no newer reading is known than the newest that is told
        const readings = await selectReadingsAfter(db, spanOf(pulse), cursor.readings, pulse.readingSeq, MOST_READINGS)
        const events = asked.events ? await selectEvents(db, jobId, cursor.events - 1) : []
        const first = cursor.events
        const more = readings.length === MOST_READINGS
        // numbers that were given to what was sent twice belong to no reading: they are passed too
        const readTo = more ? readings.at(-1)?.seq : pulse.readingSeq
        cursor = {
          readings: Math.max(cursor.readings, readTo ?? 0),
          events: cursor.events + events.length,
        }
        const said = asked.events || asked.judged || asked.alarms || asked.here
        if (readings.length === 0 && events.length === 0 && !said) return null
        const clock = events.length > 0 ? await selectClock(db, jobId) : undefined
        const judged = asked.judged ? await judgedHold(db, jobId) : undefined
        const forecast = asked.judged ? await selectForecast(db, jobId) : undefined
        const { latest, benchTrouble } = pulse
        return {
          id: `${cursor.readings}.${cursor.events}`,
          data: {
            readings,
            from: first,
            events: plain(events),
            clock,
            latest,
            benchTrouble,
            judged,
            forecast,
            ...(asked.alarms && { alarms: await selectRinging(db), rung: await selectRung(db, jobId) }),
            ...(asked.here && { here: hereAt(jobId) }),
            serverMs: Date.now(),
          },
          more,
        }
      } catch (error) {
        wanted = ALL
        throw error
      }
    },
    gone,
  )
}
