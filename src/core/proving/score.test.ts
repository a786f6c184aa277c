import { expect, test } from 'vitest'
import { type KnownRecord, knownRecord } from './records'
import { idealObserver, LEAST_CHI2 } from './score'

const LEAK_PA_M3_S = 2e-4
const BEND_PA = 120

/** A real record's times and noise, with a leak and a leak-free curve of our own: Pa above the first reading. */
function recordWith(leakPaM3S: number, changePa: (elapsedS: number, leakPaS: number) => number): KnownRecord {
  const { samples, truth, context, ...rest } = knownRecord(11, { minutes: 20, everyS: 2 })
  const leakPaS = leakPaM3S / (context.volumeL / 1000)
  const leakFreePa = Float64Array.from(samples, (s) => 60 + changePa(s.elapsedS, leakPaS))
  const read = samples.map((s, i) => ({ ...s, pressurePa: (leakFreePa[i] as number) + leakPaS * s.elapsedS }))
  return { ...rest, samples: read, context, truth: { ...truth, leakPaM3S, leakFreePa } }
}

const bend = (elapsedS: number, tauS: number) => BEND_PA * (1 - Math.exp(-elapsedS / tauS))

test('a leak whose line and whose own water together are a slower bend cannot be told, whatever the noise', () => {
  const alone = idealObserver(recordWith(LEAK_PA_M3_S, () => 0))
  expect(alone.tellable).toBe(true)
  expect(alone.chi2).toBeGreaterThan(5 * LEAST_CHI2.leak)
  // what was read is exactly a bend that a car without a leak could have
  const hidden = idealObserver(recordWith(LEAK_PA_M3_S, (s, leakPaS) => bend(s, 2200) - leakPaS * s))
  expect(hidden.tellable).toBe(false)
  expect(hidden.chi2).toBeLessThan(1e-3)
})

test('water that has long come hides little of a leak beside it, water that still comes hides most', () => {
  const dry = idealObserver(recordWith(LEAK_PA_M3_S, () => 0)).chi2
  const soon = idealObserver(recordWith(LEAK_PA_M3_S, (s) => bend(s, 60))).chi2
  const late = idealObserver(recordWith(LEAK_PA_M3_S, (s) => bend(s, 1500))).chi2
  expect(soon / dry).toBeGreaterThan(0.7)
  expect(soon / dry).toBeLessThanOrEqual(1)
  expect(late / dry).toBeLessThan(0.3)
})
