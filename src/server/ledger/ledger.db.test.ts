import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import type { LedgerDraft } from '@/core/shop/ledger'
import { outOfBalanceG, type Statement } from '@/core/shop/statement'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { selectShelf, upsertEquipment } from '../equipment/shelf'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { draft, type Fixture, freshShop, here, jobWithGauge, OPENING } from '../tests/shop-fixture'
import { bookByHand } from './by-hand'
import { bookOpening, selectBalances, selectLedger, selectTotals } from './ledger'
import { selectStatement } from './statement'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})

const CYLINDER = {
  id: randomUUID(),
  name: 'Cylinder 7',
  kind: 'container' as const,
  retired: false,
  spec: { containerKind: 'cylinder' as const, refrigerant: 'R-134a' as const, grossG: 9120, tareG: 3410 },
}
const ledger = () => selectLedger(here(), {}, 'UTC', 100)

async function onShelf(): Promise<void> {
  await upsertEquipment(here(), CYLINDER)
  await bookOpening(here(), shop.lead, CYLINDER)
}

/** A charge from the cylinder: planned, put on, taken off. */
async function charged(endGrossG: number): Promise<{ jobId: string; ended: ReturnType<typeof draft> }> {
  const jobId = await jobWithGauge(shop.lead)
  const plan = {
    targetG: 500,
    purgeEachG: 3,
    containers: [{ id: 'Cylinder 7', kind: 'cylinder', grossG: 9120, tareG: 3410, stockId: CYLINDER.id }],
    stops: [{ id: 'Cylinder 7', stopGrossG: 8617, takenG: 503, purgeG: 3 }],
    bandG: [495, 505],
  }
  const ended = draft('container-ended', { id: 'Cylinder 7', grossG: endGrossG })
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, jobId, [
      draft('charge-planned', plan),
      draft('container-started', { id: 'Cylinder 7', grossG: 9120 }),
      ended,
    ]),
  )
  return { jobId, ended }
}

test('a charge is booked with its purge in the event’s own transaction, and the shelf weighs what the scale showed', async () => {
  await onShelf()
  const { jobId, ended } = await charged(8617)
  const entries = await ledger()
  expect(entries.map((e) => [e.kind, e.grams, e.container])).toEqual(
    expect.arrayContaining([
      ['bought', 5710, 'Cylinder 7'],
      ['charged', -500, 'Cylinder 7'],
      ['purged', -3, 'Cylinder 7'],
    ]),
  )
  expect(await selectBalances(here())).toMatchObject([{ container: 'Cylinder 7', grams: 5207 }])
  const shelf = await selectShelf(here())
  expect(shelf.find((s) => s.id === CYLINDER.id)?.spec).toMatchObject({ grossG: 8617 })
  // the same event again books nothing again
  await inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, [ended]))
  expect((await ledger()).length).toBe(entries.length)
})

test('an event that is refused leaves no line behind', async () => {
  await onShelf()
  const jobId = await jobWithGauge(shop.lead)
  const id = randomUUID()
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, jobId, [{ ...draft('recovered', { grams: 200 }), id }]),
  )
  await expect(
    inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, [{ ...draft('recovered', { grams: 300 }), id }])),
  ).rejects.toThrow(/another content/)
  expect((await ledger()).filter((e) => e.kind === 'recovered').map((e) => e.grams)).toEqual([200])
})

test('a book that has less than was weighed out is never negative: a correction says so by name', async () => {
  await onShelf()
  await bookByHand(here(), shop.lead, {
    id: randomUUID(),
    kind: 'corrected',
    refrigerant: 'R-134a',
    container: 'Cylinder 7',
    equipmentId: CYLINDER.id,
    grams: -5500,
    why: 'weighed again',
  })
  await charged(8617)
  const entries = await ledger()
  expect((await selectBalances(here()))[0]?.grams).toBeCloseTo(0, 6)
  expect(entries.find((e) => e.kind === 'corrected' && e.grams > 0)).toMatchObject({
    grams: 293,
    why: expect.stringMatching(/more was weighed out/),
  })
})

