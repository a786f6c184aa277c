import { forUser } from '@/server/accounts/session'
import { requireOfTrainee } from '@/server/accounts/trainee'
import { handle, parseInput, readJson } from '@/server/http'
import { Hanging, hangInstrument } from '@/server/instruments/hang'
import { type JobContext, JobParams } from '@/server/jobs/params'

/** Hangs an instrument of the shop on a car, or takes it off. */
export const POST = handle(async (request, context: JobContext) => {
  const scope = await forUser()
  const { jobId } = parseInput(JobParams, await context.params)
  await requireOfTrainee(scope, scope.user, 'hangInstruments')
  return Response.json(await hangInstrument(scope, jobId, parseInput(Hanging, await readJson(request))), {
    status: 201,
  })
})
