import { z } from 'zod'
import { requireUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { signJob } from '@/server/records/sign-job'

const Body = z.strictObject({ id: z.uuid(), certificate: z.string().trim().min(1, 'the certificate number goes with the record').max(80) })

export const POST = handle(async (request, context: JobContext) => {
  const user = await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const body = parseInput(Body, await readJson(request))
  return Response.json({ appended: await signJob(user, jobId, body.id, body.certificate) }, { status: 201 })
})
