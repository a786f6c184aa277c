import { benchFeed } from '@/server/bench/feed'
import { database } from '@/server/db/pool'
import { AppError } from '@/server/errors'
import { handle } from '@/server/http'
import { requireDevice } from '@/server/readings/ingest'

export const dynamic = 'force-dynamic'

/** What hands have done to the simulated cars; for the bench's own token only. */
export const GET = handle(async (request) => {
  const device = await requireDevice(database(), request)
  if (device.kind !== 'bench') throw new AppError('not-allowed', 'this token is an instrument’s, not the bench’s')
  const started = new URL(request.url).searchParams.get('started')?.split(',') ?? []
  return Response.json({ jobs: await benchFeed(started) })
})
