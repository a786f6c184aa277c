import { expect, test } from 'vitest'
import { OutOfRange } from '../errors'
import { CAR, job, later } from '../tests/job-fixture'
import { bandsFor, typicalBands } from './bands'
import { customerWords, restAfterCharge } from './proof-history'
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

test('idle and damp air make the bands wider and higher, never lower; dry air at speed adds nothing', () => {
  const base = typicalBands('R-134a', 25, SEA)
  expect(typicalBands('R-134a', 25, SEA, { humidity: 0.2 })).toEqual(base)
  const damp = typicalBands('R-134a', 25, SEA, { idle: true, humidity: 0.9 })
  for (const key of ['lowPaG', 'highPaG', 'ventC'] as const) {
    expect(damp[key][0]).toBe(base[key][0])
    expect(damp[key][1]).toBeGreaterThan(base[key][1])
  }
})

test('the maker’s figures lead where they were entered, the typical ones stay elsewhere', () => {
  const state = later(job(CAR), 5, { kind: 'maker-bands-set', payload: { lowPaG: [180_000, 240_000] } })
  expect(bandsFor(state).lowPaG).toEqual([180_000, 240_000])
  expect(bandsFor(state).highPaG).toEqual(typicalBands('R-134a', 11, 75_815).highPaG)
})

test('the charged system at rest: air above saturation, right at it, no liquid below it', () => {
  const at = (kPa: number) =>
    restAfterCharge(
      later(job(CAR), 5, { kind: 'rest-read', payload: { paG: kPa * 1000, errorPa: ERROR, ambientC: 25 } }),
    )
  // saturation at 25 C is 665 kPa absolute, 589 above the air at 2380 m
  expect([at(589), at(680), at(300), at(0)]).toEqual(['right', 'air', 'no-liquid', 'no-liquid'])
  expect(restAfterCharge(job(CAR))).toBeUndefined()
})

test('whoever pays reads the vent before and after', () => {
  const proved = later(
    job(CAR),
    5,
    { kind: 'before-read', payload: { lowPaG: null, highPaG: null, ventC: 21.4, ambientC: 24 } },
    {
      kind: 'proof-read',
      payload: { lowPaG: 250_000, highPaG: 1_200_000, ventC: 8.2, ambientC: 25, note: '', engine: 'at-speed' },
    },
  )
  expect(customerWords(proved)).toMatch(/blows 8 °C at 25 °C outside; when it came in it blew 21 °C at 24 °C/)
})
