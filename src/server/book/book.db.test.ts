import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { NO_FACTS } from '@/core/book/car-facts'
import { understood } from '@/core/book/find'
import type { FormerLine } from '@/core/book/former'
import type { SessionScope } from '../accounts/user-scope'
import { carTakenIn, selectCars, tellCar } from '../cars/cars'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { selectBalances } from '../ledger/ledger'
import { ingest } from '../readings/ingest'
import { exportRecord } from '../records/export-record'
import { importRecord } from '../records/import-record'
import { readingsCsv } from '../records/readings-csv'
import { signJob } from '../records/sign-job'
import { shopOf } from '../shop/shop'
import {
  anotherShop,
  by,
  draft,
  type Fixture,
  freshShop,
  gaugeLine,
  here,
  jobWithGauge,
  OPENING,
} from '../tests/shop-fixture'
import { carPage } from './car-page'
import { fillLines } from './fill-lines'
import { findLines } from './find-lines'
import { importFormer, selectImports, withdrawImport } from './import-former'
import { selectPeople } from './people'

let shop: Fixture
beforeEach(async () => {
  shop = await freshShop()
})
const sessionOf = async (user = shop.lead): Promise<SessionScope> =>
  ({ ...here(), user, shop: await shopOf(here()), sessionId: randomUUID() }) as unknown as SessionScope

const find = async (typed: string, db = here()) => {
  const { pieces, ...asked } = understood(typed, '2026-11-27')
  const { lines, nearly } = await findLines(db, asked, 'UTC', 50)
  return { cars: lines.map((l) => l.car), nearly }
}

async function open(name: string, plate = '', at = new Date()): Promise<string> {
  const id = randomUUID()
  const payload = { ...OPENING, car: { ...OPENING.car, name, plate } }
  await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }, at))
  return id
}
const record = (jobId: string, ...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.technician, jobId, drafts))

test('a job is found by its car, its plate joined or apart, a note and a person, as soon as they are said', async () => {
  const id = await open('Shuttle 3', 'CL-482')
  await open('Grader')
  await record(id, draft('noted', { text: 'rear core weeps' }))
  for (const typed of ['shuttle', 'cl 482', 'cl482', 'weeps', `${shop.technician.name.split(' ')[0]} shuttle`])
    expect(await find(typed)).toEqual({ cars: ['Shuttle 3'], nearly: null })
  expect((await find('unsigned')).cars).toHaveLength(2)
  expect((await find('signed')).cars).toHaveLength(0)
  expect((await find('shuttle grader')).cars).toHaveLength(0)
})

test('a name that is misspelled is found nearly, and another shop finds nothing', async () => {
  await open('Mirror truck')
  expect(await find('miror truk')).toEqual({ cars: ['Mirror truck'], nearly: 'mirror truck' })
  expect((await find('mirror', await anotherShop())).cars).toEqual([])
})

test('a skipped hold and a passed caution are filters, a plain word in quotes is not', async () => {
  const id = await open('Night car')
  await record(id, draft('caution-passed', { code: 'exhaust-cap-on' }))
  expect((await find('caution passed')).cars).toEqual(['Night car'])
  expect((await find('skipped hold')).cars).toEqual([])
  expect((await find('"caution"')).cars).toEqual([])
})

test('lines that are missing or of an older form are made by the watch, the same as at once', async () => {
  const id = await open('Ambulance', 'CL 14')
  await record(id, draft('noted', { text: 'compressor squeals' }))
  const lines = () => database().query('select id, visit, flags, words::text from book_line order by id')
  const before = (await lines()).rows
  await database().query('update book_line set form = 0, words = $1', [''])
  expect((await find('squeals')).cars).toEqual([])
  expect(await fillLines(database())).toBe(1)
  expect((await lines()).rows).toEqual(before)
  expect(await fillLines(database())).toBe(0)
})

test('a car that is called otherwise is found by both, and its owner’s number finds its past', async () => {
  const id = await open('Van', 'CL 7')
  const [car] = await selectCars(here())
  await tellCar(here(), car?.id ?? '', {
    name: 'Van 7',
    plate: 'CL 7',
    model: '',
    facts: { ...NO_FACTS, owner: 'ledger 4711' },
  })
  expect((await find('4711')).cars).toEqual(['Van'])
  await record(id, draft('noted', { text: 'later' }))
  expect((await find('4711 later')).cars).toEqual(['Van'])
  await inTransaction(here(), (tx) =>
    carTakenIn(tx, { ...OPENING, car: { ...OPENING.car, name: 'Other' } } as never, new Date()),
  )
  const other = (await selectCars(here())).find((c) => c.name === 'Other')
  const same = { name: 'Van 7', plate: 'CL 7', model: '', facts: NO_FACTS }
  await expect(tellCar(here(), other?.id ?? '', same)).rejects.toMatchObject({ code: 'conflict' })
})

const former = (more: Partial<FormerLine>): FormerLine => ({
  id: randomUUID(),
  car: 'Old van',
  plate: 'CL 90',
  day: '2023-05-04',
  recoveredG: 380,
  chargedG: 540,
  refrigerant: 'R-134a',
  verdict: 'tight',
  note: 'before our time',
  ...more,
})

