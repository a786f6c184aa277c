import { randomUUID } from 'node:crypto'
import { beforeEach, describe, expect, test } from 'vitest'
import { NO_FACTS } from '@/core/book/car-facts'
import { type Account, checkPassword, insertAccount, selectAccounts } from '../accounts/accounts'
import { insertSession, selectSession } from '../accounts/session-rows'
import { onBehalf } from '../accounts/user-scope'
import { carPage } from '../book/car-page'
import { findLines } from '../book/find-lines'
import { selectFleet } from '../book/fleet'
import { importFormer, selectImports, withdrawImport } from '../book/import-former'
import { selectPeople } from '../book/people'
import { recordSide } from '../book/record-side'
import { selectCars, tellCar } from '../cars/cars'
import { database } from '../db/pool'
import { inTransaction, type Scope, scopeOf } from '../db/scope'
import { selectShelf, upsertEquipment } from '../equipment/shelf'
import { appendEvents } from '../jobs/append-events'
import { boardView } from '../jobs/board-view'
import { selectEvents, selectJob } from '../jobs/job-rows'
import { jobView } from '../jobs/job-view'
import { openJob } from '../jobs/open-job'
import { Deeds, recordDeeds } from '../jobs/record-deeds'
import { bookByHand } from '../ledger/by-hand'
import { selectBalances, selectLedger } from '../ledger/ledger'
import { selectStatement } from '../ledger/statement'
import { boardStream } from '../live/board-stream'
import { selectMappings, upsertMapping } from '../readings/column-mappings'
import { ingest } from '../readings/ingest'
import { selectSpan } from '../readings/span'
import { exportRecord } from '../records/export-record'
import { draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge, OPENING, signedIn } from '../tests/shop-fixture'
import { selectProcedures, selectRigs, upsertProcedure } from './catalogue'
import { insertShop, openShop } from './shop'

let first: Fixture
let second: Scope
let stranger: Account

beforeEach(async () => {
  first = await freshShop()
  const id = await insertShop(database(), {
    name: 'Other bay',
    altitudeM: 0,
    barometerPa: 101_325,
    ambientC: 20,
    timeZone: 'UTC',
    demo: false,
    certificateAsked: true,
  })
  second = scopeOf(id)
  await openShop(second)
  stranger = await insertAccount(second, {
    signIn: 'lead',
    name: 'Other lead',
    role: 'lead',
    certificate: 'O-1',
    password: 'another password',
  })
})

