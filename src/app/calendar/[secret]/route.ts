import * as z from 'zod'
import { verbatim } from '@/core/entry/text'
import { W } from '@/core/language/pages/secret-route'
import { calendarOf } from '@/server/day/calendar'
import { database } from '@/server/db/pool'
import { notFound } from '@/server/errors'
import { handle, parseInput } from '@/server/http'

export const dynamic = 'force-dynamic'

const Params = z.strictObject({ secret: verbatim(80, 8) })

/** Somebody's own days, for whatever calendar was given the address. */
export const GET = handle(async (_request: Request, context: { params: Promise<{ secret: string }> }) => {
  const { secret } = parseInput(Params, await context.params)
  const calendar = await calendarOf(database(), secret.replace(/\.ics$/, ''), Date.now())
  if (calendar === null) throw notFound(W.aCalendarOfThisAddress)
  return new Response(calendar, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'no-store', 'x-robots-tag': 'noindex' },
  })
})
