import { forUser } from '@/server/accounts/session'
import { shippedScenarios } from '@/server/bench/scenarios'
import { handle } from '@/server/http'

/** Names of the scenarios and what the person at the car is told; never what is hidden. */
export const GET = handle(async () => {
  await forUser()
  return Response.json({ scenarios: (await shippedScenarios()).map(({ name, told }) => ({ name, told })) })
})
