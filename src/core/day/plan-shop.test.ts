import { expect, test } from 'vitest'
import { after, NINE_MS, shopCar, shopDay } from '../tests/shop-day-fixture'
import { deedWords, letGoWords, priceWords, rigBusyWords, unplannedWords, whyWords } from '../words/shop-plan-words'
import { nextDeeds, sharedRigs } from './next-deed'
import { planShop, type ShopPlan, withPin } from './plan-shop'
import { priceOf, toldOf } from './price'
import { rigBusy } from './rig-busy'
import type { Pin } from './shop-day'

const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)
const row = (plan: ShopPlan, car: string, step: string) =>
  plan.rows.find((r) => r.car === car && r.step === step && r.person !== null)
const pin = (car: string, step: Pin['step'], person: string, minutes: number): Pin => ({
  car,
  step,
  person,
  rig: null,
  fromMs: after(minutes),
  by: 'Maira Qolque',
})
/** Whoever is at two cars at once, or on a rig that hangs elsewhere. */
function clashes(plan: ShopPlan): string[] {
  const hands = plan.rows.filter((r) => r.person !== null)
  const hung = plan.rows.filter((r) => r.rig !== null)
  const rigs = [...new Set(hung.map((r) => `${r.rig}/${r.car}`))].map((key) => {
    const own = hung.filter((r) => `${r.rig}/${r.car}` === key)
    return { rig: own[0]?.rig, from: Math.min(...own.map((r) => r.from)), to: Math.max(...own.map((r) => r.to)) }
  })
  const over = (a: { from: number; to: number }, b: { from: number; to: number }) =>
    a.from < b.to - 1e-6 && b.from < a.to - 1e-6
  return [
    ...hands.flatMap((a, i) =>
      hands.slice(i + 1).flatMap((b) => (a.person === b.person && over(a, b) ? [`${a.person} twice`] : [])),
    ),
    ...rigs.flatMap((a, i) =>
      rigs.slice(i + 1).flatMap((b) => (a.rig === b.rig && over(a, b) ? [`${a.rig} twice`] : [])),
    ),
  ]
}

test('a day is planned with nobody and nothing in two places, and whoever signs nothing hands nothing over', () => {
  const cars = ['Ambulance', 'Hybrid', 'Grader', 'Shuttle 6'].map((name) => shopCar(name))
  const plan = planShop(shopDay(cars))
  expect(plan.rows).toHaveLength(40)
  expect(clashes(plan)).toEqual([])
  expect(new Set(plan.rows.filter((r) => r.step === 'leave').map((r) => r.person))).toEqual(new Set(['teo']))
  // both have work: otherwise the rule above was kept by leaving the trainee out
  expect(plan.rows.some((r) => r.person === 'anouk')).toBe(true)
  // an uncertain wait makes an uncertain end
  expect(plan.ends.Hybrid?.p90).toBeGreaterThan((plan.ends.Hybrid?.p50 ?? 0) + 10)
})

test('the step somebody is at stays theirs and goes on from when it began', () => {
  const cars = [shopCar('Ambulance', { running: { person: 'anouk', sinceMs: after(-12) } }, 'fix'), shopCar('Hybrid')]
  const plan = planShop(shopDay(cars))
  expect(row(plan, 'Ambulance', 'fix')).toMatchObject({ person: 'anouk', from: -12, to: 18 })
  // one that lasts longer than it should is thought to end in a moment
  const long = planShop(shopDay([shopCar('Ambulance', { running: { person: 'teo', sinceMs: after(-50) } }, 'fix')]))
  expect(row(long, 'Ambulance', 'fix')).toMatchObject({ person: 'teo', from: -50, to: 1 })
  const [next] = nextDeeds(long, NINE_MS)
  expect(next).toMatchObject({ person: 'teo', now: true, begun: true, followed: null })
  expect(deedWords(long, next as never)).toBe('repair Ambulance')
})

