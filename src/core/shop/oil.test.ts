import { expect, test } from 'vitest'
import { firstChargeG } from '../charge/first-charge'
import { oilOwed, oilWords } from './oil'

test('oil owed is the sum of what the parts take with them; cores and caps take none', () => {
  expect(
    oilOwed([
      { what: 'condenser', count: 1 },
      { what: 'drier', count: 1 },
      { what: 'core-small', count: 2 },
    ]),
  ).toEqual({ fromMl: 45, toMl: 60, measured: false })
  expect(oilOwed([])).toEqual({ fromMl: 0, toMl: 0, measured: false })
  expect(oilWords([{ what: 'caps', count: 2 }])).toMatch(/nothing by the parts/)
  expect(oilWords([{ what: 'compressor', count: 1 }])).toMatch(/drained from the old one/)
})

test('a small system takes some 70 g by itself on a warm day, less on a cold one', () => {
  // saturated R-134a vapour at 25 C weighs 32.4 kg/m3
  expect(firstChargeG(2.5, 'R-134a', 25)).toBeCloseTo(2.5 * 32.4, 0)
  expect(firstChargeG(2.5, 'R-134a', 5)).toBeLessThan(0.6 * firstChargeG(2.5, 'R-134a', 25))
})
