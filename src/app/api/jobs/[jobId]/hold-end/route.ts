import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { endHold } from '@/server/jobs/end-hold'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince, Waited } from '@/server/jobs/record-deeds'

const Body = z.strictObject({ id: Id, ...Waited })

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { id, seen, at, waited, knew } = parseInput(Body, await readJson(request))
  const ending = { seen, ...(waited && at && { atMs: Date.parse(at), waited: { knew: knew ?? [] } }) }
  return Response.json(await recordedSince(scope, jobId, seen, await endHold(scope, jobId, id, ending)), {
    status: 201,
  })
})
