import { randomUUID } from 'node:crypto'
import { beforeEach, describe, expect, test } from 'vitest'
import type { EventDraft, EventKind, PayloadOf } from '@/core/job/events'
import { foldJob } from '@/core/job/reduce'
import { TRAINEE_RIGHT_NAMES } from '@/core/shop/trainee'
import { OPENING } from '@/core/tests/opening'
import type { Account } from '../accounts/accounts'
import { inTransaction } from '../db/scope'
import { selectLedger } from '../ledger/ledger'
import { by, draft, type Fixture, freshShop, here, jobWithGauge } from '../tests/shop-fixture'
import { appendEvents } from './append-events'
import { endHold } from './end-hold'
import { selectEvents } from './job-rows'
import { openJob } from './open-job'
import { pumpsRunning } from './pumps-running'
import { Deeds, type Recorded, recordDeeds } from './record-deeds'

let shop: Fixture
let jobId: string
const OPENED = new Date(Date.now() - 7200_000)
beforeEach(async () => {
  shop = await freshShop()
  jobId = await jobWithGauge(shop.technician, OPENED)
})

const add = (...drafts: ReturnType<typeof draft>[]) =>
  inTransaction(here(), (tx) => appendEvents(tx, shop.lead, jobId, drafts))
const log = () => selectEvents(here(), jobId)
const state = async () => foldJob(await log())
type Wish = { seen?: number; waited?: boolean; happenedAt?: string; id?: string }
const deed = <K extends EventKind>(kind: K, payload: PayloadOf<K> | object, wish: Wish = {}) => ({
  id: randomUUID(),
  kind,
  payload,
  ...wish,
})
const record = (who: Account, ...events: object[]): Promise<Recorded> =>
  recordDeeds(by(who), jobId, Deeds.parse({ events }))

const done = (...steps: string[]) => steps.map((step) => draft('step-finished', { step }, OPENED))
const turn = (part: string, to: string) => draft('part-set', { part, state: to }, OPENED)
const PULLED = () => [
  turn('coupler-low', 'open'),
  turn('centre-hose', 'pump'),
  ...done('zero', 'fix', 'rig'),
  turn('pump', 'on'),
  turn('valve-low', 'open'),
]
const HELD = () => [
  ...PULLED(),
  ...done('pull'),
  turn('valve-low', 'closed'),
  draft('isolated', {}, OPENED),
  turn('centre-hose', 'off'),
  ...done('isolate'),
]
const PLAN = {
  targetG: 300,
  purgeEachG: 3,
  containers: [{ id: 'can-1', kind: 'can' as const, grossG: 474, netG: 340 }],
  stops: [{ id: 'can-1', stopGrossG: 170, takenG: 303, purgeG: 3 }],
  bandG: [290, 310] as [number, number],
}
const ENDED = {
  verdict: 'undecided',
  leak: 0.3,
  damp: 0.3,
  risePaS: null,
  provesGramsPerYear: null,
  leakGramsPerYear: null,
  heldS: 60,
  samples: 10,
  reasons: [],
}

const SEARCHING = [draft('step-finished', { step: 'zero' }, OPENED), draft('search-begun', { why: 'empty' }, OPENED)]

