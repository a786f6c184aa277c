import { randomUUID } from 'node:crypto'
import { beforeEach, expect, test } from 'vitest'
import { insertAccount } from '../accounts/accounts'
import { database } from '../db/pool'
import { inTransaction } from '../db/scope'
import { appendEvents } from '../jobs/append-events'
import { openJob } from '../jobs/open-job'
import { takeIn } from '../jobs/take-in'
import { anotherShop, by, draft, type Fixture, freshShop, here, OPENING, signedIn } from '../tests/shop-fixture'
import { AlarmWatch } from '../watch/watch-alarms'
import { DayWatch } from '../watch/watch-day'
import { calendarOf, makeCalendar, promisesKept, withdrawCalendar } from './calendar'
import { changeDay } from './change-day'
import { selectExpected, selectOff, selectPins } from './day-rows'
import { selectLearned } from './learned'
import { dayView, selectPlan } from './plan-rows'

let shop: Fixture
let alarms: AlarmWatch
let days: DayWatch
beforeEach(async () => {
  shop = await freshShop()
  await here().query(
    `insert into rig (name, bore_mm, length_m, hoses, pump_cfm, ultimate_micron, gauge, scale_step_g, shop_id)
     values ('Cart', 9.5, 1.2, 2, 4, 25, 'electronic', 2, $1), ('Small cart', 6, 1.5, 2, 3, 60, 'needle', 5, $1)`,
    [here().shopId],
  )
  alarms = new AlarmWatch()
  days = new DayWatch(() => alarms.cars)
})

const HOUR = 3_600_000
const iso = (hours: number) => new Date(Date.now() + hours * HOUR).toISOString()
async function car(name: string, by = shop.technician): Promise<string> {
  const id = randomUUID()
  const payload = { ...OPENING, car: { ...OPENING.car, name } }
  await inTransaction(here(), (tx) =>
    openJob(tx, by, { id, eventId: randomUUID(), payload }, new Date(Date.now() - HOUR)),
  )
  return id
}
async function planned() {
  alarms.tell('reconnected')
  await alarms.round()
  days.tell({ shop: here().shopId, job: '', day: 'asked' })
  await days.round()
  const kept = await selectPlan(here())
  if (!kept) throw new Error('nothing was planned')
  return kept
}

