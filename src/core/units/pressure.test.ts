import fc from 'fast-check'
import { expect, test } from 'vitest'
import { OutOfRange, Unreadable } from '../errors'
import { stationPressurePa } from './barometer'
import { fromPascal, needleReading, PRESSURE_UNITS, parsePressure, toPascal } from './pressure'

const CERRO_LUMEN_PA = stationPressurePa(2380)

test('the air of a place by the standard atmosphere: sea level, 1000 m, Cerro Lumen', () => {
  // ICAO standard atmosphere: 101325, 89875 Pa; 22.4 inHg is what people at 2380 m read
  expect(stationPressurePa(0)).toBe(101325)
  expect(stationPressurePa(1000)).toBeCloseTo(89875, -1)
  expect(fromPascal(CERRO_LUMEN_PA, 'inHg')).toBeCloseTo(22.4, 1)
})

test('one atmosphere is 760,000 micron, 29.92 inHg and 14.696 psi', () => {
  expect(fromPascal(101325, 'micron')).toBeCloseTo(760_000, -1)
  expect(fromPascal(101325, 'inHg')).toBeCloseTo(29.921, 3)
  expect(fromPascal(101325, 'psi')).toBeCloseTo(14.696, 3)
})

test('19 inHg at 2380 m leaves 86,000 micron: no water boils there', () => {
  expect(fromPascal(toPascal(19, 'inHgV', CERRO_LUMEN_PA), 'micron')).toBeCloseTo(86_000, -3)
})

test('every unit there and back is the same pressure', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 2e6, noNaN: true }),
      fc.constantFrom(...PRESSURE_UNITS),
      fc.double({ min: 50_000, max: 105_000, noNaN: true }),
      (pa, unit, air) => {
        expect(toPascal(fromPascal(pa, unit, air), unit, air) / pa).toBeCloseTo(1, 5)
      },
    ),
  )
})

test('a needle reading is an interval that holds its value and never goes below nothing', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 22.3, noNaN: true }), (inches) => {
      const { lowPa, pressurePa, highPa } = needleReading(inches, CERRO_LUMEN_PA)
      expect(lowPa).toBeGreaterThanOrEqual(0)
      expect(lowPa).toBeLessThanOrEqual(pressurePa)
      expect(pressurePa).toBeLessThan(highPa)
    }),
  )
})

test('a needle deeper than the air itself is refused with the deepest reading of the place', () => {
  expect(() => toPascal(30, 'inHgV', CERRO_LUMEN_PA)).toThrow(OutOfRange)
  expect(() => toPascal(30, 'inHgV', CERRO_LUMEN_PA)).toThrow(/22\.4/)
})

test('a gauge unit without a barometer is refused', () => {
  expect(() => toPascal(10, 'psig')).toThrow(Unreadable)
})

test.each([
  ['776', { value: 776, unit: 'micron' }],
  ['400u', { value: 400, unit: 'micron' }],
  ['21.6 inHg', { value: 21.6, unit: 'inHgV' }],
  ['-18 in', { value: 18, unit: 'inHgV' }],
  ['55 psig', { value: 55, unit: 'psig' }],
  ['1,250 micron', { value: 1250, unit: 'micron' }],
] as const)('"%s" is read as people mean it', (text, meant) => {
  expect(parsePressure(text, 'micron')).toEqual(meant)
})

test.each(['', 'deep', '12 furlongs', '--3'])('"%s" is refused with what would be taken', (text) => {
  expect(() => parsePressure(text, 'micron')).toThrow(Unreadable)
})
