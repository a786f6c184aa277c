import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { handle, parseInput } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { readingsCsv } from '@/server/records/readings-csv'

export const GET = handle(async (_request, context: JobContext) => {
  await requireUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { text } = await readingsCsv(database(), jobId)
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="readings-${jobId.slice(0, 8)}.csv"`,
    },
  })
})
