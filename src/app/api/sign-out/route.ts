import { endSession, requireUser } from '@/server/accounts/session'
import { handle } from '@/server/http'

export const POST = handle(async () => {
  await requireUser()
  await endSession()
  return Response.json({ ok: true })
})
