import { forUser } from '@/server/accounts/session'
import { requireOfTrainee } from '@/server/accounts/trainee'
import { handle, parseInput, readJson } from '@/server/http'
import { Arrival, takeIn } from '@/server/jobs/take-in'

/** Takes a car in. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  await requireOfTrainee(scope, scope.user, 'takeIn')
  const opened = await takeIn(scope, parseInput(Arrival, await readJson(request)))
  return Response.json(opened, { status: opened.repeated ? 200 : 201 })
})
