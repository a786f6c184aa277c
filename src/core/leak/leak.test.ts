import { describe, expect, test } from 'vitest'
import type { LeakChecked, LeakPlace } from '../job/leak'
import { type Chances, chancesAfter, chancesBefore, namedPlace, ranked } from './chances'
import { hitRate, likelihood } from './checks'
import { clueOfHold } from './clues'
import { contradictionsOf } from './contradictions'
import { chanceToFind, proposals } from './next-check'
import { PLACES } from './places'

const SINGLE = (Object.keys(PLACES) as LeakPlace[]).filter((p) => p !== 'joint-rear' && p !== 'evaporator-rear')
const two = (a: number): Chances =>
  new Map([
    ['condenser', a],
    ['evaporator', 1 - a],
  ])

describe('chances by Bayes', () => {
  test('a soap that bubbles, worked by hand', () => {
    // 0.5 and 0.5; a large leak at the condenser bubbles with 0.55/(1 + (40/4000)^1.5) + 0.006 = 0.5555, one
    // elsewhere with 0.006
    const after = chancesAfter(two(0.5), { check: 'soap', at: 'condenser', bubbles: true }, 4000)
    expect(after.get('condenser')).toBeCloseTo(0.5555 / (0.5555 + 0.006), 3)
    const not = chancesAfter(two(0.5), { check: 'soap', at: 'condenser', bubbles: false }, 4000)
    expect(not.get('condenser')).toBeCloseTo((1 - 0.5555) / (1 - 0.5555 + 0.994), 3)
  })

  test('two answers one after the other are the product of both, in either order', () => {
    const soap: LeakChecked = { check: 'soap', at: 'condenser', bubbles: false }
    const look: LeakChecked = { check: 'look', at: null }
    const one = chancesAfter(chancesAfter(two(0.7), soap, 200), look, 200)
    const other = chancesAfter(chancesAfter(two(0.7), look, 200), soap, 200)
    const byHand = (['condenser', 'evaporator'] as const).map(
      (p) => (p === 'condenser' ? 0.7 : 0.3) * likelihood(soap, p, 2, 200) * likelihood(look, p, 2, 200),
    ) as [number, number]
    expect(one.get('condenser')).toBeCloseTo(byHand[0] / (byHand[0] + byHand[1]), 12)
    expect(one.get('condenser')).toBeCloseTo(other.get('condenser') ?? 0, 12)
  })

  test('they stay a distribution, and a shop that finds condensers all summer expects one', () => {
    const shipped = chancesBefore(SINGLE, {}, [])
    const taught = chancesBefore(SINGLE, { condenser: 40 }, [])
    for (const chances of [shipped, taught]) expect([...chances.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    expect(shipped.get('condenser')).toBeCloseTo(16 / 102.5, 2)
    // forty found weigh as much as what was shipped: half of all chance, and half of what it had
    expect(taught.get('condenser')).toBeCloseTo(0.5 + (shipped.get('condenser') ?? 0) / 2, 6)
  })

  test('the answers a check may give are all of them: their chances add up to one wherever the leak is', () => {
    for (const place of SINGLE) {
      const sum = (answers: LeakChecked[]) => answers.reduce((s, a) => s + likelihood(a, place, SINGLE.length, 300), 0)
      const at = (check: 'look' | 'sniffer') =>
        sum([null, ...SINGLE].map((p) => (check === 'look' ? { check, at: p } : { check, at: p })))
      expect(at('look')).toBeCloseTo(1, 1)
      expect(at('sniffer')).toBeCloseTo(1, 1)
      expect(sum([true, false].map((bubbles) => ({ check: 'soap', at: place, bubbles })))).toBeCloseTo(1, 12)
      expect(
        sum((['low-worse', 'high-worse', 'same', 'on-worse'] as const).map((says) => ({ check: 'couplers', says }))),
      ).toBeCloseTo(1, 12)
      expect(sum((['rose', 'still'] as const).map((says) => ({ check: 'hoses', says })))).toBeCloseTo(1, 12)
    }
  })
})

test('a smaller leak shows less, and nothing inside the car bubbles', () => {
  for (const check of ['look', 'soap', 'sniffer'] as const)
    expect(hitRate(check, 'switch', 20)).toBeLessThan(hitRate(check, 'switch', 2000))
  expect(hitRate('soap', 'evaporator', 5000)).toBe(0)
})

describe('what is looked at next', () => {
  const bench = { vacuum: true, holds: false, pressure: false, charge: false, hosesIn: true, made: [] as LeakChecked[] }

  test('a car that held and yet lost: the couplers come off first, and that names the ports', () => {
    const chances = chancesBefore(SINGLE, {}, [clueOfHold('tight', false)])
    expect(proposals(chances, { ...bench, hosesIn: false }, 300)[0]?.check).toMatch(/couplers|look/)
    const after = chancesAfter(chances, { check: 'couplers', says: 'off-worse' }, 300)
    const ports = (after.get('port-low') ?? 0) + (after.get('port-high') ?? 0)
    expect(ports).toBeGreaterThan(0.9)
  })

  test('a car that leaked under its couplers has no leaking core', () => {
    const chances = chancesBefore(SINGLE, {}, [clueOfHold('leak', true)])
    expect(chances.get('port-low') ?? 1).toBeLessThan(0.02)
  })

  test('each is worth its minutes: the first has the most chance a minute, and nothing is made twice', () => {
    const chances = chancesBefore(SINGLE, {}, [clueOfHold('leak', true)])
    const offered = proposals(chances, bench, 300)
    const rates = offered.map((p) => p.found / p.minutes)
    expect(rates).toEqual([...rates].sort((a, b) => b - a))
    const looked = proposals(chances, { ...bench, made: [{ check: 'look', at: null }] }, 300)
    expect(looked.some((p) => p.check === 'look')).toBe(false)
    expect(proposals(chances, { ...bench, vacuum: false }, 300).some((p) => p.check === 'couplers')).toBe(false)
  })

  test('with nitrogen in, soap goes where it is likeliest; without it, nitrogen is worth what soap would find', () => {
    const chances = chancesBefore(SINGLE, {}, [])
    const soaps = proposals(chances, { ...bench, pressure: true, made: [{ check: 'look', at: null }] }, 300)
    const first = soaps.find((p) => p.check === 'soap')
    expect(first?.at).toBeDefined()
    expect(chanceToFind(chances, 'soap', 300, first?.at)).toBeGreaterThan(0)
    const nitrogen = proposals(chances, bench, 300).find((p) => p.check === 'nitrogen')
    expect(nitrogen?.soaps?.length).toBeGreaterThan(2)
  })
})

test('results that contradict each other are named, others are not', () => {
  const pairs = (...seen: LeakChecked[]) => contradictionsOf(seen).length
  const test1: LeakChecked = {
    check: 'nitrogen',
    says: 'stands',
    gramsPerYear: 0,
    showsGramsPerYear: 50,
    minutes: 40,
  }
  expect(pairs({ check: 'soap', at: 'switch', bubbles: true }, { check: 'soap', at: 'switch', bubbles: false })).toBe(1)
  expect(pairs({ check: 'soap', at: 'switch', bubbles: true }, { check: 'soap', at: 'drier', bubbles: false })).toBe(0)
  expect(pairs({ check: 'soap', at: 'switch', bubbles: true }, test1)).toBe(1)
  expect(pairs({ check: 'look', at: 'condenser' }, { check: 'sniffer', at: 'evaporator' })).toBe(1)
  expect(pairs({ check: 'couplers', says: 'off-worse' }, { check: 'sniffer', at: 'port-low' })).toBe(0)
  expect(pairs({ check: 'hoses', says: 'rose' }, { check: 'hoses', says: 'still' })).toBe(1)
  expect(pairs({ check: 'look', at: null }, { check: 'sniffer', at: 'evaporator' })).toBe(0)
})

test('a place is named from nine of ten on, not before', () => {
  expect(namedPlace(two(0.89))).toBeNull()
  expect(namedPlace(two(0.91))?.place).toBe('condenser')
  expect(ranked(two(0.2))[0]?.place).toBe('evaporator')
})
