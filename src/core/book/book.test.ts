import { expect, test } from 'vitest'
import { CAR, CYLINDER_PLANNED, done, HOLDING, job, later } from '../tests/job-fixture'
import { DAY_MS } from '../units/constants'
import { normalPair, seededRandom } from '../units/seeded'
import { holdWords, rateWords, shortWords } from '../words/book-words'
import { type CarLoss, lossesOf, nextShort, rateOf } from './car-loss'
import { type CarVisit, visitOf } from './car-visit'

const T0 = Date.parse('2024-03-01T10:00:00.000Z')
const at = (days: number) => new Date(T0 + days * DAY_MS).toISOString()
const visit = (
  days: number,
  recoveredG: number | null,
  chargedG: number | null,
  more: Partial<CarVisit> = {},
): CarVisit => ({
  jobId: `job ${days}`,
  at: at(days),
  refrigerant: 'R-134a',
  recoveredG,
  charged: chargedG === null ? null : { grams: chargedG, plusMinusG: 5, at: at(days), counted: false },
  offTargetG: null,
  deepest: null,
  leastG: 485,
  labelG: 540,
  holds: [],
  renewed: [],
  mended: [],
  notes: [],
  procedure: 'Weigh and measure',
  ended: 'signed',
  ...more,
})

test('a charge and the next recovery are a loss a year, as far off as both weights are', () => {
  const [loss, ...others] = lossesOf([visit(0, null, 540), visit(300, 480, 540), visit(305, 538, null)])
  // 60 g in 300 days; five and thirty grams in quadrature are 30.4 g, 37 g a year
  expect(loss?.gramsLost).toBe(60)
  expect(loss?.gramsPerYear.value).toBeCloseTo((60 / 300) * 365.25, 0)
  expect((loss?.gramsPerYear.high ?? 0) - (loss?.gramsPerYear.value ?? 0)).toBeCloseTo(37, 0)
  // five days later nothing of a year can be said
  expect(others).toEqual([])
  // charged and never seen again, or seen and nothing weighed out: nothing is known
  expect(lossesOf([visit(0, null, 540)])).toEqual([])
  expect(lossesOf([visit(0, null, 540), visit(300, null, 60)])).toEqual([])
})

test('the rate covers what a car really loses, whoever weighed it', () => {
  const random = seededRandom(77)
  let covered = 0
  const CARS = 2000
  for (let i = 0; i < CARS; i++) {
    const perYear = 10 + 120 * random()
    let days = 0
    let charged = 540
    const visits = [visit(0, null, charged)]
    for (let k = 0; k < 3; k++) {
      const span = 150 + 400 * random()
      days += span
      const [a, b] = normalPair(random)
      // what really came out, read with a machine's error; what really goes in, with a scale's
      const left = charged - (perYear * span) / 365.25
      const told = 540
      visits.push(visit(days, left + (30 / 1.96) * a, told))
      charged = told + (5 / 1.96) * b
    }
    const rate = rateOf(lossesOf(visits))
    if (rate && rate.low <= perYear && perYear <= rate.high) covered++
  }
  expect(covered / CARS).toBeGreaterThan(0.93)
  expect(covered / CARS).toBeLessThan(0.985)
})

test('what was lost before a repair says nothing of what is lost now', () => {
  const losses = lossesOf([
    visit(0, null, 540),
    visit(100, 380, 540, { mended: ['port-high'] }),
    visit(500, 530, 540),
    visit(900, 528, 540),
  ])
  expect(losses.map((l) => l.afterRepair)).toEqual([false, true, false])
  const rate = rateOf(losses)
  expect(rate?.spans).toBe(2)
  expect(rate?.value).toBeLessThan(20)
  // spans that contradict each other more than they can be off are not averaged into certainty
  const odd = (value: number): CarLoss => ({
    ...(losses[1] as CarLoss),
    afterRepair: false,
    gramsPerYear: { value, low: value - 10, high: value + 10 },
  })
  const wide = rateOf([odd(20), odd(120)])
  expect((wide?.high ?? 0) - (wide?.low ?? 0)).toBeGreaterThan(100)
})

test('when it is short again is where its charge meets the least its label allows, drawn another way', () => {
  const visits = [visit(0, null, 540), visit(300, 480, 540)]
  const rate = rateOf(lossesOf(visits))
  const short = nextShort(visits, rate)
  if (!rate || !short) throw new Error('both are known')
  const random = seededRandom(5)
  const sd = (rate.high - rate.low) / (2 * 1.959964)
  const days = Array.from({ length: 20_000 }, () => {
    const drawn = rate.value + sd * normalPair(random)[0]
    return drawn > 0 ? (55 / drawn) * 365.25 : Number.POSITIVE_INFINITY
  }).sort((a, b) => a - b)
  for (const [ms, share] of [
    [short.p10Ms, 0.1],
    [short.p50Ms, 0.5],
    [short.p90Ms, 0.9],
  ] as const) {
    const drawn = days[Math.floor(share * days.length)] as number
    expect(((ms ?? 0) - T0) / DAY_MS - 300).toBeGreaterThan(drawn * 0.96)
    expect(((ms ?? 0) - T0) / DAY_MS - 300).toBeLessThan(drawn * 1.04)
  }
  const month = (ms: number) => new Date(ms).toISOString().slice(0, 7)
  expect(shortWords(short, month, T0 + 300 * DAY_MS)).toMatch(
    /^Half of such cars are short by 2025-\d\d, one of ten by 202\d-\d\d, nine of ten by/,
  )
  expect(shortWords(short, month, (short.p50Ms ?? 0) + DAY_MS)).toContain('likely short by now')
  expect(rateWords(rate)).toMatch(/^It loses 73 g a year \(36 to 110\), by one span/)
  // a car that lost nothing is short never
  const tight = [visit(0, null, 540), visit(700, 541, 540)]
  expect(rateWords(rateOf(lossesOf(tight)))).toMatch(/^No loss is certain/)
  expect(nextShort(tight, rateOf(lossesOf(tight)))?.p50Ms).toBeNull()
})

test('a visit is what its job’s events add up to, and training is none', () => {
  const charged = later(
    job(CAR, ...HOLDING),
    70,
    {
      kind: 'hold-ended',
      payload: {
        verdict: 'leak',
        leak: 0.99,
        damp: 0.01,
        risePaS: 0.01,
        provesGramsPerYear: 12,
        leakGramsPerYear: 85,
        heldS: 1800,
        samples: 100,
        reasons: [],
      },
    },
    { kind: 'hold-decided', payload: { next: 'charge' } },
    CYLINDER_PLANNED,
    { kind: 'container-started', payload: { id: 'cylinder-7', grossG: 9000 } },
    { kind: 'container-ended', payload: { id: 'cylinder-7', grossG: 8460 } },
    done('charge'),
  )
  const made = visitOf('a', charged)
  expect(made).toMatchObject({ charged: { grams: 540, counted: false }, ended: 'open', leastG: 525, labelG: 540 })
  expect(made?.holds.map(holdWords)).toEqual(['leak, 85 g a year'])
  expect(visitOf('b', job({ ...CAR, purpose: 'training' }))).toBeNull()
  expect(visitOf('c', job(CAR))).toMatchObject({ charged: null, recoveredG: null, ended: 'open' })
})
