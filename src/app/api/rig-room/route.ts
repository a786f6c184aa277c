import { z } from 'zod'
import { Id } from '@/core/entry/id'
import { Instant } from '@/core/entry/instant'
import { text } from '@/core/entry/text'
import { assembleRig, PartMissing, RigParts } from '@/core/equipment/assemble'
import { DEEDS_OF, EQUIPMENT_DEEDS, Equipment, type EquipmentDeedKind } from '@/core/equipment/equipment'
import { requireRight } from '@/server/accounts/roles'
import { requireUser } from '@/server/accounts/session'
import { database } from '@/server/db/pool'
import { insertDeed, selectShelf, upsertEquipment } from '@/server/equipment/shelf'
import { AppError, notFound } from '@/server/errors'
import { handle, parseInput, readJson } from '@/server/http'
import { bookOpening } from '@/server/ledger/ledger'
import { upsertRig } from '@/server/shop/catalogue'

const deed = <K extends EquipmentDeedKind>(kind: K) =>
  z.strictObject({
    what: z.literal(kind),
    id: Id,
    equipmentId: Id,
    happenedAt: Instant,
    payload: EQUIPMENT_DEEDS[kind],
  })

const Body = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('equipment'), equipment: Equipment }),
  z.strictObject({ what: z.literal('rig'), rig: z.strictObject({ id: Id, name: text(60), parts: RigParts }) }),
  deed('oil-changed'),
  deed('seals-renewed'),
  deed('calibrated'),
  deed('blank-off'),
  deed('hose-hold'),
])

/**
 * The shelf, the rigs made of it, and what was done to it. Everybody tests and changes oil; the lead decides what there
 * is.
 */
export const POST = handle(async (request) => {
  const user = await requireUser()
  const body = parseInput(Body, await readJson(request))
  const db = database()
  try {
    switch (body.what) {
      case 'equipment':
        requireRight(user, 'edit-shop')
        await upsertEquipment(db, body.equipment)
        if (body.equipment.kind === 'container') await bookOpening(db, user, body.equipment)
        break
      case 'rig': {
        requireRight(user, 'edit-shop')
        const { id, name, parts } = body.rig
        await upsertRig(db, { id, ...assembleRig(name, parts, await selectShelf(db)) }, parts)
        break
      }
      default: {
        const item = (await selectShelf(db)).find((s) => s.id === body.equipmentId)
        if (!item) throw notFound('this piece of equipment')
        if (!DEEDS_OF[item.kind].includes(body.what))
          throw new AppError('bad-input', `A ${item.kind} has no ${body.what}.`, [
            { path: 'what', reason: `not for a ${item.kind}` },
          ])
        if (Date.parse(body.happenedAt) > Date.now() + 60_000)
          throw new AppError('bad-input', 'That moment is still to come.', [
            { path: 'happenedAt', reason: 'lies in the future' },
          ])
        await insertDeed(db, user, {
          id: body.id,
          equipmentId: body.equipmentId,
          kind: body.what,
          happenedAt: body.happenedAt,
          payload: body.payload,
        })
      }
    }
  } catch (error) {
    if (error instanceof PartMissing)
      throw new AppError(
        'bad-input',
        error.message,
        [{ path: `rig.parts.${error.part}`, reason: error.message }],
        error,
      )
    throw (error as { code?: string }).code === '23505'
      ? new AppError('conflict', 'That name is taken.', [{ path: 'name', reason: 'is taken' }], error)
      : error
  }
  return Response.json({ ok: true })
})
