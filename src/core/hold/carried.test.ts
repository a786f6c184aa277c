import { expect, test } from 'vitest'
import { knownRecord } from '../proving/records'
import { CARRIED_AT, slopesAfter } from './carried'
import { hoseRisePa } from './hose-background'
import { judgeHold } from './judge'
import { overlap, overlapsInPieces } from './normal'

const MIDDLE = CARRIED_AT.indexOf(0.5)
const RANGE = { low: 4e-4, high: 1.2 }

test('a leak that is seen is handed on with its size, and with the doubt that is left', () => {
  for (const seed of [11, 12, 13]) {
    const { samples, context, truth } = knownRecord(seed, { leakPaM3S: 1e-4, wet: false, minutes: 20, everyS: 2 })
    const rises = judgeHold(samples, context).carried?.riseIfDryPaS ?? []
    expect(rises).toHaveLength(CARRIED_AT.length)
    expect(Math.abs((rises[MIDDLE] as number) / truth.sustainedPaS - 1), `seed ${seed}`).toBeLessThan(0.15)
    expect(rises[0] as number).toBeLessThan(truth.sustainedPaS)
    expect(rises.at(-1) as number).toBeGreaterThan(truth.sustainedPaS)
  }
})

test('a bend that may hide a leak hands on that a leak would stand beside water, and may be small', () => {
  const { samples, context } = knownRecord(41, { leakPaM3S: 0, wet: true, minutes: 20, everyS: 2 })
  const { probability, carried } = judgeHold(samples, context)
  expect(probability.damp).toBeGreaterThan(0.9)
  expect(carried?.leakAndDamp).toBeGreaterThan(0.9 * probability.leak)
  expect(carried?.leakAndDamp).toBeLessThanOrEqual(probability.leak + 1e-9)
})

test('what is left of a rise covers its whole range once, and tells nothing where nothing was told', () => {
  const stays = { afterDry: 0, afterWet: 1 }
  const all = [{ ...RANGE, share: 1 }]
  expect(slopesAfter(undefined, stays, RANGE)).toEqual({ dry: all, wet: all })
  const { dry: pieces } = slopesAfter({ risePaS: 0.004, leak: 0.5, damp: 0.2, pulledS: 1800 }, stays, RANGE)
  expect(pieces.reduce((sum, p) => sum + p.share, 0)).toBeCloseTo(1, 9)
  expect([pieces[0]?.low, pieces.at(-1)?.high]).toEqual([RANGE.low, RANGE.high])
  for (const [i, p] of pieces.entries()) expect(p.low).toBe(i === 0 ? RANGE.low : pieces[i - 1]?.high)
  // a rise over its chance is where a leak is likeliest
  const heaviest = pieces.reduce((a, b) =>
    a.share / Math.log(a.high / a.low) > b.share / Math.log(b.high / b.low) ? a : b,
  )
  expect(heaviest.low).toBeLessThan(0.012)
  expect(heaviest.high).toBeGreaterThan(0.005)
})

test('a range cut into pieces weighs a reading as the whole range does', () => {
  const cuts = [RANGE.low, 0.002, 0.01, 0.1, RANGE.high]
  const whole = Math.log(RANGE.high / RANGE.low)
  const pieces = cuts.slice(1).map((high, i) => {
    const low = cuts[i] as number
    return { low, high, share: Math.log(high / low) / whole }
  })
  // both step through their range in cells: the coarse one by a quarter of a factor of e
  for (const reading of [0.001, 0.005, 0.03, 0.3])
    expect(
      overlapsInPieces(pieces, 0.3 * reading)(reading) / overlap(RANGE, { mean: reading, sigma: 0.3 * reading }),
    ).toBeGreaterThan(0.93)
})

test.each([900, 1500, 2300])('old hoses pulled for %i s before a hold are no leak of the car', (vacuumBeforeS) => {
  const gas = { atHourPaM3S: 5e-6, steadyPaM3S: 7e-8, vacuumBeforeS }
  let noise = 0.4
  const samples = Array.from({ length: 361 }, (_, i) => {
    noise = (noise * 9301 + 0.49297) % 1
    return { elapsedS: 10 * i, pressurePa: 4.8 + hoseRisePa(gas, 1.7, 10 * i) + 0.5 * (noise - 0.5) }
  })
  const result = judgeHold(samples, {
    volumeL: 1.7,
    instrument: 'electronic',
    resolutionPa: 0.1333,
    ambientC: 22,
    barometerPa: 101_325,
    refrigerant: 'R-134a',
    plannedS: 3600,
    hosesIncluded: true,
  })
  expect(result.verdict).not.toMatch(/leak/)
  expect(result.probability.leak).toBeLessThan(0.8)
})

test('a record that falls has figures for everything, though no explanation leaves room for a leak', () => {
  // the gauge settles by ten pascal; a bend of liquid fits it only below nothing
  const { samples, context } = knownRecord(83594)
  const { sustainedRisePaS: rise, leakGramsPerYear, detectionLimitGramsPerYear } = judgeHold(samples, context)
  expect(rise && rise.low <= rise.value && rise.value <= rise.high).toBe(true)
  expect(leakGramsPerYear?.high).toBeLessThan(detectionLimitGramsPerYear?.high ?? Number.NaN)
})
