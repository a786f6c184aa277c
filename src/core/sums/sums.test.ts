import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { SUMS } from './all'
import { isField } from './fields'
import { shareOn, valueOn } from './picture'
import { type Sum, type Typed, typedOf, work } from './sum'

const sum = (id: string): Sum => SUMS.find((s) => s.id === id) as Sum
const answer = (id: string, typed: Typed = {}) => {
  const worked = work(sum(id), typedOf(sum(id), typed))
  expect({ ...worked.faults, fault: worked.fault }).toEqual({ fault: null })
  return worked.answer as NonNullable<typeof worked.answer>
}
const fact = (id: string, typed: Typed, name: string) =>
  answer(id, typed).facts.find((f) => f.name === name)?.text ?? ''

describe.each(SUMS.filter((s) => s.id !== 'pull'))('$name', (s) => {
  test('answers as it stands at first, and every drag lands where it was let go', () => {
    const typed = typedOf(s)
    const first = work(s, typed)
    expect(first.answer?.line).not.toMatch(/NaN|undefined|Infinity/)
    expect(first.answer?.main).not.toBe('')
    for (const handle of first.answer?.picture.handles ?? []) {
      if (handle.text) {
        // a handle that writes its entry itself: what it writes is read as the same place
        const again = work(s, { ...typed, [handle.field]: handle.text(handle.at) }).answer
        const moved = again?.picture.handles.find((h) => h.field === handle.field)?.at ?? Number.NaN
        expect(moved / handle.at).toBeCloseTo(1, 1)
        continue
      }
      const ask = s.asks.find((a) => a.key === handle.field)
      if (!ask || !isField(ask)) throw new Error(`${handle.field} is no figure`)
      const value = ask.read(typed[handle.field] as string)
      // what is written after a drag reads back as the figure that was dragged, to the digits it is written with
      expect(ask.read(ask.write(value)) / value || 1).toBeCloseTo(1, 1)
      // and the handle stands at the figure its entry has
      const stands = handle.entry ? handle.entry(handle.at) : handle.at
      expect(stands / value || 1).toBeCloseTo(1, 2)
    }
  })

  test('what no entry can be is refused beside it, and the others stay', () => {
    const field = s.asks.find(isField)
    if (!field) return
    const worked = work(s, { ...typedOf(s), [field.key]: 'soon' })
    expect(worked.faults[field.key]).toMatch(/\S/)
    expect(worked.answer).toBeNull()
    expect(Object.keys(worked.faults)).toEqual([field.key])
  })
})

test('19 inches at 2380 m are some 86,000 micron, where the bottom is 22.4', () => {
  const typed = { air: '2380 m', shows: '19 inHg' }
  expect(fact('needle', typed, 'Its bottom here')).toContain('22.4 inHg')
  // 22.4 less 19 inches is 3.4 inHg, 25.4 mm each, give or take half an inch: 74,000 to 99,000
  const [low, high] = (answer('needle', typed).main.match(/[\d,]+/g) ?? []).map((t) => Number(t.replace(/,/g, '')))
  expect(low).toBeGreaterThan(70_000)
  expect(low).toBeLessThan(78_000)
  expect(high).toBeGreaterThan(95_000)
  expect(high).toBeLessThan(101_000)
  expect(fact('needle', typed, 'Water at 20 °C')).toContain('no water boils there')
})

test('water boils at 20 °C below 17,500 micron, and 500 micron are a dew point of −24 °C at most', () => {
  // steam tables: 2339 Pa at 20 °C
  expect(fact('boiling', { cold: '20 C' }, 'At 20 °C')).toMatch(/below 17,5\d\d micron/)
  expect(fact('boiling', { vacuum: '500 micron' }, 'Dew point')).toContain('−24 °C')
})

test('1.4 lb is not 1 lb 4 oz', () => {
  expect(answer('pounds', { mass: '1.4 lb' }).main).toBe('635 g')
  expect(answer('pounds', { mass: '1.4 lb' }).line).toContain('not 1 lb 4 oz')
})

test('one micron a minute on 2.5 L is 20 to 480 g a year, and a longer hold shows a smaller leak', () => {
  const means =
    fact('hold', { rise: '1 micron a minute' }, '1 micron a minute')
      .match(/[\d.]+/g)
      ?.map(Number) ?? []
  expect(means[0]).toBeGreaterThan(15)
  expect(means[0]).toBeLessThan(25)
  expect(means[1]).toBeGreaterThan(430)
  expect(means[1]).toBeLessThan(530)
  const shows = (held: string) =>
    Number(
      /shows ([\d.]+)/.exec(
        fact('hold', { held }, held.replace('120 min', '2 h') === held ? `A hold of ${held}` : 'A hold of 2 h'),
      )?.[1],
    )
  expect(shows('120 min')).toBeLessThan(shows('30 min'))
})

test('nitrogen at 150 psig and 30 °C shows 134 psig at freezing: the air counts too', () => {
  // (150 + 14.7) psi absolute by 273.15/303.15
  const psig = 164.7 * (273.15 / 303.15) - 14.7
  expect(answer('nitrogen', { now: '0 C' }).main).toContain(`${Math.round(psig)} psi`)
})

test('540 g from cans of 340 g: the second is shut where what the first gave leaves it', () => {
  const said = answer('cans')
  expect(said.facts.find((f) => f.name === 'Full ones to buy')?.text).toBe('1 × can of 340 g and 1 × can of 250 g')
  const bars = said.picture
  if (bars.kind !== 'bars') throw new Error('weights are bars')
  // what ends in the car is what was asked for
  expect(bars.rows.at(-1)?.to).toBeCloseTo(540, 6)
  expect(answer('cans', { can2: '' }).main).toMatch(/^short by/)
  expect(work(sum('cans'), typedOf(sum('cans'), { can1: '340 g, net 474 g' })).fault).toContain('less than its gross')
})

test('80 g in a year are 80 g a year; a fortnight is too short to tell', () => {
  expect(answer('leak').main).toBe('80 g a year')
  expect(answer('leak', { to: '2025-06-20' }).main).toContain('no span')
  expect(work(sum('leak'), typedOf(sum('leak'), { to: '2026-02-31' })).faults.to).toContain('a day')
})

test('a place on an axis is the place of its value, by powers of ten and upside down too', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.boolean(), fc.boolean(), (share, log, down) => {
      const ends = down ? { from: 9000, to: 3 } : { from: 3, to: 9000 }
      const axis = { ...ends, log, name: '', ticks: [] }
      expect(shareOn(axis, valueOn(axis, share))).toBeCloseTo(share, 9)
    }),
  )
})
