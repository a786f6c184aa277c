import { database } from '../db/pool'
import { selectClock, selectEvents, selectPulse } from '../jobs/job-rows'
import { plain } from '../jobs/record-deeds'
import { selectReadingsAfter } from '../readings/history'
import { spanOf } from '../readings/span'
import { eventStream } from './event-stream'

/** Readings in one message at most. */
const MOST_READINGS = 3000

/** Where a reader of a job stands: the last reading and the last event it has seen. */
export type Cursor = { readings: number; events: number }

/** Reads `readings.events`, such as `120.7`; null when it is neither. */
export function parseCursor(text: string | null): Cursor | null {
  const match = /^(\d{1,15})\.(\d{1,9})$/.exec(text ?? '')
  return match ? { readings: Number(match[1]), events: Number(match[2]) } : null
}

/** Everything new of a job as server-sent events, from a cursor on. */
export function jobStream(request: Request, sessionId: string, jobId: string, from: Cursor): Response {
  let cursor = from
  // what a notification said is new; at first, and after a lost line, anything may be
  let wanted = { readings: true, events: true }
  return eventStream(
    request,
    sessionId,
    (change) => {
      if (change !== 'reconnected' && change.job !== jobId) return false
      if (change === 'reconnected') wanted = { readings: true, events: true }
      else wanted = { readings: wanted.readings || change.readings !== undefined, events: wanted.events || change.events !== undefined }
      return true
    },
    async () => {
      const db = database()
      const asked = wanted
      wanted = { readings: false, events: false }
      try {
        const pulse = await selectPulse(db, jobId)
        if (!pulse) return null
        const readings = asked.readings ? await selectReadingsAfter(db, spanOf(pulse), cursor.readings, pulse.readingSeq, MOST_READINGS) : []
        const events = asked.events ? await selectEvents(db, jobId, cursor.events - 1) : []
        if (readings.length === 0 && events.length === 0 && !asked.events) return null
        const first = cursor.events
        cursor = { readings: readings[readings.length - 1]?.seq ?? cursor.readings, events: cursor.events + events.length }
        const more = readings.length === MOST_READINGS
        if (more) wanted = { ...wanted, readings: true }
        const clock = events.length > 0 ? await selectClock(db, jobId) : undefined
        const { latest, benchTrouble } = pulse
        return { id: `${cursor.readings}.${cursor.events}`, data: { readings, from: first, events: plain(events), clock, latest, benchTrouble, serverMs: Date.now() }, more }
      } catch (error) {
        wanted = { readings: true, events: true }
        throw error
      }
    },
  )
}
