import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle, parseInput, readJson } from '@/server/http'
import { endHold } from '@/server/jobs/end-hold'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince } from '@/server/jobs/record-deeds'

const Body = z.strictObject({ id: Id, seen: z.number().int().min(0).max(1e6).optional() })

export const POST = handle(async (request, context: JobContext) => {
  const user = await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { id, seen } = parseInput(Body, await readJson(request))
  return Response.json(await recordedSince(database(), jobId, seen, await endHold(user, jobId, id, { seen })), {
    status: 201,
  })
})
