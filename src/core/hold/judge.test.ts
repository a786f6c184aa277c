import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { kelvin } from '../units/temperature'
import { hoseRisePa } from './hose-background'
import { judgeHold } from './judge'
import { leakGramsPerYear } from './leak-rate'
import type { HoldContext, HoldSample } from './types'

const CONTEXT: HoldContext = {
  volumeL: 2.5,
  instrument: 'electronic',
  ambientC: 22,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  plannedS: 1800,
}

/** A seeded gauge: 0.5 % noise and a step of one micron. */
function gauge(truePa: (s: number) => number, seconds: number, seed = 7): HoldSample[] {
  let a = seed
  const random = () => {
    a = (Math.imul(a, 1664525) + 1013904223) >>> 0
    return a / 4294967296
  }
  return Array.from({ length: Math.floor(seconds / 5) }, (_, i) => {
    const elapsedS = i * 5
    const p = truePa(elapsedS)
    const noise = (random() + random() + random() - 1.5) * 2 * 0.005 * p
    return { elapsedS, pressurePa: Math.round((p + noise) / 0.1333) * 0.1333 }
  })
}

const leakRise = (airPaM3S: number) => airPaM3S / (CONTEXT.volumeL / 1000)

test('a level hold is tight', () => {
  const result = judgeHold(
    gauge(() => 40, 1800),
    CONTEXT,
  )
  expect(result.verdict).toBe('tight')
  expect(result.probability.leak).toBeLessThan(0.1)
})

test('a straight rise is a leak, and its rise is found with its interval', () => {
  const rise = leakRise(1e-4)
  const result = judgeHold(
    gauge((s) => 40 + rise * s, 1800),
    CONTEXT,
  )
  expect(result.verdict).toBe('leak')
  const found = result.sustainedRisePaS
  expect(found && found.low <= rise && rise <= found.high).toBe(true)
  expect((found?.value ?? 0) / rise).toBeCloseTo(1, 1)
})

test('a rise that bends toward a level is damp, not a leak', () => {
  const result = judgeHold(
    gauge((s) => 40 + 300 * (1 - Math.exp(-s / 500)), 1800),
    CONTEXT,
  )
  expect(result.verdict).toBe('damp')
})

test('bend and straight line together are both', () => {
  const rise = leakRise(5e-4)
  const result = judgeHold(
    gauge((s) => 40 + 250 * (1 - Math.exp(-s / 300)) + rise * s, 3600),
    { ...CONTEXT, plannedS: 3600 },
  )
  expect(result.verdict).toBe('leak-and-damp')
})

test('the first minutes are undecided, whatever they show', () => {
  const result = judgeHold(
    gauge((s) => 40 + s * 0.2, 120),
    CONTEXT,
  )
  expect(result.verdict).toBe('undecided')
  expect(result.detectionLimitGramsPerYear).toBeNull()
})

test('a longer hold proves more', () => {
  // at a depth where 1 % of noise, not the smallest leak a car can have, is what bounds the proof
  const short = judgeHold(
    gauge(() => 200, 600),
    CONTEXT,
  )
  const long = judgeHold(
    gauge(() => 200, 3600),
    CONTEXT,
  )
  expect(long.detectionLimitGramsPerYear?.high).toBeLessThan((short.detectionLimitGramsPerYear?.high ?? 0) / 2)
})

test('the futures’ probabilities add up to one', () => {
  const { futures } = judgeHold(
    gauge((s) => 40 + 0.01 * s, 900),
    CONTEXT,
  )
  expect(futures.reduce((sum, f) => sum + f.probability, 0)).toBeCloseTo(1, 1)
  expect(futures.every((f) => f.lowPa <= f.atEndPa && f.atEndPa <= f.highPa)).toBe(true)
})

test('1 micron a minute on 2.5 L of R-134a is about 20 to 480 g a year', () => {
  const { low, high } = leakGramsPerYear(0.1333224 / 60, 2.5, 'R-134a', 101_325)
  expect(low).toBeGreaterThan(15)
  expect(low).toBeLessThan(25)
  expect(high).toBeGreaterThan(450)
  expect(high).toBeLessThan(510)
})

test('the same hole shows the same grams whatever the volume it fills', () => {
  const small = leakGramsPerYear(2e-3, 2.5, 'R-134a', 101_325)
  const large = leakGramsPerYear(1e-3, 5, 'R-134a', 101_325)
  expect(small.high).toBeCloseTo(large.high, 6)
})

test('water that boiled itself cold and warms up again is damp for certain, never a leak', () => {
  // saturation over water that was 20 K below a bay of 22 C and warms with 210 s
  const wet = (s: number) => waterSaturationPa(kelvin(22 - 20 * Math.exp(-s / 210)))
  for (const held of [700, 1800]) {
    const { verdict, probability } = judgeHold(gauge(wet, held), CONTEXT)
    expect(probability.damp).toBeGreaterThan(0.95)
    expect(verdict).not.toMatch(/leak/)
  }
})

