import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince } from '@/server/jobs/record-deeds'
import { signJob } from '@/server/records/sign-job'

const Body = z.strictObject({
  id: Id,
  certificate: text(80, 0),
  seen: z.number().int().min(0).max(1e6).optional(),
})

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const body = parseInput(Body, await readJson(request))
  return Response.json(
    await recordedSince(scope, jobId, body.seen, await signJob(scope, jobId, body.id, body.certificate)),
    { status: 201 },
  )
})
