import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import type { NewInstrument } from '@/core/shop/instruments'
import { PA_PER_MICRON } from '@/core/units/constants'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { jobView } from '../jobs/job-view'
import { openJob } from '../jobs/open-job'
import { forDevice, forSender, ingest } from '../readings/ingest'
import { by, type Fixture, freshShop, here, OPENING, readingsOf, signedIn } from '../tests/shop-fixture'
import { Hanging, hangInstrument } from './hang'
import { changeInstrument, selectInstruments } from './instruments'

let shop: Fixture
let jobId: string
const GAUGE: NewInstrument = {
  kind: 'vacuum',
  name: 'Gauge 2',
  unit: 'micron',
  step: 1,
  rangeLow: 0,
  rangeHigh: 25_000,
  calibratedOn: null,
}

beforeEach(async () => {
  shop = await freshShop()
  jobId = await opened('Shuttle 3')
})

async function opened(name: string): Promise<string> {
  const id = randomUUID()
  const payload = { ...OPENING, car: { ...OPENING.car, name } }
  await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }))
  return id
}

/** Registers one; what it sends goes in by its own token. */
async function registered(change: Partial<NewInstrument> = {}) {
  const { id, token } = await changeInstrument(await signedIn(shop.lead), {
    what: 'register',
    instrument: { ...GAUGE, ...change },
  })
  let seq = 0
  const send = async (values: readonly number[], more: object = {}, at = () => new Date()) => {
    const request = new Request('http://here/api/ingest', { headers: { authorization: `Bearer ${token}` } })
    const line = (value: number) => ({
      instrument: id,
      seq: seq++,
      at: at().toISOString(),
      channel: 'vacuum',
      value,
      unit: 'micron',
    })
    return ingest(await forSender(request), values.map((v) => JSON.stringify({ ...line(v), ...more })).join('\n'))
  }
  return { id, token: token ?? '', send }
}
const hang = (instrument: string, job = jobId, more: object = {}) =>
  hangInstrument(by(shop.technician), job, Hanging.parse({ id: randomUUID(), instrument, ...more }))
const stateOf = async (job = jobId) => (await jobView(here(), job))?.events.map((e) => e.kind)
const values = async (channel = 'vacuum', job = jobId) =>
  (await readingsOf(job)).filter((r) => r.channel === channel).map((r) => r.sentValue)
const later = () => new Promise((done) => setTimeout(done, 15))

test('an instrument’s token is told once; what it sends counts for the car it hangs on, from the moment it was hung', async () => {
  const gauge = await registered()
  expect(
    (await database().query('select token_hash from device where name = $1', [gauge.id])).rows[0].token_hash,
  ).not.toContain(gauge.token)
  expect(await gauge.send([900])).toEqual({ stored: 0, repeated: 0, unattached: 1 })
  await hang(gauge.id)
  await later()
  expect(await gauge.send([776, 770], { battery: 0.4 })).toEqual({ stored: 2, repeated: 0, unattached: 0 })
  expect(await values()).toEqual([776, 770])
  expect(await selectInstruments(here())).toMatchObject([
    { id: gauge.id, on: { jobId, car: 'Shuttle 3', seat: 'far' }, last: { value: 900, unit: 'micron' }, odd: null },
  ])
  expect(await stateOf()).toContain('instrument-hung')
})

test('a gauge swapped for another in the middle loses no reading, also one that arrives after the swap', async () => {
  const [old, fresh] = [await registered(), await registered({ name: 'Gauge 3' })]
  await hang(old.id)
  await later()
  await old.send([500, 501])
  const measured = new Date()
  await later()
  await hang(fresh.id, jobId, { instead: old.id })
  await later()
  await fresh.send([503])
  // measured before the swap, sent after it; and what the old one shows on the shelf is nobody's
  expect(await old.send([502], {}, () => measured)).toMatchObject({ stored: 1 })
  expect(await old.send([760_000 / 2], {})).toMatchObject({ stored: 0 })
  expect((await values()).sort()).toEqual([500, 501, 502, 503])
  const hung = (await jobView(here(), jobId))?.events.filter((e) => e.kind === 'instrument-hung')
  expect(hung?.map((e) => e.payload)).toMatchObject([
    { name: 'Gauge 2' },
    { name: 'Gauge 3', instead: { instrument: old.id, name: 'Gauge 2' } },
  ])
})

