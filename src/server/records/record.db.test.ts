import { generateKeyPairSync, randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import type { JobEvent } from '@/core/job/events'
import { CHAIN_START, eventHash, fingerprintOf, type RecordFile, signedText, verifyRecord } from '@/core/record/record'
import { nodeCrypto, sha256 } from '@/node/record-crypto'
import type { Account } from '../accounts/accounts'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { ingest } from '../readings/ingest'
import { typeReadings } from '../readings/type-reading'
import { selectShop } from '../shop/shop'
import { by, draft, type Fixture, freshShop, gaugeLine, here, jobWithGauge } from '../tests/shop-fixture'
import { hashOf, signText } from './chain'
import { exportRecord } from './export-record'
import { readingsCsv } from './readings-csv'
import { signJob } from './sign-job'

let shop: Fixture
let jobId: string
const append = (by: Account, ...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, by, jobId, drafts))
const STEPS = ['zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'charge', 'prove'] as const

beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician)
  const start = Date.now() - 600_000
  await ingest(
    shop.box,
    Array.from({ length: 60 }, (_, i) => gaugeLine(i, new Date(start + i * 1000), 400 + i)).join('\n'),
  )
  await append(
    shop.technician,
    ...STEPS.map((step) => draft('step-finished', { step })),
    draft('noted', { text: 'gasket looked at' }),
  )
})

const signed = async (): Promise<RecordFile> => {
  await signJob(by(shop.technician), jobId, randomUUID(), 'T-1')
  return exportRecord(here(), jobId)
}
const brokenAt = (record: RecordFile, readings?: string) =>
  verifyRecord(record, nodeCrypto, readings).first_broken?.place

test('a signed record and its readings verify', async () => {
  const record = await signed()
  const { text, count } = await readingsCsv(here(), jobId)
  expect(count).toBe(60)
  expect(text.split('\n')[0]).toBe('time,channel,value,unit,note')
  expect(verifyRecord(record, nodeCrypto, text, (await selectShop(here())).publicKey)).toEqual({
    intact: true,
    events: record.events.length,
    first_broken: null,
    key: { fingerprint: expect.stringMatching(/^[0-9a-f]{64}$/), checked: true },
  })
})

test('an edited event is named', async () => {
  const record = await signed()
  const note = record.events.findIndex((e) => e.kind === 'noted')
  ;(record.events[note] as { payload: unknown }).payload = { text: 'gasket replaced' }
  expect(brokenAt(record)).toBe(`$.events[${note}]`)
})

test('a dropped event is named where the chain breaks', async () => {
  const record = await signed()
  record.events.splice(3, 1)
  expect(brokenAt(record)).toBe('$.events[3]')
})

test('two events that changed places are named', async () => {
  const record = await signed()
  const [a, b] = [record.events[2], record.events[3]]
  if (a && b) record.events.splice(2, 2, b, a)
  expect(brokenAt(record)).toBe('$.events[2]')
})

test('a truncated record is named by its count, and by its head when the count was mended', async () => {
  const record = await signed()
  record.events.pop()
  expect(brokenAt(record)).toBe('$.event_count')
  record.event_count = record.events.length
  expect(brokenAt(record)).toBe('$.head')
})

test('a record hashed anew after an edit fails at the signature', async () => {
  const record = await signed()
  const note = record.events.find((e) => e.kind === 'noted')
  if (note) note.payload = { text: 'gasket replaced' }
  let previous = CHAIN_START
  for (const event of record.events) {
    event.previous = previous
    const { hash: _old, ...rest } = event
    event.hash = eventHash(rest, sha256)
    previous = event.hash
  }
  record.head = previous
  expect(brokenAt(record)).toBe('$.signature')
})

