import { endSession, forUser } from '@/server/accounts/session'
import { handle } from '@/server/http'

export const POST = handle(async () => {
  const { shop } = await forUser()
  await endSession(shop)
  return Response.json({ ok: true })
})