test('one instrument hangs on one car and says where; moved, both logs say so', async () => {
  const gauge = await registered()
  const other = await opened('Mirror truck')
  await hang(gauge.id)
  await expect(hang(gauge.id, other)).rejects.toMatchObject({
    code: 'conflict',
    message: expect.stringContaining('hangs on Shuttle 3'),
  })
  await hang(gauge.id, other, { move: true })
  expect((await selectInstruments(here()))[0]?.on?.car).toBe('Mirror truck')
  expect(await stateOf()).toContain('instrument-off')
  // two who hang it on two cars at once: one of them is told
  await hang(gauge.id, other, { off: true })
  const both = await Promise.allSettled([hang(gauge.id, jobId), hang(gauge.id, other)])
  expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected'])
})

test('with a gauge at the pump and one at the far end, the far one is the car’s vacuum and the other is kept apart', async () => {
  const [pump, far] = [await registered({ name: 'At the pump' }), await registered({ name: 'Far' })]
  await hang(pump.id, jobId, { seat: 'pump' })
  await later()
  await pump.send([300])
  await hang(far.id)
  await later()
  await pump.send([200])
  await far.send([640])
  expect(await values()).toEqual([300, 640])
  expect(await values('vacuum_pump')).toEqual([200])
  await hang(far.id, jobId, { off: true })
  await later()
  await pump.send([190])
  expect(await values()).toEqual([300, 640, 190])
})

test('a reading in the wrong unit, of another channel or out of range is kept as it was sent, named, and not used', async () => {
  const gauge = await registered()
  await hang(gauge.id)
  await later()
  expect(await gauge.send([80], { unit: 'Pa' })).toEqual({ stored: 0, repeated: 0, unattached: 0, odd: 1 })
  expect(await gauge.send([30_000])).toMatchObject({ stored: 0, odd: 1 })
  expect(await gauge.send([20], { channel: 'ambient', unit: 'C' })).toMatchObject({ stored: 0, odd: 1 })
  // a good line beside a bad one is used
  expect(await gauge.send([500])).toMatchObject({ stored: 1 })
  expect(await values()).toEqual([500])
  expect((await readingsOf(jobId))[0]?.value).toBeCloseTo(500 * PA_PER_MICRON, 6)
  const [known] = await selectInstruments(here())
  expect(known?.odd).toEqual({ count: 3, reason: expect.stringContaining('ambient comes from no vacuum gauge') })
  const { rows } = await database().query('select value, unit, reason from odd_reading order by device_seq')
  expect(rows[0]).toMatchObject({ value: 80, unit: 'Pa', reason: expect.stringContaining('registered in micron') })
  expect(rows[1].reason).toContain('outside its range, 0 to 25000')
})

test('a withdrawn token opens nothing, a renewed one does and the old one does not; only the lead decides', async () => {
  const gauge = await registered()
  const lead = await signedIn(shop.lead)
  expect(await gauge.send([1])).toMatchObject({ unattached: 1 })
  const { token } = await changeInstrument(lead, { what: 'renew', id: gauge.id })
  await expect(gauge.send([1])).rejects.toMatchObject({ code: 'not-signed-in' })
  const request = new Request('http://here/', { headers: { authorization: `Bearer ${token}` } })
  expect((await forSender(request)).device.kind).toBe('instruments')
  await changeInstrument(lead, { what: 'withdraw', id: gauge.id })
  await expect(forDevice(request)).rejects.toMatchObject({ code: 'not-signed-in' })
  await expect(hang(gauge.id)).rejects.toMatchObject({ code: 'conflict' })
  const technician = await signedIn(shop.technician)
  await expect(changeInstrument(technician, { what: 'renew', id: gauge.id })).rejects.toMatchObject({
    code: 'not-allowed',
  })
  await expect(registered()).rejects.toMatchObject({ code: 'conflict', message: expect.stringContaining('Gauge 2') })
})
