import { forUser } from '@/server/accounts/session'
import { handle } from '@/server/http'
import { boardStream } from '@/server/live/board-stream'

export const dynamic = 'force-dynamic'

export const GET = handle(async (request) => {
  const scope = await forUser()
  return boardStream(request, scope)
})
