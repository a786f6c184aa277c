import * as z from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { text } from '@/core/entry/text'
import { assembleRig, PartMissing, RigParts } from '@/core/equipment/assemble'
import { DEEDS_OF, EQUIPMENT_DEEDS, type EquipmentDeedKind, EquipmentWritten } from '@/core/equipment/equipment'
import { W } from '@/core/language/server/equipment'
import { requireRight } from '../accounts/roles'
import type { UserScope } from '../accounts/user-scope'
import { inTransaction, namedOnce, type TxScope } from '../db/scope'
import { AppError, notFound } from '../errors'
import { bookOpening } from '../ledger/ledger'
import { upsertRig } from '../shop/catalogue'
import { insertDeed, selectShelf, upsertEquipment } from './shelf'

const deed = <K extends EquipmentDeedKind>(kind: K) =>
  z.strictObject({
    what: z.literal(kind),
    id: Id,
    equipmentId: Id,
    happenedAt: Instant,
    payload: EQUIPMENT_DEEDS[kind],
  })

/** What may be done in the rig room. */
export const ShelfChange = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('equipment'), equipment: EquipmentWritten }),
  z.strictObject({ what: z.literal('rig'), rig: z.strictObject({ id: Id, name: text(60), parts: RigParts }) }),
  deed('oil-changed'),
  deed('seals-renewed'),
  deed('calibrated'),
  deed('blank-off'),
  deed('hose-hold'),
])
export type ShelfChange = z.infer<typeof ShelfChange>
type Deed = Exclude<ShelfChange, { what: 'equipment' | 'rig' }>

/** A hand's clock may lead ours by this, ms. */
const AHEAD_MS = 60_000

/**
 * Changes the shelf, a rig, or adds a deed, with all that comes of it in one transaction. Everybody tests and changes
 * oil; the lead decides what there is.
 * @throws AppError `not-allowed`, `not-found`, `conflict` for a name that is taken, `bad-input` for a part that is
 *   missing or a deed that cannot be
 */
export async function changeShelf(scope: UserScope, change: ShelfChange): Promise<void> {
  await namedOnce(
    inTransaction(scope, async (tx) => {
      if (change.what === 'equipment') {
        requireRight(scope.user, 'edit-shop')
        await upsertEquipment(tx, change.equipment)
        if (change.equipment.kind === 'container') await bookOpening(tx, scope.user, change.equipment)
      } else if (change.what === 'rig') {
        requireRight(scope.user, 'edit-shop')
        await putTogether(tx, change.rig)
      } else await addDeed(tx, change)
    }),
  )
}

async function putTogether(tx: TxScope, { id, name, parts }: { id: string; name: string; parts: RigParts }) {
  const shelf = await selectShelf(tx)
  try {
    await upsertRig(tx, { id, ...assembleRig(name, parts, shelf) }, parts)
  } catch (error) {
    if (!(error instanceof PartMissing)) throw error
    const fault = { path: `rig.parts.${error.part}`, reason: error.message }
    throw new AppError('bad-input', error.message, [fault], error)
  }
}

async function addDeed(tx: TxScope<UserScope>, { what, id, equipmentId, happenedAt, payload }: Deed): Promise<void> {
  const item = (await selectShelf(tx)).find((s) => s.id === equipmentId)
  if (!item) throw notFound(W.thisPieceOfEquipment)
  if (!DEEDS_OF[item.kind].includes(what))
    throw new AppError('bad-input', W.aHasNo(item.kind, what), [{ path: 'what', reason: W.notForA(item.kind) }])
  if (Date.parse(happenedAt) > Date.now() + AHEAD_MS)
    throw new AppError('bad-input', W.thatMomentIsStillTo, [{ path: 'happenedAt', reason: W.liesInTheFuture }])
  await insertDeed(tx, tx.user, { id, equipmentId, kind: what, happenedAt, payload })
}
