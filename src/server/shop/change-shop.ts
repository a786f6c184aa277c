import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { ProcedureWritten } from '@/core/job/events'
import { AccountChange, NewAccount } from '@/core/shop/people'
import { changeAccount, insertAccount } from '../accounts/accounts'
import { requireRight } from '../accounts/roles'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, namedOnce } from '../db/scope'
import { upsertProcedure } from './catalogue'

/** What may be changed of a shop. */
export const ShopChange = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('procedure'), procedure: ProcedureWritten.extend({ id: Id, proves: text(500) }) }),
  z.strictObject({ what: z.literal('new-account'), account: NewAccount }),
  z.strictObject({ what: z.literal('account'), account: AccountChange }),
])
export type ShopChange = z.infer<typeof ShopChange>

/**
 * Changes a procedure or an account, in one transaction.
 * @throws AppError `not-allowed` for all but the lead, `conflict` for a name that is taken or when no lead would be left
 */
export async function changeShop(scope: UserScope, change: ShopChange): Promise<void> {
  requireRight(scope.user, 'edit-shop')
  await namedOnce(
    inTransaction(scope, async (tx) => {
      if (change.what === 'procedure') await upsertProcedure(tx, change.procedure)
      else if (change.what === 'new-account') await insertAccount(tx, change.account)
      else await changeAccount(tx, scope.user.id, change.account)
    }),
  )
}
