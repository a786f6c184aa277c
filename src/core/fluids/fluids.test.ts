import { expect, test } from 'vitest'
import { OutOfRange } from '../errors'
import { kelvin } from '../units/temperature'
import { saturatedDensities, saturationK, saturationPa } from './refrigerant'
import { dewPointAtMostC, waterBoilingK, waterSaturationPa } from './water'

// Celsius and kPa, from Wagner and Pruss (2002); below zero from Murphy and Koop (2005), over ice
const WATER = [
  [0.01, 0.611657],
  [20, 2.33921],
  [25, 3.16975],
  [50, 12.3513],
  [-10, 0.2599],
  [-40, 0.012841],
] as const

test.each(WATER)('water at %d °C has the table’s pressure within 0.1 %%', (c, kPa) => {
  expect(Math.abs(waterSaturationPa(kelvin(c)) / 1000 / kPa - 1)).toBeLessThan(0.001)
})

test.each(WATER)('and boils at %d °C at that pressure', (c, kPa) => {
  expect(waterBoilingK(kPa * 1000)).toBeCloseTo(kelvin(c), 1)
})

test('liquid and ice meet at the triple point', () => {
  expect(waterSaturationPa(273.1599) / waterSaturationPa(273.16)).toBeCloseTo(1, 4)
})

test('500 micron stands for a dew point near −24 °C, 200 for −33 °C', () => {
  expect(dewPointAtMostC(66.66)).toBeCloseTo(-24.4, 0)
  expect(dewPointAtMostC(26.66)).toBeCloseTo(-33, 0)
})

// Celsius and kPa, published saturation tables
const R134A = [
  [-26.07, 101.325],
  [0, 292.8],
  [25, 665.4],
  [60, 1681.8],
] as const
const R1234YF = [
  [-29.45, 101.325],
  [0, 315.8],
  [25, 682.6],
  [60, 1641.8],
] as const

test.each(R134A)('R-134a at %d °C within 0.1 %%', (c, kPa) => {
  expect(Math.abs(saturationPa('R-134a', kelvin(c)) / 1000 / kPa - 1)).toBeLessThan(0.001)
})
test.each(R1234YF)('R-1234yf at %d °C within 0.3 %%', (c, kPa) => {
  expect(Math.abs(saturationPa('R-1234yf', kelvin(c)) / 1000 / kPa - 1)).toBeLessThan(0.003)
})

test('saturation temperature is the inverse of saturation pressure', () => {
  for (const c of [-30, 0, 25, 70])
    expect(saturationK('R-134a', saturationPa('R-134a', kelvin(c)))).toBeCloseTo(kelvin(c), 4)
})

test('densities between two rows lie between them, at a row on it', () => {
  expect(saturatedDensities('R-134a', 25)).toEqual({
    liquidKgM3: expect.closeTo(1206.7, 1),
    vapourKgM3: expect.closeTo(32.35, 2),
  })
  const { vapourKgM3 } = saturatedDensities('R-134a', 22)
  expect(vapourKgM3).toBeGreaterThan(27.78)
  expect(vapourKgM3).toBeLessThan(32.35)
})

test('outside its range a fluid says the range', () => {
  expect(() => saturationPa('R-134a', 400)).toThrow(OutOfRange)
  expect(() => saturatedDensities('R-1234yf', 80)).toThrow(/between -29.45 and 60 C/)
  expect(() => waterSaturationPa(Number.NaN)).toThrow(OutOfRange)
})
