import { expect, test } from 'vitest'
import { oilHint, readOil } from './entries'

test('oil is typed in mL or in fluid ounces, and said in both', () => {
  expect(readOil('30', 500)).toEqual({ value: 30 })
  expect(readOil('30 mL', 500)).toEqual({ value: 30 })
  for (const typed of ['2 fl oz', '2 oz', '2 fl. oz']) {
    const read = readOil(typed, 500)
    expect('value' in read && read.value).toBeCloseTo(59.147, 3)
  }
  expect(readOil('-3', 500)).toHaveProperty('error')
  expect(readOil('some', 500)).toHaveProperty('error')
  expect(oilHint('2 oz')).toBe('59 mL, 2.0 fl oz')
  expect(oilHint('0')).toBeUndefined()
})