test('a piece put somewhere by hand stands there, the plan bends around it, and the price is what each car’s end moves by @long', () => {
  const cars = [shopCar('Ambulance', { promisedMs: after(200) }), shopCar('Hybrid'), shopCar('Grader')]
  const before = planShop(shopDay(cars))
  const put = pin('Ambulance', 'rig', 'anouk', 120)
  const bent = planShop(withPin(shopDay(cars), put), before.order)
  expect(row(bent, 'Ambulance', 'rig')).toMatchObject({ person: 'anouk', from: 120, to: 128 })
  expect(clashes(bent)).toEqual([])
  const price = priceOf(before, bent)
  const moved = (bent.ends.Ambulance?.p50 ?? 0) - (before.ends.Ambulance?.p50 ?? 0)
  expect(moved).toBeGreaterThan(30)
  expect(price[0]).toEqual({ car: 'Ambulance', laterMin: moved })
  expect(priceWords(before, price)).toMatch(new RegExp(`^Ambulance ${Math.round(moved)} min later`))
  expect(toldOf(before, bent).map((c) => c.car)).toContain('Ambulance')
  // let go, everything is as it was
  expect(priceOf(before, planShop(shopDay(cars), before.order))).toEqual([])
})

test('a piece that cannot be there by then is there as soon as it can', () => {
  const plan = planShop(shopDay([shopCar('Ambulance')], { pins: [pin('Ambulance', 'rig', 'anouk', 10)] }))
  // its gauges and its repair come first: 35 minutes
  expect(row(plan, 'Ambulance', 'rig')).toMatchObject({ person: 'anouk', from: 35 })
  // two pieces put to one moment in the same hands stand behind one another
  const cars = [shopCar('Ambulance', {}, 'charge'), shopCar('Hybrid', {}, 'charge')]
  const pins = [pin('Ambulance', 'charge', 'teo', 30), pin('Hybrid', 'charge', 'teo', 30)]
  const both = planShop(shopDay(cars, { pins }))
  expect([row(both, 'Ambulance', 'charge')?.from, row(both, 'Hybrid', 'charge')?.from]).toEqual([30, 50])
})

test('what was set for somebody who is away then, or for a rig out of use, is let go and said', () => {
  const cars = [shopCar('Ambulance')]
  const day = shopDay(cars, { pins: [pin('Ambulance', 'fix', 'anouk', 60)] })
  const away = planShop({
    ...day,
    people: day.people.map((p) => (p.id === 'anouk' ? { ...p, off: [{ fromMs: after(50), toMs: after(300) }] } : p)),
  })
  expect(away.letGo).toEqual([{ car: 'Ambulance', step: 'fix', because: 'away' }])
  expect(letGoWords(away, away.letGo[0] as never)).toContain('away then: planned anew')
  expect(row(away, 'Ambulance', 'fix')?.from).toBeLessThan(50)
  const rig = { ...pin('Ambulance', 'rig', 'teo', 60), rig: 'Cart P2' }
  const out = planShop({
    ...shopDay(cars, { pins: [rig] }),
    rigs: day.rigs.map((r) => (r.name === 'Cart P2' ? { ...r, off: [{ fromMs: after(-1), toMs: null }] } : r)),
  })
  expect(out.letGo).toEqual([{ car: 'Ambulance', step: 'rig', because: 'no-rig' }])
  expect(row(out, 'Ambulance', 'rig')?.rig).toBe('Cart P1')
})

test('a rig out of use is used by nobody until it is back, and a shop without one says so', () => {
  const cars = [shopCar('Ambulance', {}, 'rig'), shopCar('Hybrid', {}, 'rig')]
  const day = shopDay(cars)
  const back = planShop({
    ...day,
    rigs: day.rigs.map((r) => ({ ...r, off: [{ fromMs: after(-5), toMs: after(90) }] })),
  })
  expect(Math.min(...back.rows.map((r) => r.from))).toBe(90)
  const none = planShop({ ...day, rigs: day.rigs.map((r) => ({ ...r, off: [{ fromMs: after(-5), toMs: null }] })) })
  expect(none.rows).toEqual([])
  expect(none.unplanned.map((u) => unplannedWords(none, u))[0]).toBe('Ambulance cannot be planned: no rig is in use.')
})

