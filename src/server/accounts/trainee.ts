import type { EventDraft, JobEvent } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/server/accounts'
import { rightsOf, TRAINEE_RIGHTS, type TraineeRight, type TraineeRights } from '@/core/shop/trainee'
import type { Scope } from '../db/scope'
import { AppError } from '../errors'
import type { Account } from './accounts'

/** What trainees may do in the shop, as the lead set it. */
export async function traineeRights(db: Scope): Promise<TraineeRights> {
  const { rows } = await db.query<{ set: Partial<TraineeRights> }>(
    'select trainee_rights as set from shop where id = $1',
    [db.shopId],
  )
  return rightsOf(rows[0]?.set ?? {})
}

/** @throws AppError `not-allowed` for a trainee whose lead has not switched it on */
export async function requireOfTrainee(db: Scope, user: Pick<Account, 'role'>, right: TraineeRight): Promise<void> {
  if (user.role === 'trainee' && !(await traineeRights(db))[right]) throw refused(right)
}

const refused = (right: TraineeRight) => new AppError('not-allowed', TRAINEE_RIGHTS[right].refused)

/**
 * What a trainee's deeds on a job ask for.
 * @throws AppError `not-allowed` naming the switch
 */
export async function requireDeedsOfTrainee(
  db: Scope,
  user: Pick<Account, 'role' | 'name'>,
  state: JobState,
  stored: readonly JobEvent[],
  drafts: readonly EventDraft[],
): Promise<void> {
  if (user.role !== 'trainee' || drafts.length === 0) return
  const rights = await traineeRights(db)
  for (const draft of drafts) {
    const asked = askedBy(draft, state, stored, user.name)
    if (asked === 'nobody') throw new AppError('not-allowed', W.aTechnicianNodsATrainee)
    if (asked !== null && !rights[asked]) throw refused(asked)
  }
}

function askedBy(
  draft: EventDraft,
  state: JobState,
  stored: readonly JobEvent[],
  name: string,
): TraineeRight | 'nobody' | null {
  switch (draft.kind) {
    case 'charge-nodded':
      return 'nobody'
    case 'container-started':
    case 'can-emptied':
      return state.nodded ? null : 'chargeAlone'
    case 'hold-skipped':
    case 'hold-shortened':
      return 'skipHold'
    case 'corrected':
      return stored.find((e) => e.id === draft.payload.eventId)?.by === name ? null : 'correctOthers'
    default:
      return null
  }
}