test('a record signed anew with a stranger’s key passes by itself and fails against the shop’s key', async () => {
  const record = await signed()
  const stranger = generateKeyPairSync('ed25519')
  record.signature.public_key = stranger.publicKey.export({ type: 'spki', format: 'der' }).toString('base64')
  record.signature.value = signText(
    signedText(record),
    stranger.privateKey.export({ type: 'pkcs8', format: 'pem' }).toString(),
  )
  expect(brokenAt(record)).toBeUndefined()
  const shopKey = (await selectShop(here())).publicKey
  // the stranger's own fingerprint is said, and that nobody compared it
  expect(verifyRecord(record, nodeCrypto).key).toEqual({
    fingerprint: fingerprintOf(record.signature.public_key, nodeCrypto),
    checked: false,
  })
  expect(fingerprintOf(record.signature.public_key, nodeCrypto)).not.toBe(fingerprintOf(shopKey, nodeCrypto))
  expect(
    verifyRecord(record, nodeCrypto, undefined, fingerprintOf(shopKey, nodeCrypto) ?? '').first_broken?.place,
  ).toBe('$.signature.public_key')
  expect(verifyRecord(record, nodeCrypto, undefined, shopKey).first_broken?.place).toBe('$.signature.public_key')
})

test('a readings file that was touched is named', async () => {
  const record = await signed()
  const { text } = await readingsCsv(here(), jobId)
  expect(brokenAt(record, text.replace('vacuum,400,', 'vacuum,300,'))).toBe('readings file')
})

test('a trainee cannot sign, nor can anybody before the closing list', async () => {
  await expect(signJob(by(shop.trainee), jobId, randomUUID(), 'T-1')).rejects.toMatchObject({ code: 'not-allowed' })
  const early = await jobWithGauge(shop.lead)
  await expect(signJob(by(shop.lead), early, randomUUID(), 'T-1')).rejects.toMatchObject({ code: 'conflict' })
})

test('after the signature only corrections follow, and the record seals them too', async () => {
  const record = await signed()
  await expect(append(shop.technician, draft('recovered', { grams: 5 }))).rejects.toMatchObject({
    code: 'already-signed',
  })
  expect(await ingest(shop.box, gaugeLine(900, new Date(), 100))).toMatchObject({ stored: 0 })
  const note = record.events.find((e) => e.kind === 'noted')
  await append(
    shop.technician,
    draft('corrected', { eventId: note?.id, was: 'gasket looked at', is: 'gasket replaced', why: 'noted too early' }),
  )
  const again = await exportRecord(here(), jobId)
  expect(again.event_count).toBe(record.event_count + 1)
  expect(verifyRecord(again, nodeCrypto).intact).toBe(true)
})

test('an event changed in the database is not sealed', async () => {
  await signed()
  await database().query(`update event set payload = '{"text":"forged"}' where job_id = $1 and kind = 'noted'`, [jobId])
  await expect(exportRecord(here(), jobId)).rejects.toThrow(/was changed after it was stored/)
})

test('a log with an entry missing is not sealed', async () => {
  await signed()
  await database().query(`delete from event where job_id = $1 and kind = 'noted'`, [jobId])
  await expect(exportRecord(here(), jobId)).rejects.toThrow(/does not follow the event before it/)
  await database().query(`delete from event where job_id = $1 and kind = 'signed'`, [jobId])
})

test('a log whose end is missing is not sealed', async () => {
  const record = await signed()
  await append(shop.technician, draft('noted', { text: 'label filled in' }))
  await database().query('delete from event where job_id = $1 and seq = $2', [jobId, record.event_count])
  await expect(exportRecord(here(), jobId)).rejects.toThrow(/event_count|head/)
})

const WRITINGS = [
  '2026-11-20T10:00:00Z',
  '2026-11-20T10:00:00.5Z',
  '2026-11-20T12:30:00+02:30',
  '2026-11-20T10:00:00.123456Z',
  '2026-11-20T10:00:00.120-05:45',
]

