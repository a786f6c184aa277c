import { forUser } from '@/server/accounts/session'
import { changeDay, DayChange } from '@/server/day/change-day'
import { dayView } from '@/server/day/plan-rows'
import { handle, parseInput, readJson } from '@/server/http'

/** The day's plan as it stands; null before the first. */
export const GET = handle(async () => {
  const scope = await forUser()
  return Response.json({ day: await dayView(scope) })
})

/** What the day is planned from: promises, who is there, what is to come, what was put somewhere by hand. */
export const POST = handle(async (request) => {
  const scope = await forUser()
  return Response.json(await changeDay(scope, parseInput(DayChange, await readJson(request))))
})
