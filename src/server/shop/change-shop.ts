import * as z from 'zod'
import { MOST_SIZES, OnSale } from '@/core/charge/buy'
import { Id } from '@/core/entry/id'
import { text } from '@/core/entry/text'
import { ProcedureWritten } from '@/core/job/events'
import { W } from '@/core/language/server/shop'
import { AccountChange, Invited, NewAccount } from '@/core/shop/people'
import { Air, airOf } from '@/core/shop/set-up'
import { TRAINEE_RIGHT_NAMES, TRAINEE_RIGHTS, TraineeRights } from '@/core/shop/trainee'
import { changeAccount, insertAccount, selectAccounts } from '../accounts/accounts'
import { invite } from '../accounts/invitations'
import { requireRight } from '../accounts/roles'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, namedOnce, type TxScope } from '../db/scope'
import { upsertProcedure } from './catalogue'
import { insertPlace, tellAir } from './places'
import { setOnSale, setRules, setTraineeRights } from './shop'
import { logShop } from './shop-log'

const AMBIENT_C = z.number().min(-40).max(60)
const PLACE_NAME = text(80, 1, W.aNamePeopleHereUse)
const LEAD_AFTER_MIN = z.number().int().min(1).max(120)
const BACKUP_DAYS = z.number().int().min(1).max(365)

/** What may be changed of a shop. */
export const ShopChange = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('procedure'), procedure: ProcedureWritten.extend({ id: Id, proves: text(500) }) }),
  z.strictObject({ what: z.literal('new-account'), account: NewAccount }),
  z.strictObject({ what: z.literal('account'), account: AccountChange }),
  z.strictObject({ what: z.literal('invite'), account: Invited }),
  z.strictObject({ what: z.literal('link'), id: Id }),
  z.strictObject({ what: z.literal('air'), place: Id.nullable(), air: Air, ambientC: AMBIENT_C }),
  z.strictObject({ what: z.literal('new-place'), name: PLACE_NAME, air: Air, ambientC: AMBIENT_C }),
  z.strictObject({ what: z.literal('on-sale'), sizes: z.array(OnSale).max(MOST_SIZES) }),
  z.strictObject({
    what: z.literal('rules'),
    certificateAsked: z.boolean(),
    backupDays: BACKUP_DAYS,
    leadAfterMin: LEAD_AFTER_MIN,
  }),
  z.strictObject({ what: z.literal('trainee-rights'), rights: TraineeRights }),
])
export type ShopChange = z.infer<typeof ShopChange>

/**
 * Changes a procedure, an account, the air of a place or the shop's own rules, in one transaction.
 * @throws AppError `not-allowed` for all but the lead, `conflict` for a name that is taken or when no lead would be
 *   left
 */
export async function changeShop(scope: UserScope, change: ShopChange): Promise<ShopChanged> {
  requireRight(scope.user, 'edit-shop')
  return namedOnce(
    inTransaction(scope, async (tx) => {
      const done = await apply(tx, scope.user.id, change)
      await writeDown(tx, scope.user.name, change)
      return done
    }),
  )
}

/** What of it belongs in the shop's own log. */
async function writeDown(tx: TxScope, by: string, change: ShopChange): Promise<void> {
  switch (change.what) {
    case 'new-account':
    case 'invite':
      return logShop(tx, by, 'account-made', `${change.account.name}, ${change.account.role}`)
    case 'account': {
      const { id, role, disabled } = change.account
      const name = (await selectAccounts(tx)).find((a) => a.id === id)?.name ?? id
      return logShop(tx, by, disabled ? 'account-closed' : 'account-changed', disabled ? name : `${name}, ${role}`)
    }
    case 'link':
      return logShop(tx, by, 'link-made', (await selectAccounts(tx)).find((a) => a.id === change.id)?.name)
    case 'trainee-rights': {
      const on = TRAINEE_RIGHT_NAMES.filter((name) => change.rights[name]).map((name) => TRAINEE_RIGHTS[name].label)
      return logShop(tx, by, 'rights-set', on.join(', ') || 'none')
    }
    case 'rules':
      return logShop(
        tx,
        by,
        'rules-set',
        W.certificateBackupEveryDaysThe(
          change.certificateAsked ? W.askedFor : W.mayBeLeftOut,
          change.backupDays,
          change.leadAfterMin,
        ),
      )
    default:
      return
  }
}

/** `link`: the path of somebody's link, told once. */
export type ShopChanged = { ok: true; link?: string }

async function apply(tx: TxScope, byId: string, change: ShopChange): Promise<ShopChanged> {
  switch (change.what) {
    case 'procedure':
      await upsertProcedure(tx, change.procedure)
      return { ok: true }
    case 'new-account':
      await insertAccount(tx, change.account)
      return { ok: true }
    case 'account':
      await changeAccount(tx, byId, change.account)
      return { ok: true }
    case 'invite':
      return { ok: true, link: linkOf(await invite(tx, (await insertAccount(tx, change.account)).id)) }
    case 'link':
      return { ok: true, link: linkOf(await invite(tx, change.id)) }
    case 'air':
      await tellAir(tx, change.place, {
        ...airOf(change.air),
        ambientC: change.ambientC,
        read: change.air.by !== 'altitude',
      })
      return { ok: true }
    case 'new-place':
      await insertPlace(tx, {
        name: change.name,
        ...airOf(change.air),
        ambientC: change.ambientC,
        read: change.air.by !== 'altitude',
      })
      return { ok: true }
    case 'on-sale':
      await setOnSale(tx, change.sizes)
      return { ok: true }
    case 'trainee-rights':
      await setTraineeRights(tx, change.rights)
      return { ok: true }
    case 'rules':
      await setRules(tx, change)
      return { ok: true }
    default: {
      const unknown: never = change
      return unknown
    }
  }
}

const linkOf = (token: string): string => `/invite/${token}`