/** Every kind a hand records, with what had to be done before it. */
const KINDS: [EventKind, object, (() => ReturnType<typeof draft>[])?][] = [
  [
    'label-set',
    {
      refrigerant: 'R-134a',
      lowG: 450,
      highG: 450,
      typed: '450 g',
      toleranceG: 15,
      oilKind: 'PAG 46',
      oilMl: null,
      source: 'label',
    },
  ],
  ['zero-read', { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0, 0' }],
  ['recovered', { grams: 350 }],
  ['zero-explained', { answer: 'needle-off-zero' }],
  ['fix-logged', { renewed: [], openHours: 1, oilOwedMl: 0, oilReason: '' }],
  ['part-set', { part: 'valve-low', state: 'closed' }],
  [
    'step-finished',
    { step: 'zero' },
    () => [draft('zero-read', { lowPaG: 0, highPaG: 0, errorPa: 7000, typed: '0' }, OPENED)],
  ],
  ['isolated', {}, PULLED],
  ['hold-skipped', { why: 'the car is needed' }, HELD],
  ['hold-shortened', { why: 'the bay closes' }, HELD],
  ['alarm-answered', { alarm: 'target:1', answer: 'seen', minutes: 0 }],
  ['nitrogen-swept', { passes: 1, pressurePaG: 100_000 }],
  ['pump-oil', { stage: 'begun' }],
  ['search-begun', { why: 'empty' }],
  ['leak-checked', { check: 'soap', at: 'switch', bubbles: true }, () => SEARCHING],
  ['nitrogen-in', { pressurePaG: 500_000 }, () => SEARCHING],
  ['part-charge', { inG: 40, outG: 38 }, () => SEARCHING],
  ['leak-found', { at: 'switch', done: 'new seal', sure: 0.95 }, () => SEARCHING],
  ['search-ended', { why: 'nothing left worth its time', dye: true }, () => SEARCHING],
  ['priors-set', { use: 'even' }],
  ['hold-decided', { next: 'charge' }, () => [...HELD(), draft('hold-ended', ENDED, OPENED)]],
  ['charge-planned', PLAN],
  ['container-started', { id: 'can-1', grossG: 474 }, () => [draft('charge-planned', PLAN, OPENED)]],
  ['container-warmed', { celsius: 40 }],
  [
    'container-ended',
    { id: 'can-1', grossG: 170 },
    () => [draft('charge-planned', PLAN, OPENED), draft('container-started', { id: 'can-1', grossG: 474 }, OPENED)],
  ],
  ['proof-read', { lowPaG: 2e5, highPaG: 1e6, ventC: 6, ambientC: 20, note: '' }],
  ['before-read', { lowPaG: 2e5, highPaG: 1e6, ventC: 16, ambientC: 20 }],
  ['rest-read', { paG: 5e5, errorPa: 7000, ambientC: 20 }],
  ['maker-bands-set', { ventC: [4, 9] }],
  ['leave-tapped', { item: 'caps-on', done: true }],
  ['noted', { text: 'gasket looked at' }],
  ['corrected', { eventId: randomUUID(), was: 'a', is: 'b', why: 'c' }],
]

/** What going past a caution adds: tests of doubling answer it beforehand. */
const past = (kind: EventKind, seen: number) =>
  kind === 'nitrogen-swept' || kind === 'nitrogen-in'
    ? [deed('caution-passed', { code: kind === 'nitrogen-in' ? 'nitrogen-test' : 'nitrogen-sweep' }, { seen })]
    : kind === 'part-set'
      ? []
      : []

describe.each(KINDS)('%s', (kind, payload, prepare) => {
  // here everybody may do everything: what a trainee may is tested where it is asked
  beforeEach(async () => {
    const all = Object.fromEntries(TRAINEE_RIGHT_NAMES.map((name) => [name, true]))
    await here().query('update shop set trainee_rights = $1 where id = $2', [JSON.stringify(all), here().shopId])
  })

  test('from two hands at once takes effect once, and books once', async () => {
    if (prepare) await add(...prepare())
    const seen = (await log()).length
    const hands = await Promise.allSettled(
      [shop.lead, shop.technician, shop.trainee].map((by) =>
        record(by, ...past(kind, seen), deed(kind, payload, { seen })),
      ),
    )
    const stored = hands.filter((h) => h.status === 'fulfilled' && !h.value.cautions)
    expect(stored).toHaveLength(1)
    for (const h of hands)
      if (h.status === 'rejected')
        expect(h.reason).toMatchObject({ code: 'conflict', more: { unseen: expect.any(Array) } })
    expect((await log()).filter((e, i) => e.kind === kind && i >= seen)).toHaveLength(1)
    const moved =
      kind === 'recovered'
        ? ['recovered']
        : kind === 'part-charge'
          ? ['charged', 'recovered']
          : kind === 'container-ended'
            ? ['charged', 'purged']
            : []
    expect((await selectLedger(here(), {}, 'UTC', 50)).map((e) => e.kind).sort()).toEqual(moved)
  })

  test('from a page that had not seen it done is refused, naming who did it and when', async () => {
    if (prepare) await add(...prepare())
    const seen = (await log()).length
    await record(shop.technician, ...past(kind, seen), deed(kind, payload, { seen }))
    const stale = await record(shop.lead, ...past(kind, seen), deed(kind, payload, { seen })).catch((error) => error)
    expect(stale).toMatchObject({ code: 'conflict', message: expect.stringMatching(/^tech, \d+ s ago: /) })
    expect(stale.more.unseen.map((e: { kind: string }) => e.kind)).toContain(kind)
  })
})

test('a deed beside what happened meanwhile passes', async () => {
  const seen = (await log()).length
  await record(shop.technician, deed('noted', { text: 'cap is missing' }, { seen }))
  const { from, events } = await record(shop.lead, deed('part-set', { part: 'valve-low', state: 'closed' }, { seen }))
  // the answer brings all its hand had not seen, in order
  expect([from, events.map((e) => e.kind)]).toEqual([seen, ['noted', 'part-set']])
})

test('a hold that two hands end at once is judged once', async () => {
  await add(...HELD())
  const seen = (await log()).length
  const ends = await Promise.allSettled(
    [shop.lead, shop.technician, shop.trainee].map((who) => endHold(by(who), jobId, randomUUID(), { seen })),
  )
  expect(ends.filter((e) => e.status === 'fulfilled')).toHaveLength(1)
  expect((await log()).filter((e) => e.kind === 'hold-ended')).toHaveLength(1)
})

test('without saying what it saw a program cannot do again what is done: a second shutting-in without a pull is refused', async () => {
  await add(...PULLED())
  await record(shop.technician, deed('isolated', {}))
  await expect(record(shop.technician, deed('isolated', {}))).rejects.toMatchObject({
    code: 'conflict',
    message: expect.stringMatching(/shut in already/),
  })
  await expect(record(shop.technician, deed('step-finished', { step: 'zero' }))).rejects.toMatchObject({
    code: 'conflict',
  })
  await record(shop.technician, deed('recovered', { grams: 350 }))
  await expect(record(shop.lead, deed('recovered', { grams: 350 }))).rejects.toMatchObject({
    code: 'conflict',
    message: expect.stringMatching(/booked already/),
  })
  // read again, more may be recovered
  await record(shop.technician, deed('zero-read', { lowPaG: 9e4, highPaG: 9e4, errorPa: 7000, typed: '90 kPa' }))
  await record(shop.technician, deed('recovered', { grams: 40 }))
  expect((await state()).recoveredG).toBe(390)
})

describe('a time', () => {
  const WEEK_MS = 7 * 86_400_000
  test.each([
    ['before the car came', () => new Date(OPENED.getTime() - WEEK_MS).toISOString(), /before the car came, at/],
    ['after now', () => new Date(Date.now() + 60_000).toISOString(), /lies ahead of the job’s clock/],
  ])('%s is refused with both times, nothing is stored', async (_when, at, words) => {
    const happenedAt = at()
    const refused = await record(shop.trainee, deed('isolated', {}, { happenedAt })).catch((error) => error)
    expect(refused).toMatchObject({
      code: 'bad-input',
      faults: [{ path: 'events[0].happenedAt', reason: expect.stringMatching(words) }],
    })
    expect(refused.message).toContain(happenedAt)
    expect(await log()).toHaveLength(1)
  })

  test('before what the deed follows is refused', async () => {
    await add(draft('noted', { text: 'an hour ago' }, new Date(Date.now() - 3600_000)))
    const early = new Date(Date.now() - 3700_000).toISOString()
    await expect(record(shop.trainee, deed('isolated', {}, { happenedAt: early }))).rejects.toMatchObject({
      code: 'bad-input',
      message: expect.stringMatching(/before what it follows/),
    })
    await record(shop.trainee, deed('isolated', {}, { happenedAt: new Date(Date.now() - 3500_000).toISOString() }))
  })
})

describe('a caution', () => {
  const pumpOn = (seen?: number) => deed('part-set', { part: 'pump', state: 'on' }, seen === undefined ? {} : { seen })

  test('that was not answered comes back as a question, and nothing is recorded', async () => {
    const asked = await record(shop.technician, pumpOn(1))
    expect(asked.cautions?.map((c) => c.code)).toEqual(['zero-not-read', 'exhaust-cap-on'])
    expect(await log()).toHaveLength(1)
  })

  test('that was answered on a page which did not know of another comes back with the other', async () => {
    const passed = deed('caution-passed', { code: 'zero-not-read' }, { seen: 1 })
    expect((await record(shop.technician, passed, pumpOn(1))).cautions?.map((c) => c.code)).toEqual(['exhaust-cap-on'])
    await record(shop.technician, passed, deed('caution-passed', { code: 'exhaust-cap-on' }, { seen: 1 }), pumpOn(1))
    expect((await state()).rig.pump).toBe('on')
  })

  test('a program goes past is written down in its name: all steps skipped in one request leave their names', async () => {
    const steps = ['zero', 'fix', 'rig', 'pull', 'isolate'].map((step) => deed('step-finished', { step }))
    await record(
      shop.trainee,
      ...steps,
      deed('hold-decided', { next: 'charge' }),
      deed('step-finished', { step: 'charge' }),
      deed('step-finished', { step: 'prove' }),
    )
    const passed = (await log()).flatMap((e) => (e.kind === 'caution-passed' ? [e.payload.code] : []))
    expect(passed).toEqual(['zero-passed', 'pull-passed', 'isolate-passed', 'charge-passed', 'proof-passed'])
    expect((await state()).step).toBe('leave')
  })
})

describe('a deed that waited in a browser without a line', () => {
  const waited = (kind: EventKind, payload: object, seen: number, minutesAgo = 90) =>
    deed(kind, payload, { seen, waited: true, happenedAt: new Date(Date.now() - minutesAgo * 60_000).toISOString() })

  test('and others of the same hand before it, sent one by one, are no contradiction; without them known it is set aside', async () => {
    const shut = waited('part-set', { part: 'valve-low', state: 'closed' }, 1, 50)
    const open = waited('part-set', { part: 'valve-low', state: 'open' }, 1, 40)
    await record(shop.technician, shut)
    await record(shop.technician, { ...open, knew: [shut.id] })
    expect((await log()).some((e) => e.kind === 'set-aside')).toBe(false)
    expect(foldJob(await log()).rig['valve-low']).toBe('open')
    await record(shop.technician, waited('part-set', { part: 'valve-low', state: 'closed' }, 1, 30))
    expect((await log()).filter((e) => e.kind === 'set-aside')).toHaveLength(1)
  })

  test('is stored at its own time beside what happened meanwhile', async () => {
    await record(shop.lead, deed('noted', { text: 'an hour later' }))
    await record(shop.technician, waited('part-set', { part: 'valve-low', state: 'closed' }, 1))
    expect((await state()).rig['valve-low']).toBe('closed')
    expect((await state()).aside).toEqual({})
  })

  test('where it contradicts is set aside, skipped, and counts when somebody chooses it', async () => {
    await record(shop.lead, deed('recovered', { grams: 350 }))
    const late = waited('recovered', { grams: 340 }, 1)
    await record(shop.technician, late)
    const booked = async () => (await selectLedger(here(), {}, 'UTC', 50)).map((e) => e.grams).sort()
    expect([(await state()).recoveredG, await booked()]).toEqual([350, [350]])
    expect((await state()).aside[late.id]?.event?.kind).toBe('recovered')
    await record(shop.lead, deed('deed-chosen', { eventId: late.id, holds: true }))
    expect([(await state()).recoveredG, await booked()]).toEqual([690, [340, 350]])
    await expect(record(shop.lead, deed('deed-chosen', { eventId: late.id, holds: true }))).rejects.toMatchObject({
      code: 'conflict',
    })
  })

  test('that is chosen not to hold stays in the log and counts nowhere', async () => {
    await record(shop.lead, deed('part-set', { part: 'valve-low', state: 'closed' }))
    const late = waited('part-set', { part: 'valve-low', state: 'open' }, 1)
    await record(shop.technician, late)
    await record(shop.lead, deed('deed-chosen', { eventId: late.id, holds: false }))
    expect([(await state()).rig['valve-low'], (await state()).aside]).toEqual(['closed', {}])
    expect((await log()).some((e: EventDraft) => e.id === late.id)).toBe(true)
  })
})

test('a pump that runs on another car is asked about before it is turned on here too', async () => {
  const equipment = { pump: randomUUID(), hoses: [], gauge: randomUUID(), scale: randomUUID() }
  const withPump = async (name: string) => {
    const id = randomUUID()
    const payload = { ...OPENING, car: { ...OPENING.car, name }, rig: { ...OPENING.rig, equipment } }
    await inTransaction(here(), (tx) => openJob(tx, shop.technician, { id, eventId: randomUUID(), payload }, OPENED))
    return id
  }
  const [first, second] = [await withPump('Hauler 1'), await withPump('Hauler 2')]
  const on = (id: string) =>
    [
      deed('part-set', { part: 'exhaust-cap', state: 'off' }, { seen: 1 }),
      deed('part-set', { part: 'pump', state: 'on' }, { seen: 1 }),
    ]
      .map((d) => ({ ...d, id: randomUUID(), job: id }))
      .map(({ job: _job, ...d }) => d)
  const press = (id: string) => recordDeeds(by(shop.technician), id, Deeds.parse({ events: on(id) }))
  const codes = async (id: string) => ((await press(id)).cautions ?? []).map((c) => c.code)
  expect(await codes(first)).not.toContain('pump-elsewhere')
  await inTransaction(here(), (tx) =>
    appendEvents(tx, shop.lead, first, [turn('exhaust-cap', 'off'), turn('pump', 'on')]),
  )
  const asked = (await press(second)).cautions ?? []
  expect(asked.map((c) => c.code)).toContain('pump-elsewhere')
  expect(asked.find((c) => c.code === 'pump-elsewhere')?.sentence).toMatch(/runs on Hauler 1 now/)
  expect([...(await pumpsRunning(here())).values()]).toEqual(['Hauler 1'])
  // where it runs itself, it is not asked about
  expect(await pumpsRunning(here(), first)).toEqual(new Map())
  // once that car is ended it is let go; opened again and off there, nobody is asked
  const there = (...drafts: EventDraft[]) => inTransaction(here(), (tx) => appendEvents(tx, shop.lead, first, drafts))
  await there(draft('closed', { as: 'given-up', why: 'no part to be had' }))
  expect(await pumpsRunning(here())).toEqual(new Map())
  await there(draft('reopened', { why: 'the part came' }))
  expect((await pumpsRunning(here())).size).toBe(1)
  await there(turn('pump', 'off'))
  expect(await codes(second)).not.toContain('pump-elsewhere')
})