test('an emptied can takes its heel with it and its book ends at nothing; a can not on the shelf is on no balance', async () => {
  const can = {
    ...CYLINDER,
    id: randomUUID(),
    name: 'Can 21',
    spec: { containerKind: 'can' as const, refrigerant: 'R-134a' as const, grossG: 472, tareG: 132 },
  }
  await upsertEquipment(here(), can)
  await bookOpening(here(), shop.lead, can)
  const jobId = await jobWithGauge(shop.lead)
  const containers = [
    { id: 'Can 21', kind: 'can', grossG: 472, netG: 340, stockId: can.id },
    { id: 'can-2', kind: 'can', grossG: 470, netG: 340 },
  ]
  const stops = containers.map((c) => ({ id: c.id, stopGrossG: 140, takenG: 332, purgeG: 3 }))
  const plan = draft('charge-planned', { targetG: 658, purgeEachG: 3, containers, stops, bandG: [650, 666] })
  const use = (id: string, from: number, to: number) => [
    draft('container-started', { id, grossG: from }),
    draft('container-ended', { id, grossG: to }),
  ]
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, jobId, [plan, ...use('Can 21', 472, 140), ...use('can-2', 470, 139)]),
  )
  const entries = await ledger()
  const of = (kind: string) => entries.filter((e) => e.kind === kind).map((e) => e.grams)
  expect(of('heel').sort()).toEqual([-8, -9])
  expect(of('charged').sort()).toEqual([-328, -329])
  expect(await selectBalances(here())).toMatchObject([{ container: 'Can 21', grams: 0 }])
})

test('lines are found by the shop’s own days, by container and by car', async () => {
  await onShelf()
  await charged(8617)
  const found = async (query: object, zone = 'UTC') => (await selectLedger(here(), query, zone, 100)).length
  const all = await found({})
  expect(all).toBe(3)
  expect(await found({ container: 'cyl' })).toBe(3)
  expect(await found({ car: 'nobody' })).toBe(0)
  expect(await found({ from: '2099-01-01' })).toBe(0)
  expect(await found({ to: '2099-01-01' })).toBe(3)
  // half an hour after midnight by the one clock is still the day before by the other
  await database().query(`update ledger_entry set happened_at = '2026-03-02T00:30:00Z'`)
  expect(await found({ from: '2026-03-02' }, 'UTC')).toBe(3)
  expect(await found({ from: '2026-03-02' }, 'America/Santiago')).toBe(0)
  expect(await found({ to: '2026-03-01' }, 'America/Santiago')).toBe(3)
})

test('a container of the shelf is what the shelf says it is: another refrigerant is refused and nothing is stored', async () => {
  await upsertEquipment(here(), { ...CYLINDER, spec: { ...CYLINDER.spec, refrigerant: 'R-1234yf' } })
  await expect(charged(8617)).rejects.toThrow(/Cylinder 7 holds R-1234yf, the car’s label asks for R-134a: never mix/)
  const { rows } = await database().query(
    `select count(*)::int as n from event where kind in ('charge-planned', 'container-started', 'container-ended')`,
  )
  expect(rows[0].n).toBe(0)
  expect(await ledger()).toEqual([])
})

test('a container taken off twice is refused with its reason, and the book keeps the first', async () => {
  await onShelf()
  const { jobId } = await charged(8617)
  const before = await ledger()
  const again = inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, jobId, [draft('container-ended', { id: 'Cylinder 7', grossG: 8500 })]),
  )
  await expect(again).rejects.toThrow(/not on the scale: it was weighed off already/)
  expect(await ledger()).toEqual(before)
})

test('one event id on two cars books a line for each', async () => {
  const id = randomUUID()
  for (let car = 0; car < 2; car++) {
    const jobId = await jobWithGauge(shop.lead)
    await inTransaction(here(), (tx) =>
      appendEvents(tx, shop.lead, jobId, [{ ...draft('recovered', { grams: 100 + car }), id }]),
    )
  }
  const recovered = (await selectLedger(here(), {}, 'UTC', 100)).filter((e) => e.kind === 'recovered')
  expect(recovered.map((e) => e.grams).sort()).toEqual([100, 101])
})

