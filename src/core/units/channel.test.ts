import { expect, test } from 'vitest'
import { toStored } from './channel'

const AIR = 75_815

test('a manifold gauge counts from the air whatever it calls its unit', () => {
  expect(toStored('low', 0, 'psig', AIR)).toBeCloseTo(AIR)
  expect(toStored('low', 200, 'kPa', AIR)).toBeCloseTo(AIR + 200_000)
  expect(toStored('high', 10, 'inHgV', AIR)).toBeCloseTo(AIR - 33_864, 0)
})

test('in deep vacuum a gauge’s own error may put it a little below nothing, and no further', () => {
  expect(toStored('low', -11, 'psig', AIR)).toBe(0)
  expect(() => toStored('low', -14.7, 'psig', AIR)).toThrow(/gauge pressure/)
})

test('scale, temperature and humidity are kept in grams, Celsius and a share', () => {
  expect(toStored('scale', 13.2, 'oz', AIR)).toBeCloseTo(374.2, 1)
  expect(toStored('vent', 46.4, 'F', AIR)).toBeCloseTo(8, 5)
  expect(toStored('humidity', 40, '%', AIR)).toBeCloseTo(0.4)
})

test.each([
  ['vacuum', 5, 'psig'],
  ['scale', 5, 'C'],
  ['vacuum', Number.NaN, 'Pa'],
  ['humidity', 140, '%'],
  ['scale', 300, 'kg'],
] as const)('%s %d %s cannot be', (channel, value, unit) => {
  expect(() => toStored(channel, value, unit, AIR)).toThrow()
})
