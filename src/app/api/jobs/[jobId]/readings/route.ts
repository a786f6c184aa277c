import * as z from 'zod'
import { Instant } from '@/core/entry/instant'
import { CHANNELS } from '@/core/units/channel'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput, readJson } from '@/server/http'
import { requireJob } from '@/server/jobs/job-rows'
import { type JobContext, JobParams } from '@/server/jobs/params'
import { selectAverages, selectHistory } from '@/server/readings/history'
import { selectSpan, within } from '@/server/readings/span'
import { TypedReading, typeReadings } from '@/server/readings/type-reading'

const Query = z.strictObject({
  channel: z.enum(CHANNELS),
  from: Instant.optional(),
  to: Instant.optional(),
  most: z.coerce.number().int().min(10).max(10_000).default(1200),
  kind: z.enum(['extremes', 'averages']).default('extremes'),
})
const Body = z.strictObject({ readings: z.array(TypedReading).min(1).max(100) })

export const GET = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const query = parseInput(Query, Object.fromEntries(new URL(request.url).searchParams))
  const from = query.from ? new Date(query.from) : null
  const to = query.to ? new Date(query.to) : null
  await requireJob(scope, jobId)
  const span = within(await selectSpan(scope, jobId), from, to)
  const select = query.kind === 'averages' ? selectAverages : selectHistory
  const points = await select(scope, span, query.channel, query.most)
  return Response.json({ points })
})

export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  const { readings } = parseInput(Body, await readJson(request))
  return Response.json({ stored: await typeReadings(scope, jobId, readings) }, { status: 202 })
})
