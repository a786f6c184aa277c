import { expect, test } from 'vitest'
import { EQUALISING, waterBends } from './bends'
import { candidates, type Prior } from './candidates'
import { FIRST_BEND, FIRST_EQUALISING, HOSE, LEVEL, LINE } from './columns'
import { CrossProducts } from './cross-products'

const BENDS = waterBends(20).slice(0, 3)
const READINGS = FIRST_BEND + BENDS.length
const HOSES = { law: 0, times: 5, spread: 2, bent: { law: 2, spread: 3 }, chance: 1 }

/** Sums of a record with a rise, a bend and gas of hoses; `less` times the gas taken off what was read. */
function record(less: number): CrossProducts {
  const sums = new CrossProducts(READINGS + 1, FIRST_BEND)
  for (let i = 0; i < 60; i++) {
    const t = 20 * i
    sums.add(t, 1, 3, (row) => {
      row.fill(0)
      row[LEVEL] = 1
      row[LINE] = t
      row[HOSE] = Math.sqrt(t)
      row[HOSE + 2] = Math.log(1 + t)
      EQUALISING.forEach((e, k) => {
        row[FIRST_EQUALISING + k] = Math.exp(-t / e.tauS)
      })
      BENDS.forEach((bend, k) => {
        row[FIRST_BEND + k] = bend.of(t)
      })
      const read = 30 + 0.02 * t + 40 * (row[FIRST_BEND + 1] as number) + 6 * Math.sqrt(t) + Math.sin(12.9 * i)
      row[READINGS] = read - less * Math.sqrt(t)
    })
  }
  return sums
}

test('the sums a candidate is weighed by are those with the hoses taken out column by column', () => {
  const prior = { equalisingPa: 5, hoses: [HOSES] } as unknown as Prior
  const found = candidates(record(0), BENDS, prior).filter((c) => c.equalising < 0 && c.bend >= 0)
  expect(found.length).toBeGreaterThan(0)
  // the other way: the gas off the readings first, then whole copies of all sums
  const one = record(HOSES.times).without(LEVEL, Number.POSITIVE_INFINITY).products.without(HOSE, HOSES.spread)
  const two = one.products.without(HOSE + 2, HOSES.bent.spread)
  const g = two.products
  for (const { bend, sums, bendSums, log } of found) {
    const column = FIRST_BEND + bend
    expect(sums.ll / g.get(LINE, LINE)).toBeCloseTo(1, 8)
    expect(sums.ly / g.get(LINE, READINGS)).toBeCloseTo(1, 8)
    expect(sums.yy / g.get(READINGS, READINGS)).toBeCloseTo(1, 8)
    expect((bendSums?.bb ?? 0) / g.get(column, column)).toBeCloseTo(1, 8)
    expect((bendSums?.bl ?? 0) / g.get(LINE, column)).toBeCloseTo(1, 8)
    expect((bendSums?.by ?? 0) / g.get(column, READINGS)).toBeCloseTo(1, 8)
    const chi2 = g.without(LINE, Number.POSITIVE_INFINITY).products
    const best = chi2.get(READINGS, READINGS) - chi2.get(column, READINGS) ** 2 / chi2.get(column, column)
    const chance = one.log + two.log + Math.log(BENDS[bend]?.prior ?? 0) + Math.log(0.5)
    expect(log).toBeCloseTo(-best / 2 + chance, 5)
  }
})
