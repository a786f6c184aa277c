import { database } from '@/server/db/pool'
import { handle } from '@/server/http'

export const dynamic = 'force-dynamic'

/** Says only that server and database answer; needs no session and tells nothing of the shop. */
export const GET = handle(async () => {
  await database().query('select 1')
  return Response.json({ ok: true })
})
