import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { forUser } from '@/server/accounts/session'
import { handle, parseInput } from '@/server/http'
import { rigChoices } from '@/server/shop/rig-choices'

const Query = z.strictObject({ besides: Id.optional() })

/** The shop's rigs as one may take them, and what each is on by the day's plan. */
export const GET = handle(async (request) => {
  const scope = await forUser()
  const { besides } = parseInput(Query, Object.fromEntries(new URL(request.url).searchParams))
  return Response.json({ rigs: await rigChoices(scope, Date.now(), besides) })
})
