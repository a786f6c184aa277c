import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { recordedSince, Waited } from '@/server/jobs/record-deeds'
import { signJob } from '@/server/records/sign-job'

const Body = z.strictObject({
  id: Id,
  certificate: text(80, 0),
  ...Waited,
})

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const body = parseInput(Body, await readJson(request))
  return Response.json(
    await recordedSince(
      scope,
      jobId,
      body.seen,
      await signJob(scope, jobId, body.id, body.certificate, body.waited && body.at ? Date.parse(body.at) : undefined),
    ),
    { status: 201 },
  )
})
