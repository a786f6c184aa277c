import fc from 'fast-check'
import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { kelvin } from '../units/temperature'
import { waterBends } from './bends'
import { binned } from './binned'
import { CrossProducts } from './cross-products'
import { gathered, logSum, mixtureQuantile, overlap, overlapsAt, under, upperTail } from './normal'

// tail of the standard normal, from a published table
test.each([
  [0, 0.5],
  [1, 0.1586553],
  [1.959964, 0.025],
  [3, 0.0013499],
])('the normal’s upper tail beyond %d', (x, share) => {
  expect(Math.abs(upperTail(x) - share)).toBeLessThan(2e-7)
  expect(Math.abs(upperTail(-x) - (1 - share))).toBeLessThan(2e-7)
})

/** The same integral by a fine sum over ln(x). */
function byHand(low: number, high: number, mean: number, sigma: number): number {
  const n = 200_000
  const step = Math.log(high / low) / n
  let sum = 0
  for (let i = 0; i < n; i++) sum += Math.exp(-((low * Math.exp((i + 0.5) * step) - mean) ** 2) / (2 * sigma * sigma))
  return sum / n
}

test.each([
  [0.01, 0.002],
  [0.0005, 0.001],
  [-0.001, 0.001],
  [0.5, 0.02],
])('a log-uniform prior under a reading of %d ± %d agrees with a fine sum', (mean, sigma) => {
  const prior = { low: 4e-4, high: 1.2 }
  const exact = byHand(prior.low, prior.high, mean, sigma)
  // a cell of the prior is a quarter in ln wide, and flat
  expect(Math.abs(overlap(prior, { mean, sigma }) / exact - 1)).toBeLessThan(0.15)
  // and the table says what the integral says
  expect(Math.abs(overlapsAt(prior, sigma)(mean) / overlap(prior, { mean, sigma }) - 1)).toBeLessThan(0.005)
})

test('a reading far below the prior leaves its lowest end, one within it itself', () => {
  const prior = { low: 1e-3, high: 1 }
  expect(under(prior, { mean: -0.5, sigma: 0.01 }).mean).toBeLessThan(3e-3)
  expect(under(prior, { mean: 0.2, sigma: 0.01 })).toEqual({ mean: 0.2, sigma: 0.01 })
})

test('a reading that says nothing leaves the whole prior: its mean and its spread', () => {
  const { mean, sigma } = under({ low: 0.1, high: 10 }, { mean: 1, sigma: 1e4 })
  // of a log-uniform value: (b - a) / ln(b / a), and its square likewise
  const span = Math.log(100)
  const first = (10 - 0.1) / span
  const second = (100 - 0.01) / (2 * span)
  expect(Math.abs(mean / first - 1)).toBeLessThan(0.02)
  expect(Math.abs(sigma / Math.sqrt(second - first ** 2) - 1)).toBeLessThan(0.03)
})

test('very many normals gathered into few keep mean, spread and quantiles', () => {
  const parts = Array.from({ length: 1200 }, (_, i) => ({
    mean: Math.sin(i),
    sigma: 0.3 + 0.2 * Math.cos(i * 7),
    weight: 1 + (i % 5),
  }))
  const few = gathered(parts)
  expect(few.length).toBeLessThan(parts.length / 4)
  const moments = (p: readonly { mean: number; sigma: number; weight: number }[]) => {
    const w = p.reduce((s, x) => s + x.weight, 0)
    const m = p.reduce((s, x) => s + x.weight * x.mean, 0) / w
    return { w, m, v: p.reduce((s, x) => s + x.weight * (x.sigma ** 2 + (x.mean - m) ** 2), 0) / w }
  }
  expect(moments(few).w).toBeCloseTo(moments(parts).w, 6)
  expect(moments(few).m).toBeCloseTo(moments(parts).m, 9)
  expect(moments(few).v).toBeCloseTo(moments(parts).v, 9)
  for (const share of [0.025, 0.5, 0.975])
    expect(mixtureQuantile(few, share)).toBeCloseTo(mixtureQuantile(parts, share), 2)
})

test('one normal’s quantiles are its own, and a sum of logarithms does not overflow', () => {
  expect(mixtureQuantile([{ mean: 3, sigma: 2, weight: 1 }], 0.975)).toBeCloseTo(3 + 1.96 * 2, 1)
  expect(logSum([1000, 1000])).toBeCloseTo(1000 + Math.LN2, 9)
  expect(logSum([])).toBe(Number.NEGATIVE_INFINITY)
})

