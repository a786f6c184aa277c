import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { forUser } from '@/server/accounts/session'
import { CarTold, tellCar } from '@/server/cars/cars'
import { handle, parseInput, readJson } from '@/server/http'

const Params = z.object({ carId: Id })

/** Keeps what was told of a car. */
export const POST = handle(async (request, context: { params: Promise<{ carId: string }> }) => {
  const scope = await forUser()
  const { carId } = parseInput(Params, await context.params)
  await tellCar(scope, carId, parseInput(CarTold, await readJson(request)))
  return Response.json({ ok: true })
})