test.each(WRITINGS)('an entry sent with the time %s is sealed like any other', async (happenedAt) => {
  await append(shop.technician, { ...draft('noted', { text: 'by a program' }), happenedAt })
  const record = await signed()
  expect(record.events.find((e) => (e.payload as { text?: string }).text === 'by a program')?.happened_at).toBe(
    new Date(happenedAt).toISOString(),
  )
  expect(verifyRecord(record, nodeCrypto).intact).toBe(true)
})

test.each([...WRITINGS, '2026-11-20T10:00:00.000000Z', '2026-11-20T23:01:00+13:01'])(
  'a record from before times had one form, with %s in it, is exported and verifies',
  async (happenedAt) => {
    const event = draft('noted', { text: 'of before' })
    const capitals = { ...event, id: happenedAt.endsWith('45') ? event.id.toUpperCase() : event.id, happenedAt }
    await append(shop.technician, event)
    // as it was hashed and stored before: over the time as it was sent
    const { rows } = await database().query(
      'select seq, previous, stored_at as at, by_name as by from event where job_id = $1 and id = $2',
      [jobId, event.id],
    )
    const hash = hashOf(
      { ...capitals, storedAt: rows[0].at.toISOString(), by: rows[0].by } as JobEvent,
      rows[0].previous,
    )
    await database().query('update event set happened_at = $3, hash = $4 where job_id = $1 and id = $2', [
      jobId,
      event.id,
      happenedAt,
      hash,
    ])
    await database().query('update job set head = $2 where id = $1', [jobId, hash])
    const record = await signed()
    expect(record.events.find((e) => (e.payload as { text?: string }).text === 'of before')?.happened_at).toBe(
      happenedAt,
    )
    expect(verifyRecord(record, nodeCrypto).intact).toBe(true)
  },
)

test('the signer vouches with his own certificate number and no other', async () => {
  await expect(signJob(by(shop.technician), jobId, randomUUID(), 'T-2')).rejects.toMatchObject({
    code: 'not-allowed',
    message: expect.stringMatching(/yours, which is T-1/),
  })
  await expect(signJob(by({ ...shop.technician, certificate: '' }), jobId, randomUUID(), 'T-1')).rejects.toMatchObject({
    code: 'not-allowed',
  })
})

test('a signed record is corrected by the signer or the lead, and by nobody else', async () => {
  const record = await signed()
  const note = record.events.find((e) => e.kind === 'noted')
  const correction = () =>
    draft('corrected', { eventId: note?.id, was: 'gasket looked at', is: 'gasket replaced', why: 'noted too early' })
  await expect(append(shop.trainee, correction())).rejects.toMatchObject({ code: 'not-allowed' })
  await append(shop.technician, correction())
  await append(shop.lead, correction())
  expect((await exportRecord(here(), jobId)).event_count).toBe(record.event_count + 2)
})

test('a note that a spreadsheet would run is guarded, and the digest covers what is exported', async () => {
  const typed = (seq: number, note: string) => ({
    seq,
    channel: 'vacuum' as const,
    value: 500,
    unit: 'micron' as const,
    note,
  })
  await typeReadings(by(shop.technician), jobId, [
    typed(1, '=HYPERLINK("http://elsewhere.example")'),
    typed(2, '-3 turns'),
    typed(3, 'steady'),
  ])
  const record = await signed()
  const { text } = await readingsCsv(here(), jobId)
  expect(text).toContain(`"'=HYPERLINK(""http://elsewhere.example"")"`)
  expect(text).toContain(`,'-3 turns`)
  expect(text).toContain(',steady')
  expect(verifyRecord(record, nodeCrypto, text).intact).toBe(true)
  // a record signed before notes were guarded carries the digest of the bare text
  const bare = text.replace(`"'=`, '"=').replace(",'-3", ',-3')
  expect(
    verifyRecord(
      { ...record, readings: { ...record.readings, sha256: sha256(bare) } },
      { ...nodeCrypto, verify: () => true },
      text,
    ).intact,
  ).toBe(true)
  expect(verifyRecord(record, nodeCrypto, text.replace('steady', 'unsteady')).intact).toBe(false)
})
