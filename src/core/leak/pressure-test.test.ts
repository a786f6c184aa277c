import { expect, test } from 'vitest'
import { BenchNitrogen } from '../bench/nitrogen'
import { nitrogenGramsPerYear } from './nitrogen-leak'
import { judgePressureTest, type PressureTest, soakS } from './pressure-test'

const AIR = 101_325
const CAR = { volumeL: 2.5, refrigerant: 'R-134a' as const, barometerPa: AIR, stepPa: 689 }
const MEGA = 1_000_000 + AIR

/** A test of so many minutes: gas by the law, a gauge of tenths of a psi, a sensor of tenths of a degree. */
function record(minutes: number, fallPaS: number, celsius: (s: number) => number, warmEveryS = 60): PressureTest {
  const times = Array.from({ length: minutes * 12 + 1 }, (_v, i) => i * 5)
  const pa = (s: number) => ((MEGA - fallPaS * s) * (celsius(s) + 273.15)) / (celsius(0) + 273.15)
  return {
    ...CAR,
    samples: times.map((s) => ({ atS: s, pa: Math.round(pa(s) / 689.4757) * 689.4757 })),
    warmth: times
      .filter((s) => s % warmEveryS === 0)
      .map((s) => ({ atS: s, celsius: Math.round(celsius(s) * 10) / 10 })),
  }
}

test('what only cools is no leak, however far it falls', () => {
  // four kelvin in forty minutes: 1.1 MPa falls by 15 kPa, more than two psi on the dial
  const found = judgePressureTest(record(40, 0, (s) => 24 - (4 * s) / 2400))
  if (!('shows' in found)) throw new Error(found.kind)
  expect(found.kind).toBe('stands')
  expect(found.rawFallPaS * 2400).toBeGreaterThan(13_000)
  expect(Math.abs(found.fallPaS)).toBeLessThan(2 * found.sigmaPaS)
})

test('a leak is found under warming that hides it on the dial', () => {
  // 2 Pa/s out, 1.5 K in: the dial stands still
  const found = judgePressureTest(record(60, 2, (s) => 20 + (2 * s) / 3600))
  if (!('shows' in found)) throw new Error(found.kind)
  expect(found.kind).toBe('falls')
  expect(found.fallPaS).toBeGreaterThan(1.6)
  expect(found.fallPaS).toBeLessThan(2.4)
  expect(Math.abs(found.rawFallPaS)).toBeLessThan(0.3)
})

test('a temperature that is missing for more than ten minutes is asked for, with its minutes', () => {
  const whole = record(40, 0, () => 22)
  const gap = { ...whole, warmth: whole.warmth.filter((w) => w.atS < 600 || w.atS > 1320) }
  expect(judgePressureTest(gap)).toEqual({ kind: 'temperature-missing', fromS: 540, toS: 1380 })
  expect(judgePressureTest({ ...whole, warmth: [] })).toMatchObject({ kind: 'temperature-missing' })
  expect(judgePressureTest({ ...whole, warmth: whole.warmth.filter((w) => w.atS % 540 === 0) }).kind).toBe('stands')
})

test('a few minutes are too short', () => {
  expect(judgePressureTest(record(5, 5, () => 22)).kind).toBe('too-short')
})

test('a fall in refrigerant by the gas law and both kinds of hole, worked by hand', () => {
  // 1 Pa/s of 2.5 L is 2.5e-3 Pa m3/s. R-134a at 25 C stands at 665.8 kPa, the test at 1101.3 kPa; viscous:
  // (665.8^2 - 101.3^2)/(1101.3^2 - 101.3^2) x 17.7/11.8 = 0.5416; times M/(R T) x a year = 1.2989e6 g per Pa m3/s
  const { low, high } = nitrogenGramsPerYear(1, 2.5, MEGA, 'R-134a', AIR)
  expect(high).toBeGreaterThan(1.7e3)
  expect(high).toBeLessThan(1.8e3)
  // molecular: (665.8 - 101.3)/(1101.3 - 101.3) x sqrt(28.01/102.03) = 0.2958
  expect(low).toBeGreaterThan(0.93e3)
  expect(low).toBeLessThan(0.99e3)
  expect(() => nitrogenGramsPerYear(1, 2.5, AIR, 'R-134a', AIR)).toThrow(RangeError)
})

test('the same hole loses as much refrigerant by the pressure test as by the vacuum hold, where it is viscous', async () => {
  const { leakGramsPerYear } = await import('../hold/leak-rate')
  const airPaM3S = 5e-5
  const byHold = leakGramsPerYear(airPaM3S / 0.0025, 2.5, 'R-134a', AIR).high
  // nitrogen through the same viscous hole, from 1.1 MPa to the air: by the difference of squares and the viscosities
  const fall = ((airPaM3S * (MEGA ** 2 - AIR ** 2)) / AIR ** 2) * (1.82 / 1.77)
  const byTest = nitrogenGramsPerYear(fall / 0.0025, 2.5, MEGA, 'R-134a', AIR).high
  expect(byTest / byHold).toBeCloseTo(1, 2)
})

test('the soak that is planned is long enough on the bench: its leak falls, a sound car stands', () => {
  const leakPaM3S = 6e-5
  const grams =
    nitrogenGramsPerYear(1, 2.5, MEGA, 'R-134a', AIR).high * ((leakPaM3S * (MEGA ** 2 - AIR ** 2)) / AIR ** 2 / 0.0025)
  const soak = soakS(grams, MEGA, CAR, 20) ?? expect.fail('no soak shows it')
  const played = (leak: number): PressureTest => {
    const gas = new BenchNitrogen({ volumeL: 2.5, ambientC: 20, barometerPa: AIR }, 1_000_000)
    const samples: { atS: number; pa: number }[] = []
    const warmth: { atS: number; celsius: number }[] = []
    for (let s = 0; s <= soak + 300; s++) {
      if (s % 5 === 0) samples.push({ atS: s, pa: Math.round(gas.pressurePa / 689.4757) * 689.4757 })
      if (s % 30 === 0) warmth.push({ atS: s, celsius: Math.round(gas.celsius * 10) / 10 })
      gas.second(leak)
    }
    return { ...CAR, samples, warmth }
  }
  expect(judgePressureTest(played(leakPaM3S)).kind).toBe('falls')
  expect(judgePressureTest(played(0)).kind).toBe('stands')
  // a tenth of the leak wants longer
  expect(soakS(grams / 10, MEGA, CAR, 20) ?? Number.POSITIVE_INFINITY).toBeGreaterThan(soak)
})
