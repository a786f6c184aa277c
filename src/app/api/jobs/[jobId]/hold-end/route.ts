import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { requireUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { endHold } from '@/server/jobs/end-hold'
import { type JobContext, JobParams } from '@/server/jobs/params'

const Body = z.strictObject({ id: Id })

export const POST = handle(async (request, context: JobContext) => {
  const user = await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { id } = parseInput(Body, await readJson(request))
  return Response.json({ appended: await endHold(user, jobId, id) }, { status: 201 })
})