test('taking a column out of the sums is fitting it: what is left of a line is its slope’s', () => {
  // y = 5 + 2 t with one reading off by one, no correlation to speak of
  const t = [0, 1, 2, 3, 4]
  const y = [5, 7, 10, 11, 13]
  const products = new CrossProducts(3)
  for (const [i, s] of t.entries())
    products.add(s * 1e6, 1, 1, (row) => {
      row[0] = 1
      row[1] = s
      row[2] = y[i] as number
    })
  const free = products.without(0, Number.POSITIVE_INFINITY).products
  // least squares by the textbook: Sxy / Sxx
  expect(free.get(1, 2) / free.get(1, 1)).toBeCloseTo(20 / 10, 9)
  // a prior that allows nothing leaves the column where it was
  expect(products.without(0, 1e-9).products.get(1, 2)).toBeCloseTo(products.get(1, 2), 5)
})

test('a reading twice as uncertain counts a quarter', () => {
  const square = (sigma: number) => {
    const products = new CrossProducts(1)
    products.add(0, sigma, 1, (row) => row.fill(3))
    return products.get(0, 0)
  }
  expect(square(1)).toBeCloseTo(9, 9)
  expect(square(2)).toBeCloseTo(9 / 4, 9)
})

test('only leading columns have products with all others; what is kept is the same', () => {
  const fill = (i: number) => (row: Float64Array) => row.set([1, i, Math.sin(i), Math.cos(i), i * i])
  const [whole, sparse] = [new CrossProducts(5), new CrossProducts(5, 2)]
  for (let i = 0; i < 20; i++) for (const g of [whole, sparse]) g.add(i, 1 + 0.1 * i, 3, fill(i))
  for (const [a, b] of [
    [0, 1],
    [1, 3],
    [2, 2],
    [3, 3],
    [2, 4],
    [3, 4],
    [4, 4],
  ] as const) {
    expect(sparse.get(a, b)).toBeCloseTo(whole.get(a, b), 9)
    expect(sparse.without(0, 2).products.get(a === 0 ? 1 : a, b)).toBeCloseTo(
      whole.without(0, 2).products.get(a === 0 ? 1 : a, b),
      9,
    )
  }
})

test('noise that lasts counts for less: ten readings that share their deviation are not ten', () => {
  const weight = (correlationS: number) => {
    const products = new CrossProducts(1)
    for (let i = 0; i < 10; i++) products.add(i, 1, correlationS, (row) => row.fill(1))
    return products.get(0, 0)
  }
  expect(weight(0.01)).toBeCloseTo(10, 6)
  expect(weight(100)).toBeLessThan(1.2)
})

test('every bend begins at nothing and rises, and a warming one ends at its saturation’s share', () => {
  for (const bend of waterBends(20)) {
    expect(bend.of(0)).toBeCloseTo(0, 9)
    for (const s of [10, 100, 1000, 10_000]) expect(bend.of(s)).toBeGreaterThanOrEqual(bend.of(s / 2))
    expect(bend.of(1e6)).toBeCloseTo(1, 5)
  }
  const warming = waterBends(20).find((b) => b.kind === 'warming' && b.coldK === 11 && b.tauS === 370)
  const at = (coldK: number) => waterSaturationPa(kelvin(20 - coldK))
  expect(warming?.of(370)).toBeCloseTo((at(11 / Math.E) - at(11)) / (at(0) - at(11)), 3)
})

test('a grid made finer keeps the chance of what it replaces', () => {
  const coarse = waterBends(20)
  const chance = (bends: ReturnType<typeof waterBends>) => bends.reduce((sum, b) => sum + b.prior, 0)
  for (const focus of [coarse[3], coarse[20]]) {
    const fine = waterBends(20, [focus as (typeof coarse)[number]])
    expect(fine.length).toBeGreaterThan(coarse.length)
    expect(chance(fine)).toBeCloseTo(chance(coarse), 9)
  }
})

test('averages keep the count and the mean of what went into them', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 5, max: 200 }), (n, most) => {
      const samples = Array.from({ length: n }, (_, i) => ({ elapsedS: i, pressurePa: 40 + Math.sin(i) }))
      const out = binned(samples, most)
      expect(out.length).toBeLessThanOrEqual(Math.max(most, 1))
      const total = (s: typeof out) => s.reduce((sum, x) => sum + x.pressurePa * (x.count ?? 1), 0)
      expect(out.reduce((sum, x) => sum + (x.count ?? 1), 0)).toBe(n)
      expect(total(out)).toBeCloseTo(total(samples), 6)
    }),
  )
})
