import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { type EventDraft, EventDraftSchema, SERVER_KINDS } from '@/core/procedure/events'
import { requireUser } from '@/server/accounts/session'
import { database, transaction } from '@/server/db/pool'
import { AppError, notFound } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { appendEvents } from '@/server/jobs/append-events'
import { jobNow } from '@/server/jobs/job-now'
import { type JobContext, JobParams } from '@/server/jobs/params'

const Body = z.strictObject({
  events: z.array(z.looseObject({})).min(1).max(40),
})
/** A hand's clock may lead ours by this, ms of wall time. */
const AHEAD_MS = 5000

export const POST = handle(async (request, context: JobContext) => {
  const user = await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { events } = parseInput(Body, await readJson(request))
  const db = database()
  const now = await jobNow(db, jobId)
  if (!now) throw notFound('this job')
  const happenedAt = new Date(Math.round(now.ms)).toISOString()
  const drafts = parseInput(z.strictObject({ events: z.array(EventDraftSchema) }), {
    events: events.map((event) => ({ id: randomUUID(), happenedAt, ...event })),
  }).events
  refuse(drafts, now.ms + AHEAD_MS * now.factor)
  const appended = await transaction(db, (tx) => appendEvents(tx, user, jobId, drafts))
  return Response.json({ appended }, { status: 201 })
})

function refuse(drafts: readonly EventDraft[], latestMs: number): void {
  for (const [i, draft] of drafts.entries()) {
    if (SERVER_KINDS.includes(draft.kind)) {
      throw new AppError('bad-input', `${draft.kind} is written by the server`, [{ path: `events[${i}].kind`, reason: 'has a request of its own' }])
    }
    if (Date.parse(draft.happenedAt) > latestMs) {
      throw new AppError('bad-input', 'the time lies ahead', [{ path: `events[${i}].happenedAt`, reason: 'lies ahead of the job’s clock' }])
    }
  }
}
