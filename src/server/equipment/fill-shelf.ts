import { randomUUID } from 'node:crypto'
import * as z from 'zod'
import { text } from '@/core/entry/text'
import { assembleRig, RigParts } from '@/core/equipment/assemble'
import { EQUIPMENT_DEEDS, EQUIPMENT_KINDS, type EquipmentDeedKind, EquipmentWritten } from '@/core/equipment/equipment'
import { W } from '@/core/language/server/equipment'
import { DAY_MS, PA_PER_MICRON } from '@/core/units/constants'
import { selectAccounts } from '../accounts/accounts'
import type { Scope } from '../db/scope'
import { bookOpening } from '../ledger/ledger'
import { upsertRig } from '../shop/catalogue'
import { insertDeed, selectShelf, upsertEquipment } from './shelf'

const name = text(80)

const Readings = z.array(z.strictObject({ atS: z.number(), micron: z.number() }))

/** Equipment of a demo place: days are told as days ago. */
export const DemoEquipment = z.strictObject({
  kind: z.enum(EQUIPMENT_KINDS),
  name,
  spec: z.record(name, z.union([name, z.number()])),
  deeds: z.array(
    z.strictObject({
      kind: z.enum(Object.keys(EQUIPMENT_DEEDS) as [EquipmentDeedKind]),
      daysAgo: z.number().positive(),
      readings: Readings.optional(),
      volumeL: z.number().optional(),
    }),
  ),
})

/** A demo rig names its parts as people do. */
export const DemoRig = z.strictObject({
  name,
  pump: name,
  lowHose: name,
  highHose: name.nullable(),
  pumpHose: name.nullable(),
  gauge: name,
  gaugeAt: z.enum(['far', 'pump']),
  scale: name,
  cores: z.enum(['in', 'out']),
  couplers: RigParts.shape.couplers,
  gaugeValve: RigParts.shape.gaugeValve,
  fourPort: RigParts.shape.fourPort,
})

const DATES: Record<string, string> = {
  boughtDaysAgo: 'boughtOn',
  sealsDaysAgo: 'sealsRenewedOn',
  calibratedDaysAgo: 'calibratedOn',
}

/** Puts a demo place's equipment on the shelf with its history, and its rigs together from it. */
export async function fillShelf(
  db: Scope,
  equipment: readonly z.infer<typeof DemoEquipment>[],
  rigs: readonly z.infer<typeof DemoRig>[],
  now: Date,
): Promise<void> {
  const at = (daysAgo: number) => new Date(now.getTime() - daysAgo * DAY_MS)
  const lead = (await selectAccounts(db)).find((a) => a.role === 'lead')
  if (!lead) throw new RangeError(W.aDemoPlaceHasPeople)
  for (const { kind, name, spec, deeds } of equipment) {
    const dated = Object.entries(spec).map(([key, value]) =>
      DATES[key]
        ? [
            DATES[key],
            at(value as number)
              .toISOString()
              .slice(0, 10),
          ]
        : [key, value],
    )
    const item = EquipmentWritten.parse({
      id: randomUUID(),
      name,
      kind,
      spec: Object.fromEntries(dated),
      retired: false,
    })
    await upsertEquipment(db, item)
    if (item.kind === 'container') await bookOpening(db, lead, item)
    for (const deed of deeds) {
      const readings = deed.readings?.map((r) => ({
        atS: r.atS,
        pa: r.micron * PA_PER_MICRON,
        typed: W.micron(r.micron),
      }))
      const payload = EQUIPMENT_DEEDS[deed.kind].parse({
        ...(readings && { readings }),
        ...(deed.volumeL !== undefined && { volumeL: deed.volumeL }),
      })
      // a test after an oil change on the same day comes an hour later
      const happenedAt = new Date(at(deed.daysAgo).getTime() + (readings ? 3_600_000 : 0)).toISOString()
      await insertDeed(db, lead, { id: randomUUID(), equipmentId: item.id, kind: deed.kind, happenedAt, payload })
    }
  }
  const shelf = await selectShelf(db)
  const idOf = (name: string | null) => (name === null ? null : shelf.find((s) => s.name === name)?.id)
  for (const { name, gaugeAt, cores, couplers, gaugeValve, fourPort, ...named } of rigs) {
    const ids = Object.fromEntries(Object.entries(named).map(([part, value]) => [part, idOf(value)]))
    const parts = RigParts.parse({ ...ids, gaugeAt, cores, couplers, gaugeValve, fourPort })
    await upsertRig(db, { id: randomUUID(), ...assembleRig(name, parts, shelf) }, parts)
  }
}
