import { forUser } from '@/server/accounts/session'
import { BenchControl, controlBench } from '@/server/bench/control'
import { handle, parseInput, readJson } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  await controlBench(scope, jobId, parseInput(BenchControl, await readJson(request)))
  return Response.json({ ok: true })
})
