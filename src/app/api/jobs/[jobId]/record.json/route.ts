import { forUser } from '@/server/accounts/session'
import { handle, parseInput } from '@/server/http'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { exportRecord } from '@/server/records/export-record'

export const GET = handle(async (_request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const record = await exportRecord(scope, jobId)
  return new Response(`${JSON.stringify(record, null, 1)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="record-${jobId.slice(0, 8)}.json"`,
    },
  })
})
