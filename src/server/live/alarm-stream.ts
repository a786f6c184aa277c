import type { SessionScope } from '../accounts/user-scope'
import { selectRinging } from '../watch/alarm-rows'
import { eventStream } from './event-stream'

/** What rings in the shop as server-sent events, for pages that have no other stream: all of it at each change. */
export function alarmStream(request: Request, scope: SessionScope): Response {
  let counter = 0
  return eventStream(
    request,
    scope,
    (change) => change === 'reconnected' || (change.shop === scope.shopId && change.alarms === true),
    async () => ({ id: String(++counter), data: { alarms: await selectRinging(scope), serverMs: Date.now() } }),
  )
}
