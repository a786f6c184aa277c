import { expect, test } from 'vitest'
import { cheapest, type OnSale } from './buy'

const CAN: OnSale = { name: 'can of 340 g', kind: 'can', netG: 340, price: 9 }
const SMALL: OnSale = { name: 'can of 170 g', kind: 'can', netG: 170, price: 6 }
const CYLINDER: OnSale = { name: 'cylinder of 5 kg', kind: 'cylinder', netG: 5000, price: 60 }
const given = { refrigerant: 'R-134a' as const, ambientC: 22, purgeEachG: 3, hoseG: 0 }
const told = (needG: number, sizes: OnSale[]) => {
  const buy = cheapest(needG, sizes, given)
  return buy && { pieces: buy.pieces.map((p) => `${p.count} ${p.size.name}`), cost: buy.cost, leftG: buy.leftG }
}

test('the cheapest set that lands, with purge and heel counted', () => {
  // a can of 340 g loses 3 g to its purge and some 12 g to its heel: one is not enough for 330
  expect(told(330, [CAN, SMALL])?.pieces).toEqual(['1 can of 340 g', '1 can of 170 g'])
  expect(told(320, [CAN, SMALL])?.pieces).toEqual(['1 can of 340 g'])
  expect(told(640, [CAN, SMALL, CYLINDER])).toMatchObject({ pieces: ['2 can of 340 g'], cost: 18 })
})

test('a cylinder is taken once it costs less than its worth in cans, and never two of them', () => {
  expect(told(1900, [CAN, SMALL, { ...CYLINDER, price: 50 }])?.pieces).toEqual(['1 cylinder of 5 kg'])
  expect(told(6000, [CYLINDER])).toBeNull()
})

test('every other set of at most six cans is dearer, or does not land', () => {
  for (const needG of [100, 400, 777, 1300]) {
    const buy = cheapest(needG, [CAN, SMALL], given)
    const gives = (size: OnSale) => (cheapest(1, [size], given)?.leftG ?? 0) + 1
    const all = Array.from({ length: 7 }, (_, a) => Array.from({ length: 7 - a }, (_, b) => [a, b] as const)).flat()
    const landing = all.filter(([a, b]) => a * gives(CAN) + b * gives(SMALL) >= needG)
    const least = Math.min(...landing.map(([a, b]) => 9 * a + 6 * b))
    expect(buy?.cost).toBe(least)
    expect(buy?.leftG).toBeGreaterThanOrEqual(0)
  }
})

test('without prices the set with the least refrigerant is taken', () => {
  const free = [CAN, SMALL].map((s) => ({ ...s, price: 0 }))
  expect(told(450, free)?.pieces).toEqual(['1 can of 340 g', '1 can of 170 g'])
})