const bought = (more: object) => ({
  id: randomUUID(),
  kind: 'bought' as const,
  refrigerant: 'R-134a' as const,
  container: 'box',
  equipmentId: null,
  grams: 340,
  why: '',
  ...more,
})

test('an entry sent again is booked once; changed and sent again it is refused', async () => {
  const entry = bought({ grams: 340.5 })
  await bookByHand(here(), shop.technician, entry)
  await bookByHand(here(), shop.technician, entry)
  await expect(bookByHand(here(), shop.technician, { ...entry, grams: 341 })).rejects.toMatchObject({
    code: 'conflict',
  })
  expect((await selectLedger(here(), {}, 'UTC', 100)).map((e) => e.grams)).toEqual([340.5])
})

test('a trainee books nothing by hand until the lead lets them, and corrects nothing then; whoever signs corrects', async () => {
  await expect(bookByHand(here(), shop.trainee, bought({}))).rejects.toMatchObject({ code: 'not-allowed' })
  await database().query(`update shop set trainee_rights = '{"bookByHand": true}'`)
  await bookByHand(here(), shop.trainee, bought({}))
  const wrong = bought({ kind: 'corrected' as const, grams: -20, why: 'weighed again' })
  await expect(bookByHand(here(), shop.trainee, wrong)).rejects.toMatchObject({ code: 'not-allowed' })
  await bookByHand(here(), shop.technician, wrong)
})

test('only a container of the shelf that holds the same is booked on', async () => {
  const pump = {
    id: randomUUID(),
    name: 'Pump 9',
    kind: 'pump' as const,
    spec: { speedCfm: 4, stages: 2 as const, ultimateMicron: 25 },
    retired: false,
  }
  const other = {
    id: randomUUID(),
    name: 'Cylinder y',
    kind: 'container' as const,
    spec: { containerKind: 'cylinder' as const, refrigerant: 'R-1234yf' as const, grossG: 9000, tareG: 3000 },
    retired: false,
  }
  await upsertEquipment(here(), pump)
  await upsertEquipment(here(), other)
  for (const [equipmentId, reason] of [
    [pump.id, /Pump 9 is a pump/],
    [randomUUID(), /nothing of the shelf/],
    [other.id, /holds R-1234yf/],
  ] as const)
    await expect(bookByHand(here(), shop.lead, bought({ equipmentId }))).rejects.toMatchObject({
      code: 'bad-input',
      faults: [{ path: 'equipmentId', reason: expect.stringMatching(reason) }],
    })
  const jobId = await jobWithGauge(shop.lead)
  const containers = [{ id: 'can-1', kind: 'can', grossG: 474, netG: 340, stockId: pump.id }]
  const plan = draft('charge-planned', { targetG: 300, purgeEachG: 3, containers, stops: [], bandG: [290, 310] })
  await expect(inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, [plan]))).rejects.toMatchObject({
    code: 'conflict',
    faults: [{ path: 'containers[0].stockId' }],
  })
})

test('what is done for training or demonstration reaches no ledger', async () => {
  for (const purpose of ['training', 'demonstration', 'work'] as const) {
    const jobId = randomUUID()
    await inTransaction(here(), (tx) =>
      openJob(tx, shop.lead, { id: jobId, eventId: randomUUID(), payload: { ...OPENING, purpose } }),
    )
    await inTransaction(here(), (tx) =>
      appendEvents(tx, shop.lead, jobId, [draft('recovered', { grams: purpose === 'work' ? 70 : 90 })]),
    )
  }
  expect((await ledger()).map((e) => e.grams)).toEqual([70])
})

