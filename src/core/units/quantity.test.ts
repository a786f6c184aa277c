import fc from 'fast-check'
import { expect, test } from 'vitest'
import { OutOfRange } from '../errors'
import { inUnit, kindOf, QUANTITY_UNITS } from './quantity'

test('figures everybody knows', () => {
  expect(inUnit(32, 'F', 'C')).toBeCloseTo(0, 10)
  expect(inUnit(-40, 'C', 'F')).toBeCloseTo(-40, 10)
  expect(inUnit(25, 'C', 'K')).toBeCloseTo(298.15, 10)
  expect(inUnit(1, 'lb', 'oz')).toBeCloseTo(16, 10)
  expect(inUnit(1, 'lb', 'g')).toBeCloseTo(453.592, 3)
  expect(inUnit(0.54, 'kg', 'g')).toBeCloseTo(540, 10)
  expect(inUnit(8, 'floz', 'mL')).toBeCloseTo(236.588, 3)
  expect(inUnit(0.375, 'in', 'mm')).toBeCloseTo(9.525, 10)
  expect(inUnit(4, 'cfm', 'L/s')).toBeCloseTo(1.888, 3)
})

test('there and back is the same figure, for every pair of one kind', () => {
  const pairs = QUANTITY_UNITS.flatMap((from) =>
    QUANTITY_UNITS.filter((to) => kindOf(to) === kindOf(from)).map((to) => [from, to] as const),
  )
  expect(pairs.length).toBeGreaterThan(35)
  fc.assert(
    fc.property(fc.constantFrom(...pairs), fc.double({ min: 0, max: 1e6, noNaN: true }), ([from, to], value) => {
      expect(inUnit(inUnit(value, from, to), to, from)).toBeCloseTo(value, 6)
    }),
  )
})

test('nothing is colder than absolute zero; a mass is no length', () => {
  expect(() => inUnit(-300, 'C', 'F')).toThrow(OutOfRange)
  expect(() => inUnit(-460, 'F', 'C')).toThrow(OutOfRange)
  expect(() => inUnit(1, 'g', 'mm')).toThrow('g is a mass, mm a length')
})
