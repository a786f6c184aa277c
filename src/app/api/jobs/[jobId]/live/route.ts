import { W } from '@/core/language/pages/live-route'
import { forUser } from '@/server/accounts/session'
import { AppError } from '@/server/errors'
import { handle, parseInput } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { jobStream, parseCursor } from '@/server/live/job-stream'

export const dynamic = 'force-dynamic'

/** What is new of a job as it happens; a reader that lost the line resumes by its Last-Event-ID. */
export const GET = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const cursor =
    parseCursor(request.headers.get('last-event-id')) ?? parseCursor(new URL(request.url).searchParams.get('from'))
  if (!cursor) throw new AppError('bad-input', W.sayWhereToBegin, [{ path: 'from', reason: W.readingsEventsSuchAs0 }])
  return jobStream(request, scope, jobId, cursor)
})
