import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { requireUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { signJob } from '@/server/records/sign-job'

const Body = z.strictObject({ id: Id, certificate: text(80, 1, 'the certificate number goes with the record') })

export const POST = handle(async (request, context: JobContext) => {
  const user = await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const body = parseInput(Body, await readJson(request))
  return Response.json({ appended: await signJob(user, jobId, body.id, body.certificate) }, { status: 201 })
})
