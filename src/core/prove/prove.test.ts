import { expect, test } from 'vitest'
import { OutOfRange } from '../errors'
import { typicalBands } from './bands'
import { readRest } from './rest-pressure'

const SEA = 101_325
const ERROR = 7000

test('rest pressure tells liquid, vapour, air, empty and vacuum apart', () => {
  const read = (kPa: number) => readRest(kPa * 1000, kPa * 1000, ERROR, 'R-134a', 25, SEA)
  // saturation at 25 C is 665 kPa absolute, 564 above the air
  expect(read(560)).toMatchObject({ kind: 'refrigerant', liquid: 'likely' })
  expect(read(200)).toMatchObject({ kind: 'refrigerant', liquid: 'none' })
  expect(read(700)).toMatchObject({ kind: 'refrigerant', liquid: 'too-high' })
  expect(read(3)).toEqual({ kind: 'empty' })
  expect(read(-30)).toEqual({ kind: 'below-zero' })
})

test('one gauge above zero is enough to stop the pump', () => {
  expect(readRest(0, 250_000, ERROR, 'R-134a', 25, SEA)).toMatchObject({ kind: 'refrigerant', liquid: 'none' })
})

test('typical bands on a warm day are what people know: low 170 to 310, high 1000 to 1750 kPa', () => {
  const bands = typicalBands('R-134a', 30, SEA)
  expect(bands.lowPaG[0] / 1000).toBeGreaterThan(150)
  expect(bands.lowPaG[1] / 1000).toBeLessThan(330)
  expect(bands.highPaG[0] / 1000).toBeGreaterThan(950)
  expect(bands.highPaG[1] / 1000).toBeLessThan(1800)
})

test('at altitude the same refrigerant reads higher on a gauge, by the air that is missing', () => {
  const sea = typicalBands('R-134a', 20, SEA)
  const high = typicalBands('R-134a', 20, 75_815)
  expect(high.lowPaG[0] - sea.lowPaG[0]).toBeCloseTo(SEA - 75_815, 6)
})

test('bands beyond the critical point are refused, not invented', () => {
  expect(() => typicalBands('R-1234yf', 70, SEA)).toThrow(OutOfRange)
})
