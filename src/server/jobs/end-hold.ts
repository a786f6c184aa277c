import { randomUUID } from 'node:crypto'
import { holdContext } from '@/core/hold/context'
import { holdSamples } from '@/core/hold/samples'
import { contradictionOf } from '@/core/job/contradictions'
import type { EventDraft, JobEvent } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { currentHold } from '@/core/job/state'
import { W } from '@/core/language/server/jobs'
import { holdEnded } from '@/core/schools/ended'
import type { Author } from '../accounts/author'
import { inTransaction, type Scope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { airOfHold } from '../readings/air-of-hold'
import { selectChannelAfter } from '../readings/history'
import { selectSpan, within } from '../readings/span'
import { judgeApart } from '../watch/judge-thread'
import { type Appended, appendEvents } from './append-events'
import { jobNow } from './job-now'
import { type StoredEvent, selectEvents, selectJobForUpdate } from './job-rows'
import { refuseContradicted } from './record-deeds'

/** How a hold is ended: by hand now, by a hand that had no line then, or at a moment of its own. */
type Ending = {
  /** job time it ends, ms; now when left out */
  atMs?: number | undefined
  /** how many events the hand had seen; without it the job as it stands counts */
  seen?: number | undefined
  /** it waited without a line: what contradicts it meanwhile stands beside it */
  waited?: { knew: readonly string[] } | undefined
}

/** What happened to this hold that a hand without a line did not know of; null when nothing did. */
const meanwhile = (events: readonly StoredEvent[], draft: EventDraft, { seen, waited }: Ending): JobEvent | null =>
  waited && seen !== undefined
    ? contradictionOf(
        events.slice(seen).filter((e) => !waited.knew.includes(e.id)),
        draft,
      )
    : null

/**
 * Ends the running hold of a job and judges it on all readings since isolation.
 * @param eventId - id of the event that will hold the verdict; the same twice ends it once
 * @throws AppError `conflict` when the job is not holding, or somebody ended this hold meanwhile and it did not wait
 */
export async function endHold(
  db: Scope & { user: Author },
  jobId: string,
  eventId: string,
  ending: Ending = {},
): Promise<Appended[]> {
  const events = await selectEvents(db, jobId)
  if (events.length === 0) throw notFound(W.thisJob)
  const repeated = events.find((e) => e.id === eventId)
  if (repeated) return [{ id: eventId, seq: repeated.seq, repeated: true }]
  const stub = { id: eventId, kind: 'hold-ended', happenedAt: '', payload: {} } as unknown as EventDraft
  const against = meanwhile(events, stub, ending)
  // what was done without a line is judged as the job stood then
  const state = foldJob(
    against
      ? events.slice(
          0,
          events.findIndex((e) => e.id === against.id),
        )
      : events,
  )
  const hold = currentHold(state)
  if (state.step !== 'hold' || !hold || hold.ended) throw new AppError('conflict', W.thisCarIsNotHolding)
  const from = Date.parse(hold.isolatedAt)
  const nowMs = (await jobNow(db, jobId))?.ms ?? from
  // a clock that was set back makes no hold of less than nothing, and none ends ahead of now
  const to = Math.max(from, ending.waited ? Math.min(ending.atMs ?? nowMs, nowMs) : (ending.atMs ?? nowMs))
  const readings = await selectChannelAfter(
    db,
    within(await selectSpan(db, jobId), new Date(from), new Date(to)),
    'vacuum',
    new Date(from),
    0,
    Number.MAX_SAFE_INTEGER,
  )
  const air = await airOfHold(db, jobId, { fromMs: from, toMs: to }, state.opened.place.barometerPa)
  const samples = holdSamples(readings, from, to, air)
  const judged = await judgeApart(samples, holdContext(state, hold.plannedMinutes, hold, air.read))
  const payload = holdEnded(state, judged, (to - from) / 1000, samples.length)
  const happenedAt = new Date(Math.round(to)).toISOString()
  const draft = { id: eventId, kind: 'hold-ended' as const, happenedAt, payload }
  return inTransaction(db, async (tx) => {
    await selectJobForUpdate(tx, jobId)
    const stored = await selectEvents(tx, jobId)
    const now = meanwhile(stored, draft, ending)
    if (!ending.waited) refuseContradicted(stored, ending.seen, draft)
    const aside = now
      ? [{ id: randomUUID(), kind: 'set-aside' as const, happenedAt, payload: { eventId, because: now.id } }]
      : []
    return (await appendEvents(tx, db.user, jobId, [...aside, draft])).filter((a) => a.id === eventId)
  })
}
