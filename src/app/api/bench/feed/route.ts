import { benchFeed } from '@/server/bench/feed'
import { handle } from '@/server/http'
import { forBench } from '@/server/readings/ingest'

export const dynamic = 'force-dynamic'

/** What hands have done to the simulated cars; for the bench's own token only. */
export const GET = handle(async (request) => {
  const scope = await forBench(request)
  const started = new URL(request.url).searchParams.get('started')?.split(',') ?? []
  return Response.json({ jobs: await benchFeed(scope, started) })
})
