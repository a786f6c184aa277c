import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import type { EquipmentWritten } from '@/core/equipment/equipment'
import { rigRead } from '@/core/job/written'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { selectRigs, upsertRig } from '../shop/catalogue'
import { draft, type Fixture, freshShop, here, OPENING } from '../tests/shop-fixture'
import { insertDeed, selectShelf, upsertEquipment } from './shelf'

let shop: Fixture
const [pumpId, hoseId, gaugeId, scaleId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()]
const hours = (h: number) => new Date(Date.parse('2026-11-01T06:00:00Z') + h * 3_600_000)
const PUMP: EquipmentWritten = {
  id: pumpId,
  name: 'Pump',
  kind: 'pump',
  retired: false,
  spec: { speedCfm: 4, stages: 2, ultimateMicron: 25 },
}
const HOSE: EquipmentWritten = {
  id: hoseId,
  name: 'Hose',
  kind: 'hose',
  retired: false,
  spec: { boreMm: 9.5, lengthM: 1.2, hoseKind: 'barrier-new', boughtOn: '2026-01-01', sealsRenewedOn: '2026-01-01' },
}
const REST: EquipmentWritten[] = [
  {
    id: gaugeId,
    name: 'Gauge',
    kind: 'gauge',
    retired: false,
    spec: { gaugeKind: 'electronic', resolutionMicron: 1, calibratedOn: '2026-06-01' },
  },
  { id: scaleId, name: 'Scale', kind: 'scale', retired: false, spec: { stepG: 2, calibratedOn: '2026-06-01' } },
]
const PARTS = {
  pump: pumpId,
  lowHose: hoseId,
  highHose: null,
  pumpHose: null,
  gauge: gaugeId,
  gaugeAt: 'far',
  scale: scaleId,
  cores: 'out',
} as const
const use = async () => {
  const pump = (await selectShelf(here())).find((s) => s.id === pumpId)
  return pump?.kind === 'pump' ? pump.use : undefined
}

/** A job on this pump from an hour on, the pump turned at the hours given: on, off, on, off. */
async function pumped(
  openedAt: number,
  turns: readonly number[],
  opened: 'component' | 'days' = 'component',
): Promise<string> {
  const id = randomUUID()
  const rig = { ...OPENING.rig, equipment: { pump: pumpId, hoses: [hoseId], gauge: gaugeId, scale: scaleId } }
  await inTransaction(here(), (tx) =>
    openJob(
      tx,
      shop.technician,
      { id, eventId: randomUUID(), payload: { ...OPENING, rig, story: { ...OPENING.story, opened } } },
      hours(openedAt),
    ),
  )
  const drafts = turns.map((h, i) => draft('part-set', { part: 'pump', state: i % 2 ? 'off' : 'on' }, hours(h)))
  await inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, drafts))
  return id
}

beforeEach(async () => {
  shop = await freshShop()
  for (const item of [PUMP, HOSE, ...REST]) await upsertEquipment(here(), item)
})

test('oil hours are the hours the pump was on, on every job, since the oil was changed; a wet job is counted', async () => {
  await pumped(0, [1, 2.5, 3, 3.5])
  await pumped(5, [6, 7], 'days')
  expect(await use()).toMatchObject({ hours: expect.closeTo(3, 6), wetJobs: 1, jobs: 2 })
  await insertDeed(here(), shop.technician, {
    id: randomUUID(),
    equipmentId: pumpId,
    kind: 'oil-changed',
    happenedAt: hours(6.5).toISOString(),
    payload: {},
  })
  // the change came in the middle of the second job: half an hour of it counts, and it was wet
  expect(await use()).toMatchObject({ hours: expect.closeTo(0.5, 6), wetJobs: 1, jobs: 1 })
})

test('oil changed on a car, in the middle of its pull, stands in the pump’s own book; one that was left in does not', async () => {
  const jobId = await pumped(0, [1, 2])
  const oil = (stage: string, h: number) =>
    inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, [draft('pump-oil', { stage }, hours(h))]))
  await oil('begun', 2)
  await oil('left', 2.1)
  expect(await use()).toMatchObject({ hours: expect.closeTo(1, 6) })
  await oil('begun', 2.2)
  await oil('done', 2.4)
  expect(await use()).toMatchObject({ hours: 0, jobs: 0 })
  const [change] = (await selectShelf(here())).find((s) => s.id === pumpId)?.deeds ?? []
  expect(change).toMatchObject({ kind: 'oil-changed', happenedAt: hours(2.4).toISOString() })
})

test('the same deed sent twice is one, and another pump’s jobs are not counted', async () => {
  const deed = {
    id: randomUUID(),
    equipmentId: pumpId,
    kind: 'oil-changed' as const,
    happenedAt: hours(1).toISOString(),
    payload: {},
  }
  await insertDeed(here(), shop.technician, deed)
  await insertDeed(here(), shop.technician, deed)
  expect((await selectShelf(here())).find((s) => s.id === pumpId)?.deeds).toHaveLength(1)
  expect(await use()).toMatchObject({ hours: 0, jobs: 0 })
})

test('a rig from the shelf has what its parts are now, and names the part that is gone', async () => {
  await upsertRig(here(), { id: randomUUID(), ...rigRead(OPENING.rig), name: 'Cart' }, PARTS)
  const readings = [400, 61, 61, 60].map((m, i) => ({ atS: i * 60, pa: m * 0.1333224, typed: `${m}` }))
  await insertDeed(here(), shop.technician, {
    id: randomUUID(),
    equipmentId: pumpId,
    kind: 'blank-off',
    happenedAt: hours(1).toISOString(),
    payload: { readings },
  })
  const [rig] = await selectRigs(here())
  expect(rig).toMatchObject({ name: 'Cart', hoses: 1, equipment: { pump: pumpId } })
  expect((rig?.ultimatePa ?? 0) / 0.1333224).toBeCloseTo(60, 6)
  await upsertEquipment(here(), { ...HOSE, retired: true })
  expect((await selectRigs(here()))[0]?.missing).toMatch(/Hose is retired/)
})