test('the plan keeps its order from minute to minute where another brings nothing @long', () => {
  const names = ['Ambulance', 'Hybrid', 'Grader']
  const cars = names.map((name, i) => shopCar(name, { promisedMs: after(240 + 40 * i) }))
  let plan = planShop(shopDay(cars))
  for (const minute of [1, 2]) {
    const next = planShop({ ...shopDay(cars), nowMs: after(minute) }, plan.order)
    expect(next.order).toEqual(plan.order)
    expect(toldOf(plan, next)).toEqual([])
    plan = next
  }
})

test('an order people have begun by stays where another is better by minutes only, and goes where it costs a promise', () => {
  const people = [{ id: 'teo', name: 'Teo', role: 'technician' as const, off: [] }]
  const longer = shopCar('Longer', {
    steps: [
      { step: 'fix', hands: 33 },
      { step: 'leave', hands: 8 },
    ],
  })
  const shorter = shopCar('Shorter', {
    steps: [
      { step: 'fix', hands: 30 },
      { step: 'leave', hands: 8 },
    ],
  })
  const day = shopDay([longer, shorter], { people })
  const first = (plan: ShopPlan) => plan.rows[0]?.car
  const begun = ['Longer', 'Longer', 'Shorter', 'Shorter']
  expect(first(planShop(day))).toBe('Shorter')
  expect(first(planShop(day, begun))).toBe('Longer')
  const promised = { ...shorter, promisedMs: after(45) }
  expect(first(planShop(shopDay([longer, promised], { people }), begun))).toBe('Shorter')
})

test('why a car waits is said by its names, and what a rig is on where one is chosen', () => {
  const cars = [
    shopCar('Ambulance', { rig: 'Cart P1' }, 'isolate'),
    shopCar('Shuttle 3', { rig: 'Cart P1' }, 'isolate'),
    shopCar('Hybrid', {}, 'rig'),
    shopCar('Grader', {}, 'rig'),
  ]
  const plan = planShop(shopDay(cars, { rigs: [{ name: 'Cart P1', off: [], rigs: ['Cart P1', 'Needle set'] }] }))
  const waits = plan.why.filter((w) => w.code === 'rig').map((w) => whyWords(plan, w))
  expect(waits).toContainEqual(
    expect.stringMatching(/^(Hybrid|Grader) waits \d+ min for Cart P1, which hangs on (Ambulance|Hybrid|Grader)\.$/),
  )
  expect(sharedRigs(plan)).toEqual([{ rig: 'Cart P1', cars: ['Ambulance', 'Shuttle 3'] }])
  const busy = rigBusy(plan, 'Needle set', NINE_MS)
  expect(busy && rigBusyWords(busy, clock)).toMatch(/^hangs on Ambulance until about 09:\d\d$/)
  expect(rigBusy(plan, 'Needle set', NINE_MS, 'Ambulance')).toMatchObject({ car: 'Shuttle 3', now: true })
  expect(rigBusy(plan, 'some other', NINE_MS)).toBeNull()
})

test('one deed and what follows it at once elsewhere are one sentence', () => {
  const cars = [shopCar('Ambulance', { rig: 'Cart P1' }, 'isolate'), shopCar('Shuttle 6', {}, 'rig')]
  const people = [{ id: 'teo', name: 'Teo Brisal', role: 'technician' as const, off: [] }]
  const plan = planShop(shopDay(cars, { people }))
  const [next] = nextDeeds(plan, NINE_MS)
  expect(next && deedWords(plan, next)).toMatch(
    /^isolate Ambulance, then rig up Shuttle 6 with Cart P\d$|^rig up Shuttle 6 with Cart P2, then /,
  )
})