describe('two shops on one database', () => {
  test('people, procedures and things of one name live in both, each in its own', async () => {
    expect((await checkPassword(second, 'lead', 'another password'))?.id).toBe(stranger.id)
    expect(await checkPassword(second, 'lead', 'lead-password')).toBeNull()
    expect((await selectAccounts(second)).map((a) => a.name)).toEqual(['Other lead'])
    const session = await insertSession(database(), stranger.id, 3600)
    expect(await selectSession(here(), session)).toBeNull()
    expect((await selectSession(second, session))?.account.id).toBe(stranger.id)
    for (const scope of [here(), second]) {
      await upsertProcedure(scope, { id: randomUUID(), ...OPENING.procedure, proves: '' })
      await upsertEquipment(scope, {
        id: randomUUID(),
        kind: 'scale',
        name: 'Scale 1',
        spec: { stepG: 2, limitG: 30_000, calibratedOn: '2026-01-01' },
        retired: false,
      } as never)
      await upsertMapping(scope, scope === second ? stranger.id : first.lead.id, MAPPING)
    }
    for (const scope of [here(), second]) {
      expect(await selectProcedures(scope)).toHaveLength(1)
      expect(await selectShelf(scope)).toHaveLength(1)
      expect(await selectMappings(scope)).toHaveLength(1)
      expect(await selectRigs(scope)).toEqual([])
    }
  })

  test('a car of one is no car of the other: not seen, not written, not exported', async () => {
    const jobId = await jobWithGauge(first.technician)
    await ingest(first.box, gaugeLine(1, new Date(), 600))
    expect(await boardView(here())).toHaveLength(1)
    expect(await boardView(second)).toEqual([])
    expect(await selectJob(second, jobId)).toBeNull()
    expect(await jobView(second, jobId)).toBeNull()
    expect(await selectEvents(second, jobId)).toEqual([])
    expect(await selectSpan(second, jobId)).toBeNull()
    await expect(exportRecord(second, jobId)).rejects.toMatchObject({ code: 'not-found' })
    const deed = Deeds.parse({ events: [{ kind: 'noted', payload: { text: 'from elsewhere' } }] })
    await expect(recordDeeds(onBehalf(second, stranger), jobId, deed)).rejects.toMatchObject({ code: 'not-found' })
    await expect(
      inTransaction(second, (tx) => appendEvents(tx, stranger, jobId, [draft('noted', { text: 'x' })])),
    ).rejects.toMatchObject({ code: 'not-found' })
    expect(await selectEvents(here(), jobId)).toHaveLength(1)
  })

  test('an instrument measures for its own shop only, whatever it is called', async () => {
    const jobId = await jobWithGauge(first.technician)
    const { rows } = await database().query<{ id: string }>(
      `insert into device (name, kind, token_hash, shop_id) values ('box', 'instruments', 'x', $1) returning id`,
      [second.shopId],
    )
    const deviceId = rows[0]?.id ?? ''
    await database().query(`insert into instrument (id, device_id, name, shop_id) values ('G1', $1, 'theirs', $2)`, [
      deviceId,
      second.shopId,
    ])
    const theirs = { ...second, device: { id: deviceId, kind: 'instruments' as const } }
    expect(await ingest(theirs, gaugeLine(1, new Date(), 600))).toEqual({ stored: 0, repeated: 0, unattached: 1 })
    expect((await selectJob(here(), jobId))?.readingSeq).toBe(0)
  })

  test('the book of one holds no line of the other', async () => {
    const entry = {
      id: randomUUID(),
      kind: 'bought' as const,
      refrigerant: 'R-134a' as const,
      container: 'Can 1',
      equipmentId: null,
      grams: 340,
      why: '',
    }
    await bookByHand(here(), first.lead, entry)
    expect(await selectLedger(here(), {}, 'UTC', 10)).toHaveLength(1)
    expect(await selectLedger(second, {}, 'UTC', 10)).toEqual([])
    expect(await selectBalances(second)).toEqual([])
  })

  test('a change wakes the boards of its own shop', async () => {
    const stop = new AbortController()
    const stream = boardStream(new Request('http://here/', { signal: stop.signal }), await signedIn(first.lead))
    const reader = (stream.body as ReadableStream<Uint8Array>).getReader()
    const told: string[] = []
    void (async () => {
      for (;;) {
        const { done, value } = await reader.read()
        if (done) return
        told.push(new TextDecoder().decode(value))
      }
    })().catch(() => undefined)
    const messages = () =>
      told
        .join('')
        .split('\n\n')
        .filter((t) => t.includes('"rows"')).length
    await expect.poll(messages).toBe(1)
    await inTransaction(second, (tx) =>
      openJob(tx, stranger, { id: randomUUID(), eventId: randomUUID(), payload: OPENING }),
    )
    await new Promise((done) => setTimeout(done, 1200))
    expect(messages()).toBe(1)
    await jobWithGauge(first.technician)
    await expect.poll(messages).toBe(2)
    stop.abort()
  })

  test('nothing of one shop’s book is found, summed, told or taken out by the other', async () => {
    const id = await jobWithGauge(first.technician)
    await inTransaction(here(), (tx) =>
      appendEvents(tx, first.technician, id, [
        draft('recovered', { grams: 300 }),
        draft('noted', { text: 'rear core weeps' }),
        draft('caution-passed', { code: 'exhaust-cap-on' }),
      ]),
    )
    const file = { id: randomUUID(), fileName: 'old.csv', of: 1, lines: [FORMER] }
    await importFormer({ ...here(), user: first.lead }, file)
    const [car] = await selectCars(here())
    const all = { tokens: [], flags: [], from: null, to: null }
    const year = { from: '2020-01-01', to: '2099-12-31' }
    expect((await findLines(here(), all, 'UTC', 50)).lines).toHaveLength(2)
    expect((await findLines(second, all, 'UTC', 50)).lines).toEqual([])
    expect((await findLines(second, { ...all, tokens: ['weeps'] }, 'UTC', 50)).lines).toEqual([])
    // a name that is spelled nearly as another shop's car is no hint of it either
    expect((await findLines(second, { ...all, tokens: ['elsewhere'] }, 'UTC', 50)).nearly).toBeNull()
    expect(await carPage(second, car?.id ?? '')).toBeNull()
    expect(await selectFleet(second)).toEqual([])
    expect(await selectStatement(second, year, 'UTC')).toEqual([])
    expect((await selectPeople(second, year, 'UTC', null)).map((p) => [p.name, p.cautions])).toEqual([
      ['Other lead', 0],
    ])
    expect(await selectImports(second)).toEqual([])
    await expect(withdrawImport({ ...second, user: stranger }, file.id)).rejects.toMatchObject({ code: 'not-found' })
    const told = { name: 'Mine now', plate: '', model: '', facts: NO_FACTS }
    await expect(tellCar(second, car?.id ?? '', told)).rejects.toMatchObject({ code: 'not-found' })
    expect(await recordSide(second, id)).toBeNull()
  })
})

const FORMER = {
  id: randomUUID(),
  car: 'Elsewhere van',
  plate: '',
  day: '2023-05-04',
  recoveredG: 380,
  chargedG: 540,
  refrigerant: 'R-134a' as const,
  verdict: 'tight' as const,
  note: '',
}
const MAPPING = { name: 'Logger', time: 'time', timeKind: 's' as const, vacuum: 'p', unit: 'Pa' as const }
