import { requireUser } from '@/server/accounts/session'
import { handle } from '@/server/http'
import { boardStream } from '@/server/live/job-stream'

export const dynamic = 'force-dynamic'

export const GET = handle(async (request) => {
  await requireUser()
  return boardStream(request)
})