test('sums are the database’s, by refrigerant and kind, and a page’s length cuts none of them', async () => {
  await onShelf()
  await charged(8617)
  await charged(8100)
  const [totals] = await selectTotals(here(), {}, 'UTC')
  const lines = await ledger()
  const of = (kind: string) => lines.filter((l) => l.kind === kind).reduce((sum, l) => sum + l.grams, 0)
  expect(totals?.sums).toMatchObject({ bought: 5710, charged: -of('charged'), purged: -of('purged'), recovered: 0 })
  expect((await selectLedger(here(), {}, 'UTC', 2)).length).toBe(2)
  // read in parts they are the same lines, none twice
  const parts = []
  for (
    let part = await selectLedger(here(), {}, 'UTC', 2);
    part.length > 0;
    part = await selectLedger(here(), {}, 'UTC', 2, part.at(-1))
  )
    parts.push(...part)
  expect(parts.map((l) => l.id)).toEqual(lines.map((l) => l.id))
})

const by = (kind: LedgerDraft['kind'], more: Partial<LedgerDraft>): LedgerDraft => ({
  id: randomUUID(),
  kind,
  refrigerant: 'R-134a',
  container: 'Cylinder 7',
  equipmentId: CYLINDER.id,
  grams: 100,
  why: 'not known',
  ...more,
})

test('what was recovered is stock: handed in with its receipt, used again, and never more than there is', async () => {
  await onShelf()
  const jobId = await jobWithGauge(shop.lead)
  await inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, [draft('recovered', { grams: 800 })]))
  const left = async () =>
    Object.fromEntries((await selectBalances(here())).map((b) => [b.container, Math.round(b.grams)]))
  expect(await left()).toEqual({ 'Cylinder 7': 5710, 'recovery cylinder': 800 })
  await bookByHand(here(), shop.lead, by('handed-in', { grams: 500, why: 'receipt 4711' }))
  await bookByHand(here(), shop.lead, by('reused', { grams: 200, why: 'cleaned here' }))
  expect(await left()).toEqual({ 'Cylinder 7': 5910, 'recovery cylinder': 100 })
  const more = by('handed-in', { grams: 101, why: 'receipt 4712' })
  await expect(bookByHand(here(), shop.lead, more)).rejects.toMatchObject({ code: 'conflict' })
  expect(await left()).toEqual({ 'Cylinder 7': 5910, 'recovery cylinder': 100 })
})

test('a bottle weighed twice at once is booked against what the first left; sent twice it is booked once', async () => {
  await onShelf()
  const first = by('weighed', { grams: 5600 })
  await Promise.all(
    [first, first, by('weighed', { grams: 5600, why: 'a leaking valve' })].map((d) => bookByHand(here(), shop.lead, d)),
  )
  const weighed = (await ledger()).filter((l) => l.kind === 'weighed').map((l) => l.grams)
  expect(weighed.sort((a, b) => a - b)).toEqual([-110, 0])
  expect(await selectBalances(here())).toMatchObject([{ grams: 5600 }])
  expect((await selectShelf(here()))[0]?.spec).toMatchObject({ grossG: 9010 })
})

test('a statement opens with what stood there, ends with what stands there, and its lines add up', async () => {
  await onShelf()
  await charged(8617)
  await bookByHand(here(), shop.lead, by('weighed', { grams: 5100 }))
  await bookByHand(here(), shop.lead, by('lost', { grams: 40, why: 'a hose burst' }))
  const day = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10)
  const [now] = await selectStatement(here(), { from: day(-1), to: day(1) }, 'UTC')
  expect(now).toMatchObject({ openingG: 0, boughtG: 5710, chargedG: 500, purgedG: 3, lostG: 40, unexplainedG: -107 })
  expect(now?.closingG).toBe((await selectBalances(here()))[0]?.grams)
  expect(outOfBalanceG(now as Statement)).toBeCloseTo(0, 6)
  const [next] = await selectStatement(here(), { from: day(2), to: day(3) }, 'UTC')
  expect(next).toMatchObject({ openingG: 5060, boughtG: 0, closingG: 5060 })
})
