import type { SessionScope } from '../accounts/user-scope'
import { dayView } from '../day/plan-rows'
import { boardRows, boardView } from '../jobs/board-view'
import { eventStream } from './event-stream'

/** Cars that changed are gathered for this long, ms: a board of 200 cars is not read anew for each reading. */
const GATHER_MS = 400

/**
 * The board as server-sent events: all of it at first and whenever the line to the database was lost, then the cars
 * that changed. Rows are the board's own (`BoardRow`); a message with `all` holds every car there is, one with `day`
 * the day's plan.
 */
export function boardStream(request: Request, scope: SessionScope): Response {
  const changed = new Set<string>()
  let everything = true
  let planned = true
  let counter = 0
  return eventStream(
    request,
    scope,
    (change) => {
      if (change === 'reconnected') everything = planned = true
      else if (change.shop !== scope.shopId) return false
      else if (change.day === 'asked') return false
      else if (change.day) planned = true
      else changed.add(change.job)
      return true
    },
    async () => {
      await new Promise((done) => setTimeout(done, GATHER_MS))
      const all = everything
      const withDay = planned
      const ids = [...changed]
      everything = planned = false
      changed.clear()
      if (!all && !withDay && ids.length === 0) return null
      try {
        const rows = all ? await boardView(scope) : ids.length > 0 ? await boardRows(scope, ids) : []
        return { id: String(++counter), data: { rows, all, ...(withDay && { day: await dayView(scope) }) } }
      } catch (error) {
        // what could not be read is still to be told
        everything ||= all
        planned ||= withDay
        for (const id of ids) changed.add(id)
        throw error
      }
    },
  )
}
