import fc from 'fast-check'
import { expect, test } from 'vitest'
import { Unreadable } from '../errors'
import { formatPoundsOunces, GRAMS_PER, massInAllUnits, parseMass, parseMassRange } from './mass'

test.each([
  ['1 lb 4', 566.99],
  ['1 lb 3.5 oz', 552.82],
  ['20 oz', 566.99],
  ['567 g', 567],
  ['567', 567],
  ['0.54 kg', 540],
  ['1lb', 453.59],
])('"%s" is %d g', (text, grams) => {
  expect(parseMass(text).grams).toBeCloseTo(grams, 1)
})

test('1.4 lb says that it is not 1 lb 4 oz', () => {
  const { grams, warning } = parseMass('1.4 lb')
  expect(grams).toBeCloseTo(635.03, 1)
  expect(warning).toBe('1.4 lb is 1 lb 6.4 oz, not 1 lb 4 oz')
})

test.each(['', '-5 g', '1 lb 17 oz', '1.5 lb 3 oz', 'a can', '5 stone'])('"%s" is refused', (text) => {
  expect(() => parseMass(text)).toThrow(Unreadable)
})

test('a range takes its unit from its end and keeps its order', () => {
  expect(parseMassRange('530-560 g')).toEqual({ lowG: 530, highG: 560 })
  expect(parseMassRange('18 to 20 oz').lowG).toBeCloseTo(510.3, 1)
  expect(parseMassRange('1 lb 4')).toMatchObject({ lowG: parseMass('20 oz').grams })
  expect(() => parseMassRange('560-530 g')).toThrow(/smaller/)
})

test('pounds and ounces written out are read back as the same mass', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 20_000, noNaN: true }), (grams) => {
      // a tenth of an ounce is what is written
      expect(Math.abs(parseMass(formatPoundsOunces(grams)).grams - grams)).toBeLessThanOrEqual(
        0.05 * GRAMS_PER.oz + 1e-9,
      )
    }),
  )
})

test('a rounded ounce never shows as sixteen', () => {
  expect(formatPoundsOunces(453.4)).toBe('1 lb 0.0 oz')
})

test('one mass in every unit names each unit', () => {
  expect(massInAllUnits(567)).toEqual(['567 g', '20.0 oz', '1 lb 4.0 oz', '0.567 kg'])
})
