import { W } from '@/core/language/server/accounts'
import type { Role } from '@/core/shop/people'
import { AppError } from '../errors'

/** What a role may do beyond running jobs, which everybody may. */
const RIGHTS = {
  'sign-job': ['lead', 'technician'],
  'correct-book': ['lead', 'technician'],
  'plan-day': ['lead', 'technician'],
  'edit-shop': ['lead'],
} as const satisfies Record<string, readonly Role[]>
export type Right = keyof typeof RIGHTS

export const may = (role: Role, right: Right): boolean => (RIGHTS[right] as readonly Role[]).includes(role)

const REFUSED: Record<Right, string> = {
  'sign-job': W.aTraineeRunsJobsA,
  'correct-book': W.theLeadOrATechnician,
  'plan-day': W.theLeadOrATechnicianPlans,
  'edit-shop': W.onlyTheLeadEditsProcedures,
}

/** @throws AppError `not-allowed` naming the right */
export function requireRight(user: { role: Role }, right: Right): void {
  if (!may(user.role, right)) throw new AppError('not-allowed', REFUSED[right])
}
