import { W } from '@/core/language/pages/events-route'
import { forUser } from '@/server/accounts/session'
import { notFound } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { selectEvents } from '@/server/jobs/job-rows'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { Deeds, plain, recordDeeds } from '@/server/jobs/record-deeds'

/** The job's log as it stands. */
export const GET = handle(async (_request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const events = plain(await selectEvents(scope, jobId))
  if (events.length === 0) throw notFound(W.thisJob)
  return Response.json({ events, count: events.length })
})

/** Records what hands did; cautions nobody answered come back as a question (200), nothing is recorded then. */
export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const recorded = await recordDeeds(scope, jobId, parseInput(Deeds, await readJson(request)))
  return Response.json(recorded, { status: recorded.cautions ? 200 : 201 })
})