test('a file of a former life stands on its cars and is found, never in the ledger, and is taken out as a whole', async () => {
  const scope = await sessionOf()
  await open('Known car', 'CL 1')
  const lines = [
    former({}),
    former({ day: '2024-05-04', recoveredG: 460 }),
    former({ car: 'Known car', plate: 'CL 1' }),
  ]
  const part = { id: randomUUID(), fileName: 'old.csv', of: 3, lines }
  expect(await importFormer(scope, part)).toEqual({ stored: 3 })
  // sent twice it is stored once
  expect(await importFormer(scope, part)).toEqual({ stored: 0 })
  expect((await find('of a former life')).cars.sort()).toEqual(['Known car', 'Old van', 'Old van'])
  expect(await selectBalances(here())).toEqual([])
  const van = (await selectCars(here())).find((c) => c.name === 'Old van')
  const page = await carPage(here(), van?.id ?? '')
  expect(van).toMatchObject({ lastChargeG: 540, lastChargedAt: '2024-05-04T12:00:00.000Z' })
  expect(page?.visits.map((v) => [v.ended, v.charged?.grams])).toEqual([
    ['former', 540],
    ['former', 540],
  ])
  // the same lines by another file are refused, and nothing of it is stored
  const again = {
    ...part,
    id: randomUUID(),
    fileName: 'again.csv',
    lines: [former({ car: 'New' }), lines[0] as FormerLine],
  }
  await expect(importFormer(scope, again)).rejects.toMatchObject({ code: 'conflict', faults: [{ path: 'lines[1]' }] })
  expect((await selectCars(here())).map((c) => c.name)).not.toContain('New')

  await withdrawImport(scope, part.id)
  expect((await find('of a former life')).cars).toEqual([])
  expect((await selectCars(here())).map((c) => c.name)).toEqual(['Known car'])
  expect(await selectImports(here())).toMatchObject([{ stored: 0, withdrawn: shop.lead.name }])
  await expect(importFormer(scope, part)).rejects.toMatchObject({ code: 'conflict' })
})

test('a signed record comes back whole with its readings, and by its own key alone', async () => {
  const scope = await sessionOf()
  const id = await jobWithGauge(shop.technician)
  const start = Date.now() - 600_000
  const lines = Array.from({ length: 20 }, (_, i) => gaugeLine(i, new Date(start + i * 1000), 400 + i))
  await ingest(shop.box, lines.join('\n'))
  await record(
    id,
    draft('recovered', { grams: 210 }),
    ...(['zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'charge', 'prove'] as const).map((step) =>
      draft('step-finished', { step }),
    ),
    draft('noted', { text: '=a formula, no note' }),
  )
  await signJob(by(shop.technician), id, randomUUID(), 'T-1')
  const file = await exportRecord(here(), id)
  const { text } = await readingsCsv(here(), id)
  for (const table of ['book_line', 'ledger_entry', 'attachment', 'alarm', 'job_clock', 'event', 'reading'])
    await database().query(table === 'book_line' ? 'delete from book_line' : `delete from ${table}`)
  await database().query('delete from job')

  const other = { ...file, events: file.events.map((e, i) => (i === 1 ? { ...e, by: 'Somebody else' } : e)) }
  await expect(importRecord(scope, { record: other })).rejects.toMatchObject({ faults: [{ path: 'record.events[1]' }] })
  await expect(importRecord(scope, { record: file, readings: `${text}x` })).rejects.toMatchObject({ code: 'bad-input' })
  expect((await database().query('select 1 from job')).rowCount).toBe(0)

  expect(await importRecord(scope, { record: file, readings: text })).toEqual({ id, repeated: false })
  expect(await importRecord(scope, { record: file, readings: text })).toEqual({ id, repeated: true })
  expect(await exportRecord(here(), id)).toEqual(file)
  expect((await readingsCsv(here(), id)).text).toBe(text)
  expect(await selectBalances(here())).toEqual([])
  expect((await find('signed formula')).cars).toHaveLength(1)
  // 400 micron was the deepest it was read, and its page knows it
  const [car] = await selectCars(here())
  const [visit] = (await carPage(here(), car?.id ?? ''))?.visits ?? []
  expect(visit?.deepest?.pa).toBeCloseTo(400 * 0.1333224, 3)
})

test('a person’s figures are their own deeds of the time, and training counts for nobody', async () => {
  const id = await open('Van')
  await record(id, draft('caution-passed', { code: 'exhaust-cap-on' }))
  const day = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10)
  const now = await selectPeople(here(), { from: day(-1), to: day(1) }, 'UTC', null)
  expect(now.find((p) => p.id === shop.technician.id)).toMatchObject({ cautions: 1, signed: 0, alarms: 0 })
  expect(now.find((p) => p.id === shop.lead.id)).toMatchObject({ cautions: 0 })
  const own = await selectPeople(here(), { from: day(-1), to: day(1) }, 'UTC', shop.lead.id)
  expect(own.map((p) => p.id)).toEqual([shop.lead.id])
  const before = await selectPeople(here(), { from: day(-9), to: day(-8) }, 'UTC', null)
  expect(before.every((p) => p.cautions === 0)).toBe(true)
})