test('a shop’s day is planned in the background from its cars, those to come, and what was promised', async () => {
  // before the alarms have looked nobody knows which cars there are: nothing is planned from a half
  expect(await days.round()).toBe(0)
  const [ambulance, hybrid] = [await car('Ambulance'), await car('Hybrid')]
  const read = draft('zero-read', { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0, 0' })
  await inTransaction(here(), (tx) => appendEvents(tx, shop.technician, hybrid, [read]))
  const toCome = randomUUID()
  await changeDay(by(shop.technician), {
    what: 'expect',
    car: { id: toCome, name: 'Shuttle 6', model: 'Halvorn', arrives: iso(2), promised: iso(9), fixMin: 20 },
  })
  await changeDay(by(shop.technician), { what: 'promise', car: ambulance, at: iso(4) })
  const { plan } = await planned()
  expect(plan.shop.cars.map((c) => c.name).sort()).toEqual(['Ambulance', 'Hybrid', 'Shuttle 6'])
  expect(plan.rows.filter((r) => r.car === toCome)[0]).toMatchObject({ step: 'take-in' })
  expect(plan.rows.filter((r) => r.car === toCome)[0]?.from).toBeGreaterThanOrEqual(119)
  expect(Object.values(plan.late).every((m) => m < 0.5)).toBe(true)
  // whoever read its gauges a moment ago is at it; of the car they left alone for an hour nobody is
  expect(plan.shop.cars.find((c) => c.key === hybrid)?.running).toMatchObject({ person: shop.technician.id })
  expect(plan.shop.cars.find((c) => c.key === ambulance)?.running).toBeNull()
  // taken in it is a job, with its promise, and to come no more
  const id = randomUUID()
  const opened = { id, eventId: randomUUID(), payload: { ...OPENING, car: { ...OPENING.car, name: 'Shuttle 6' } } }
  await takeIn(await signedIn(shop.technician), { ...opened, promisedAt: iso(9), expected: toCome })
  expect(await selectExpected(here())).toEqual([])
  const after = await planned()
  expect(after.plan.shop.cars.filter((c) => c.name === 'Shuttle 6')).toMatchObject([{ key: id, jobId: id }])
  expect(after.plan.shop.cars.find((c) => c.key === id)?.promisedMs).toBeGreaterThan(Date.now() + 8 * HOUR)
})

test('what was set by hand stands until it is let go; whoever goes away takes it along, and everybody is told', async () => {
  const ambulance = await car('Ambulance')
  await car('Hybrid')
  const from = iso(3)
  await changeDay(by(shop.lead), {
    what: 'pin',
    car: ambulance,
    step: 'fix',
    person: shop.technician.id,
    rig: null,
    from,
  })
  const rowOf = (kept: Awaited<ReturnType<typeof planned>>) =>
    kept.plan.rows.find((r) => r.car === ambulance && r.step === 'fix' && r.person !== null)
  const first = await planned()
  expect(rowOf(first)).toMatchObject({ person: shop.technician.id })
  expect(first.plan.madeMs + (rowOf(first)?.from ?? 0) * 60_000).toBeCloseTo(Date.parse(from), -3)
  const off = randomUUID()
  await changeDay(by(shop.technician), {
    what: 'away',
    id: off,
    account: shop.technician.id,
    thing: null,
    from: iso(2),
    to: null,
  })
  const gone = await planned()
  expect(gone.told?.sentences.join(' ')).toContain('fix of Ambulance was set by hand for somebody who is away then')
  expect(await selectPins(here())).toEqual([])
  const [awayFrom] = gone.plan.shop.people.find((p) => p.id === shop.technician.id)?.off ?? []
  expect(awayFrom?.toMs).toBeNull()
  // back before it began: as if it had never been said
  await changeDay(by(shop.lead), { what: 'back', id: off })
  expect(await selectOff(here(), Date.now())).toEqual([])
  expect(await dayView(here())).toMatchObject({ off: [] })
})

test('a rig taken away is planned with no more, and one is back when it is said', async () => {
  await car('Ambulance')
  const id = randomUUID()
  await changeDay(by(shop.lead), { what: 'away', id, account: null, thing: 'Cart', from: iso(-0.01), to: null })
  const used = async () => new Set((await planned()).plan.rows.flatMap((r) => r.rig ?? []))
  expect(await used()).toEqual(new Set(['Small cart']))
  await changeDay(by(shop.lead), {
    what: 'away',
    id: randomUUID(),
    account: null,
    thing: 'Small cart',
    from: iso(-0.01),
    to: null,
  })
  expect((await planned()).plan.unplanned).toMatchObject([{ because: 'no-rig' }])
  await changeDay(by(shop.lead), { what: 'back', id })
  expect(await used()).toEqual(new Set(['Cart']))
})

test('a trainee says when they are away, and plans nothing else; hours are one’s own or the lead’s to set', async () => {
  const works = { days: [1, 2, 3, 4, 5], from: '07:30', to: '16:00' }
  const id = await car('Ambulance')
  const trainee = by(shop.trainee)
  await expect(changeDay(trainee, { what: 'promise', car: id, at: iso(3) })).rejects.toMatchObject({
    code: 'not-allowed',
  })
  const other = {
    what: 'away',
    id: randomUUID(),
    account: shop.lead.id,
    thing: null,
    from: iso(0),
    to: iso(1),
  } as const
  await expect(changeDay(trainee, other)).rejects.toMatchObject({ code: 'not-allowed' })
  await changeDay(trainee, { ...other, account: shop.trainee.id })
  await expect(
    changeDay(by(shop.technician), { what: 'works', account: shop.trainee.id, works }),
  ).rejects.toMatchObject({ code: 'not-allowed' })
  await changeDay(by(shop.technician), { what: 'works', account: shop.technician.id, works })
  await changeDay(by(shop.lead), {
    what: 'works',
    account: shop.trainee.id,
    works: { ...works, from: '22:00', to: '06:00' },
  })
  expect((await planned()).plan.shop.people.find((p) => p.id === shop.trainee.id)?.off.length).toBeGreaterThan(1)
})

test('cars, people and absences of another shop are none of this one’s', async () => {
  const id = await car('Ambulance')
  const other = await anotherShop()
  const stranger = await insertAccount(other, {
    signIn: 'x',
    name: 'X',
    role: 'lead',
    certificate: '',
    password: 'ten letters',
  })
  const scope = { ...other, user: stranger }
  await expect(changeDay(scope, { what: 'promise', car: id, at: iso(3) })).rejects.toMatchObject({ code: 'not-found' })
  await expect(
    changeDay(scope, { what: 'pin', car: id, step: 'rig', person: shop.technician.id, rig: null, from: iso(1) }),
  ).rejects.toMatchObject({ code: 'bad-input' })
  const off = randomUUID()
  await changeDay(by(shop.lead), {
    what: 'away',
    id: off,
    account: shop.lead.id,
    thing: null,
    from: iso(1),
    to: iso(2),
  })
  await expect(changeDay(scope, { what: 'back', id: off })).rejects.toMatchObject({ code: 'not-found' })
  expect(await selectOff(other, Date.now())).toEqual([])
})

test('how long hands take is learned of signed jobs on the wall’s own clock, by step, car and person', async () => {
  const visit = (step: string, minutes: number, by: string) => ({
    step,
    startedAt: '2026-03-02T10:00:00.000Z',
    endedAt: new Date(Date.parse('2026-03-02T10:00:00.000Z') + minutes * 60_000).toISOString(),
    by,
  })
  for (const [i, minutes] of [10, 14, 18, 22, 600].entries()) {
    const id = await car(`Job ${i}`)
    const simulated = i === 4 ? 'true' : 'false'
    const visits = [visit('charge', minutes, i < 3 ? 'tech' : 'lead'), visit('pull', 60, 'tech')]
    await here().query(
      `update job
          set signed_at = now(), simulated = $3, summary = summary || jsonb_build_object('visits', $2::jsonb)
          where id = $1`,
      [id, JSON.stringify(visits), simulated],
    )
  }
  const learned = await selectLearned(here())
  const of = (model: string | null, person: string | null) =>
    learned.find((l) => l.step === 'charge' && l.model === model && l.person === person)
  // four jobs of ten to twenty-two minutes; the simulated one tells nothing, and a pull is no work of hands
  expect(of(null, null)).toMatchObject({ jobs: 4, medianMin: 16 })
  expect(of(null, shop.technician.id)).toMatchObject({ jobs: 3, medianMin: 14 })
  expect(of('Dorsk MW-6', null)).toMatchObject({ jobs: 4 })
  expect(learned.some((l) => l.step === 'pull')).toBe(false)
})

test('promises that were kept and missed are counted by month of the shop’s own calendar', async () => {
  const promised = async (name: string, at: string, signed: string | null) => {
    const id = await car(name)
    await here().query('update job set promised_at = $2, signed_at = $3 where id = $1', [id, at, signed])
  }
  await promised('kept', '2026-02-10T12:00:00Z', '2026-02-10T11:00:00Z')
  await promised('late', '2026-02-11T12:00:00Z', '2026-02-11T12:40:00Z')
  await promised('later', '2026-02-12T12:00:00Z', '2026-02-12T13:00:00Z')
  // an hour before midnight in UTC is the next month's first morning in Kathmandu
  await promised('new month', '2026-02-28T23:00:00Z', '2026-02-28T22:00:00Z')
  expect(await promisesKept(here(), 'Asia/Kathmandu')).toEqual([
    { month: '2026-03', kept: 1, missed: 0, medianLateMin: null },
    { month: '2026-02', kept: 1, missed: 2, medianLateMin: 50 },
  ])
})

test('a calendar is read by its secret alone, holds one’s own cars, and is withdrawn', async () => {
  const own = await car('Ambulance')
  await car('Grader', shop.trainee)
  await changeDay(by(shop.lead), { what: 'promise', car: own, at: iso(5) })
  const path = await makeCalendar(by(shop.technician))
  const secret = path.slice('/calendar/'.length)
  const text = (await calendarOf(database(), secret, Date.now())) ?? ''
  expect(text).toMatch(/^BEGIN:VCALENDAR/)
  const lines = text.replace(/\r\n /g, '').split('\r\n')
  expect(lines).toContain('SUMMARY:Ambulance is promised')
  expect(text).not.toContain('Grader')
  const stamp = iso(5).slice(0, 13).replace(/[-:]/g, '')
  expect(lines.some((l) => l.startsWith(`DTSTART:${stamp}`) && l.endsWith('Z'))).toBe(true)
  // another address takes its place, and none reads by the old one
  const second = (await makeCalendar(by(shop.technician))).slice('/calendar/'.length)
  expect(await calendarOf(database(), secret, Date.now())).toBeNull()
  expect(await calendarOf(database(), second, Date.now())).toContain('Ambulance')
  await withdrawCalendar(by(shop.technician))
  expect(await calendarOf(database(), second, Date.now())).toBeNull()
})

test('another rig is taken before a hose hangs on the car, and not after', async () => {
  const id = await car('Ambulance')
  const rig = { ...OPENING.rig, name: 'Small cart', pumpCfm: 3 }
  const record = (...drafts: ReturnType<typeof draft>[]) =>
    inTransaction(here(), (tx) => appendEvents(tx, shop.technician, id, drafts))
  await record(draft('rig-taken', { rig }))
  const { rows } = await here().query<{ rig: string }>(`select summary ->> 'rig' as rig from job where id = $1`, [id])
  expect(rows[0]?.rig).toBe('Small cart')
  await record(draft('part-set', { part: 'coupler-low', state: 'on' }))
  await expect(record(draft('rig-taken', { rig: OPENING.rig }))).rejects.toMatchObject({
    faults: [{ path: expect.stringContaining('rig'), reason: expect.stringContaining('its hoses come off before') }],
  })
})
