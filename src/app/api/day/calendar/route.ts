import * as z from 'zod'
import { forUser } from '@/server/accounts/session'
import { hasCalendar, makeCalendar, withdrawCalendar } from '@/server/day/calendar'
import { handle, parseInput, readJson } from '@/server/http'

const Body = z.strictObject({ what: z.enum(['make', 'withdraw']) })

/** Whether one has a calendar address; the address itself was told once. */
export const GET = handle(async () => Response.json({ made: await hasCalendar(await forUser()) }))

/** Makes one's own calendar address in place of the one before, or withdraws it. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  const { what } = parseInput(Body, await readJson(request))
  if (what === 'make') return Response.json({ path: await makeCalendar(scope) }, { status: 201 })
  await withdrawCalendar(scope)
  return Response.json({ path: null })
})
