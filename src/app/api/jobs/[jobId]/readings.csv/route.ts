import { forUser } from '@/server/accounts/session'
import { handle, parseInput } from '@/server/http'
import { requireJob } from '@/server/jobs/job-rows'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { readingsCsv } from '@/server/records/readings-csv'

export const GET = handle(async (_request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  await requireJob(scope, jobId)
  const { text } = await readingsCsv(scope, jobId)
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="readings-${jobId.slice(0, 8)}.csv"`,
    },
  })
})
