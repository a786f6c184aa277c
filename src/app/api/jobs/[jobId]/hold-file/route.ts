import * as z from 'zod'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { HoldFile, storeHoldFile } from '@/server/jobs/hold-file'
import { type JobContext, JobParams } from '@/server/jobs/params'

const Body = z.strictObject({ file: HoldFile })

/** Puts a logger's readings, or a typed table, into the hold that is running. */
export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { file } = parseInput(Body, await readJson(request))
  return Response.json({ stored: await storeHoldFile(scope, jobId, file) }, { status: 202 })
})
