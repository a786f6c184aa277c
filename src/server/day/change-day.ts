import * as z from 'zod'
import { Works } from '@/core/day/works'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { text } from '@/core/entry/text'
import { STEPS } from '@/core/job/steps'
import { W } from '@/core/language/server/day'
import { DAY_MS } from '@/core/units/constants'
import { requireRight } from '../accounts/roles'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { notifyDay } from '../jobs/notify'
import { deletePins, endExpected, endOff, insertOff, setPromise, setWorks, upsertExpected, upsertPin } from './day-rows'

const Name = text(80)
/** A day is planned around moments no farther off than this, ms. */
const FARTHEST_MS = 400 * DAY_MS
const Moment = Instant.refine((t) => Math.abs(Date.parse(t) - Date.now()) < FARTHEST_MS, W.liesMoreThanAYear)

const ToCome = z
  .strictObject({
    id: Id,
    name: Name,
    model: text(200, 0),
    arrives: Moment,
    promised: Moment.nullable(),
    fixMin: z.number().min(0, W.notBelowZero).max(2880, W.twoDaysOfMinutesAt),
  })
  .refine((c) => c.promised === null || Date.parse(c.promised) > Date.parse(c.arrives), {
    path: ['promised'],
    error: W.isPromisedBeforeItComes,
  })

/** What may be changed of a shop's day. */
export const DayChange = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('promise'), car: Id, at: Moment.nullable() }),
  z.strictObject({ what: z.literal('expect'), car: ToCome }),
  z.strictObject({ what: z.literal('not-coming'), id: Id }),
  z.strictObject({
    what: z.literal('pin'),
    car: Id,
    step: z.enum(STEPS),
    person: Id,
    rig: Name.nullable(),
    from: Moment,
  }),
  z.strictObject({ what: z.literal('let-go'), car: Id, step: z.enum(STEPS) }),
  z.strictObject({ what: z.literal('let-all-go') }),
  z
    .strictObject({
      what: z.literal('away'),
      id: Id,
      account: Id.nullable(),
      thing: Name.nullable(),
      from: Moment,
      to: Moment.nullable(),
    })
    .refine((a) => (a.account === null) !== (a.thing === null), {
      path: ['account'],
      error: W.eitherSomebodyIsAwayOr,
    })
    .refine((a) => a.to === null || Date.parse(a.to) > Date.parse(a.from), {
      path: ['to'],
      error: W.liesBeforeItBegins,
    }),
  z.strictObject({ what: z.literal('back'), id: Id }),
  z.strictObject({ what: z.literal('works'), account: Id, works: Works.nullable() }),
])
export type DayChange = z.infer<typeof DayChange>

/**
 * Changes what a shop's day is planned from; the plan follows by itself.
 * @throws AppError `not-allowed` for a trainee, and for whoever sets another's hours without being the lead
 */
export async function changeDay(scope: UserScope, change: DayChange): Promise<{ ok: true }> {
  const ownOnly = scope.user.role === 'trainee'
  const own = (change.what === 'away' && change.account === scope.user.id) || change.what === 'back'
  if (ownOnly && !own) requireRight(scope.user, 'plan-day')
  if (change.what === 'works' && change.account !== scope.user.id) requireRight(scope.user, 'edit-shop')
  return inTransaction(scope, async (tx) => {
    await apply(tx, scope.user.name, change)
    await notifyDay(tx, 'asked')
    return { ok: true as const }
  })
}

async function apply(tx: TxScope, by: string, change: DayChange): Promise<void> {
  switch (change.what) {
    case 'promise':
      if (!(await setPromise(tx, change.car, change.at === null ? null : Date.parse(change.at))))
        throw notFound(W.thisCar)
      return
    case 'expect': {
      const { arrives, promised, ...car } = change.car
      return upsertExpected(tx, {
        ...car,
        arrivesMs: Date.parse(arrives),
        promisedMs: promised === null ? null : Date.parse(promised),
        by,
      })
    }
    case 'not-coming':
      return endExpected(tx, change.id, null)
    case 'pin':
      return upsertPin(tx, { ...change, fromMs: Date.parse(change.from), by }).catch(strangeAccount)
    case 'let-go':
      return deletePins(tx, { car: change.car, step: change.step })
    case 'let-all-go':
      return deletePins(tx, null)
    case 'away':
      return insertOff(
        tx,
        {
          id: change.id,
          accountId: change.account,
          thing: change.thing,
          fromMs: Date.parse(change.from),
          toMs: change.to === null ? null : Date.parse(change.to),
        },
        by,
      ).catch(strangeAccount)
    case 'back':
      return endOff(tx, change.id, Date.now())
    case 'works':
      return setWorks(tx, change.account, change.works)
    default: {
      const unknown: never = change
      return unknown
    }
  }
}

/** An account of nobody here. */
function strangeAccount(error: { code?: string }): never {
  if (error.code === '23503')
    throw new AppError('bad-input', W.nobodyOfThisShopHas, [{ path: 'account', reason: W.isNobodysHere }])
  throw error
}