test('a wet place that becomes warmer than the air goes beyond the air’s own saturation, and is no leak', () => {
  // it stood 2 K below a hall of 12 C, and comes to 4 K above it
  const wet = (s: number) => waterSaturationPa(kelvin(10 + 6 * (1 - Math.exp(-s / 1500))))
  for (const minutes of [20, 40, 90]) {
    const { verdict, probability } = judgeHold(gauge(wet, minutes * 60), { ...CONTEXT, ambientC: 12 })
    expect(verdict).not.toMatch(/leak/)
    expect(probability.leak).toBeLessThan(0.9)
  }
})

test('what the hoses give is subtracted, so a tight car on new hoses is called tight, and a small leak still a leak', () => {
  const hoses = { atHourPaM3S: 2.4e-7, steadyPaM3S: 2.4e-9, vacuumBeforeS: 300 }
  const gas = (s: number) => 40 * 0.1 + hoseRisePa(hoses, CONTEXT.volumeL, s)
  expect(judgeHold(gauge(gas, 1800), { ...CONTEXT, hoses }).verdict).toBe('tight')
  expect(
    judgeHold(
      gauge((s) => gas(s) + leakRise(1e-5) * s, 1800),
      { ...CONTEXT, hoses },
    ).verdict,
  ).toBe('leak')
  // a law of model.md: after an hour under vacuum the inflow is q1 and what is steady
  const slope = (hoseRisePa(hoses, 1, 3300.5) - hoseRisePa(hoses, 1, 3299.5)) / 1
  expect((slope * 0.001) / (2.4e-7 + 2.4e-9)).toBeCloseTo(1, 4)
})

test('gas that falls to its level after isolation is no fault, and a valve’s own gas is named and left out', () => {
  const falling = judgeHold(
    gauge((s) => 20 + 15 * Math.exp(-s / 60), 1800),
    CONTEXT,
  )
  expect(falling.verdict).toBe('tight')
  const valve = judgeHold(
    gauge((s) => (s > 40 ? 46 : 40), 1800),
    CONTEXT,
  )
  expect(valve.verdict).toBe('tight')
  expect(valve.problems.map((p) => p.what).join()).toMatch(/closing valve’s own gas|closing valve's own gas/)
})

test('a second hold after a second pull: what rises as before is a leak sooner, what has shrunk was water', () => {
  const rise = leakRise(2e-5)
  const again = gauge((s) => 40 + rise * s, 420)
  const alone = judgeHold(again, CONTEXT)
  const second = judgeHold(again, { ...CONTEXT, previous: { risePaS: rise, leak: 0.8, damp: 0.5, pulledS: 1800 } })
  expect(second.probability.leak).toBeGreaterThan(alone.probability.leak)
  const flat = gauge(() => 40, 1200)
  const wasWater = judgeHold(flat, { ...CONTEXT, previous: { risePaS: 0.01, leak: 0.3, damp: 0.95, pulledS: 3600 } })
  expect(wasWater.verdict).toBe('tight')
  expect(wasWater.priors.damp).toBeLessThan(0.95)
})

test('readings typed at uneven minutes are judged, and a needle without a barometer forgives the weather', () => {
  const typed = [0, 3, 4, 9, 11, 17, 22, 26, 30].map((m) => ({ elapsedS: 60 * m, pressurePa: 40 + 0.02 * 60 * m }))
  expect(judgeHold(typed, CONTEXT).verdict).toBe('leak')
  // an eighth of an inch in a night: the weather does that
  const night = Array.from({ length: 13 }, (_, h) => ({ elapsedS: 3600 * h, pressurePa: 3000 + 35 * h }))
  const needle = { ...CONTEXT, instrument: 'needle' as const, resolutionPa: 1693, plannedS: 43_200 }
  expect(judgeHold(night, needle).verdict).not.toMatch(/leak/)
  // half the air in two hours: no weather does that
  const hole = Array.from({ length: 13 }, (_, i) => ({ elapsedS: 600 * i, pressurePa: 3000 + 4000 * i }))
  expect(judgeHold(hole, { ...needle, plannedS: 7200 }).verdict).toBe('leak')
})

test('gas of hoses held alone before is not laid at the car’s door, whether it stays or dies away', () => {
  const baseline = 1e-5
  const volume = CONTEXT.volumeL / 1000
  const stays = gauge((s) => 10 + (baseline / volume) * s, 1800)
  expect(judgeHold(stays, CONTEXT).verdict).toBe('leak')
  expect(judgeHold(stays, { ...CONTEXT, hosesIncluded: true, hoseBaselinePaM3S: baseline }).verdict).not.toMatch(/leak/)
})

test('a hole larger than the usual range is a leak all the more', () => {
  for (const airPaM3S of [3e-3, 1e-2, 3e-2]) {
    const result = judgeHold(
      gauge((s) => 10 + leakRise(airPaM3S) * s, 260),
      CONTEXT,
    )
    expect(result.verdict, String(airPaM3S)).toMatch(/leak/)
  }
})

test('water between two of the known time constants leaves no slope that looks like a leak', () => {
  for (const tau of [950, 1300, 1500]) {
    const result = judgeHold(
      gauge((s) => 9 + 22 * (1 - Math.exp(-s / tau)), 2400),
      CONTEXT,
    )
    expect(result.verdict, `tau ${tau}`).not.toMatch(/leak/)
    expect(result.probability.damp).toBeGreaterThan(0.9)
  }
})
