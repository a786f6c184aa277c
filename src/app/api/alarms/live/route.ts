import { forUser } from '@/server/accounts/session'
import { handle } from '@/server/http'
import { alarmStream } from '@/server/live/alarm-stream'

export const dynamic = 'force-dynamic'

export const GET = handle(async (request) => {
  const scope = await forUser()
  return alarmStream(request, scope)
})
