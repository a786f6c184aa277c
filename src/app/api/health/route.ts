import { W } from '@/core/language/pages/health-route'
import { database } from '@/server/db/pool'
import { handle } from '@/server/http'
import { whatIsWrong } from '@/server/live/wrong'

export const dynamic = 'force-dynamic'

/**
 * Says only whether server and database answer, and if not what is being done about it; needs no session and tells
 * nothing of the shop.
 */
export const GET = handle(async () => {
  const answers = await database()
    .query('select 1')
    .then(
      () => true,
      () => false,
    )
  if (answers) return Response.json({ ok: true })
  return Response.json(
    { ok: false, wrong: whatIsWrong() ?? { part: 'database', words: W.theDatabaseDoesNotAnswer, againAt: null } },
    { status: 503 },
  )
})
