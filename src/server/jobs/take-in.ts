import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { JobOpened } from '@/core/job/events'
import { W } from '@/core/language/server/jobs'
import type { SessionScope } from '../accounts/user-scope'
import { endExpected, setPromise } from '../day/day-rows'
import { inTransaction } from '../db/scope'
import { AppError } from '../errors'
import { datedBack, openJob } from './open-job'

/**
 * A car as it is taken in. `openedAt`: when one that is entered later came, up to 14 days back; now when left out.
 * `expected`: the id it was expected under.
 */
export const Arrival = z.strictObject({
  id: Id,
  eventId: Id,
  payload: JobOpened.omit({ datedBack: true }),
  openedAt: Instant.optional(),
  /** when it was promised for */
  promisedAt: Instant.optional(),
  /** the car that was expected and is this one */
  expected: Id.optional(),
})

/**
 * Opens a car's job on behalf of whoever takes it in.
 * @throws AppError `bad-input` for a simulated car in a place of real ones, or a time that cannot be
 */
export async function takeIn(
  scope: SessionScope,
  { openedAt, promisedAt, expected, ...draft }: z.infer<typeof Arrival>,
): Promise<{ id: string; repeated: boolean }> {
  if (draft.payload.simulated && !scope.shop.demo)
    throw new AppError('bad-input', W.theSimulatedBenchBelongsTo, [
      { path: 'payload.simulated', reason: W.onlyInTheDemoPlace },
    ])
  const earlier = openedAt === undefined ? undefined : datedBack(openedAt, draft.payload.simulated, Date.now())
  const payload = { ...draft.payload, ...(earlier && { datedBack: true as const }) }
  return inTransaction(scope, async (tx) => {
    const opened = await openJob(tx, scope.user, { ...draft, payload }, earlier)
    if (promisedAt !== undefined && !opened.repeated) await setPromise(tx, opened.id, Date.parse(promisedAt))
    if (expected !== undefined) await endExpected(tx, expected, opened.id)
    return opened
  })
}
