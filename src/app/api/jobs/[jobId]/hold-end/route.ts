import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { endHold } from '@/server/jobs/end-hold'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince } from '@/server/jobs/record-deeds'

const Body = z.strictObject({ id: Id, seen: z.number().int().min(0).max(1e6).optional() })

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { id, seen } = parseInput(Body, await readJson(request))
  return Response.json(await recordedSince(scope, jobId, seen, await endHold(scope, jobId, id, { seen })), {
    status: 201,
  })
})
