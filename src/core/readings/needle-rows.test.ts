import { expect, test } from 'vitest'
import { waterSaturationPa } from '../fluids/water'
import { judgeHold } from '../hold/judge'
import { leakGramsPerYear } from '../hold/leak-rate'
import type { HoldContext } from '../hold/types'
import { HOUR_S, PA_PER_INHG } from '../units/constants'
import { seededRandom } from '../units/seeded'
import { kelvin } from '../units/temperature'
import { type NeedleReadings, needleSamples } from './needle-rows'

/**
 * Needles read by somebody: air into a volume by the gas law, water toward saturation, the weather, a zero that is off,
 * figures to a half or a quarter of an inch. None of it from the rig or the judge.
 */
function drawn(seed: number) {
  const random = seededRandom(seed)
  const unrest = () => random() + random() + random() - 1.5
  const volumeL = 2 + 4 * random()
  const heldS = [0.5, 1, 4, 12][seed % 4] as number
  const [airPa, ambientC] = [75_000 + 27_000 * random(), 10 + 20 * random()]
  const leakPaM3S = random() < 0.5 ? 1e-5 * 3000 ** random() : 0
  const waterPa = random() < 0.4 ? random() * waterSaturationPa(kelvin(ambientC)) : 0
  const tauS = 300 + 3000 * random()
  const weatherPa = 700 * unrest() * Math.sqrt(heldS / 12)
  const barometerRead = random() < 0.5
  const [offPa, stepInHg] = [(random() - 0.5) * PA_PER_INHG * 0.5, random() < 0.5 ? 0.5 : 0.25]
  const count = 4 + Math.floor(random() * 12)
  const needle = (side: string): NeedleReadings => ({
    side,
    readings: Array.from({ length: count }, (_, i) => {
      const elapsedS = (heldS * HOUR_S * i) / (count - 1)
      const insidePa = 80 + (leakPaM3S / (volumeL / 1000)) * elapsedS + waterPa * (1 - Math.exp(-elapsedS / tauS))
      const outsidePa = airPa + (weatherPa * i) / (count - 1)
      const inHg = (outsidePa - Math.min(insidePa, outsidePa) + offPa) / PA_PER_INHG + 0.1 * unrest()
      const dial = Math.round(inHg / stepInHg) * stepInHg
      return { elapsedS, shownPa: (barometerRead ? outsidePa : airPa) - dial * PA_PER_INHG }
    }),
  })
  const read = needleSamples(random() < 0.4 ? [needle('low'), needle('high')] : [needle('low')])
  const context: HoldContext = {
    volumeL,
    instrument: 'needle',
    resolutionPa: stepInHg * PA_PER_INHG,
    ambientC,
    barometerPa: airPa,
    barometerRead,
    refrigerant: 'R-134a',
    plannedS: heldS * HOUR_S,
    hosesIncluded: false,
    readingProblems: read.problems,
  }
  const risePaS = leakPaM3S / (volumeL / 1000)
  return {
    result: judgeHold(read.samples, context),
    rises: (risePaS * heldS * HOUR_S) / PA_PER_INHG,
    truth: leakGramsPerYear(risePaS, volumeL, 'R-134a', airPa).high,
    leaks: leakPaM3S > 0,
  }
}

test.each([
  [60, ''],
  [160, ' @long'],
])(
  'of %i needle holds no sound car is called leaking, what moves a needle is found, and the stated limit holds%s',
  (count) => {
    const all = Array.from({ length: count }, (_, i) => drawn(5000 + i))
    const sound = all.filter((d) => !d.leaks)
    expect(sound.length).toBeGreaterThan(count / 4)
    expect(sound.filter((d) => /leak/.test(d.result.verdict))).toEqual([])
    // more than both errors of a needle, and more than water alone can do
    const tellable = all.filter((d) => d.rises > 2.5)
    expect(tellable.length).toBeGreaterThan(count / 11)
    expect(tellable.filter((d) => /leak/.test(d.result.verdict)).length / tellable.length).toBeGreaterThanOrEqual(0.92)
    const still = all.filter((d) => d.leaks && d.result.cannotSeeBelowGramsPerYear !== null)
    expect(still.length).toBeGreaterThan(count / 6)
    const honest = still.filter((d) => d.truth <= (d.result.cannotSeeBelowGramsPerYear as number))
    expect(honest.length / still.length).toBeGreaterThanOrEqual(0.98)
  },
)

const line = (side: string, from: number, to: number): NeedleReadings => ({
  side,
  readings: [0, 1, 2, 3, 4, 5].map((i) => ({
    elapsedS: i * 600,
    shownPa: (from + ((to - from) * i) / 5) * PA_PER_INHG,
  })),
})

test('a needle beyond the air by more than its error is named with its span and keeps its rise; within it, it is at its stop', () => {
  const off = needleSamples([line('low', -1, 1)])
  expect(off.problems).toMatchObject([
    { fromS: 0, toS: 600, code: 'beyond-the-air', spoils: false, what: expect.stringContaining('1.0 inHg more') },
  ])
  const rise = (off.samples.at(-1)?.pressurePa ?? 0) - (off.samples[0]?.pressurePa ?? 0)
  expect(rise / PA_PER_INHG).toBeCloseTo(2, 6)
  expect(needleSamples([line('low', -0.5, -0.5)])).toMatchObject({
    problems: [],
    samples: [{ pressurePa: 0 }, {}, {}, {}, {}, {}],
  })
})

test('two needles judge together: a constant between them is a zero, one that moves alone is its own', () => {
  const zero = needleSamples([line('low', 1, 3), line('high', 2.5, 4.5)])
  expect(zero.problems.map((p) => p.code)).toEqual(['off-zero'])
  expect(zero.samples).toHaveLength(6)
  expect(((zero.samples[5]?.pressurePa ?? 0) - (zero.samples[0]?.pressurePa ?? 0)) / PA_PER_INHG).toBeCloseTo(2, 6)
  const alone = needleSamples([line('low', 1, 1), line('high', 1, 6)])
  expect(alone.problems).toMatchObject([{ code: 'one-needle-moves', what: expect.stringContaining('high needle') }])
  expect(new Set(alone.samples.map((s) => s.pressurePa)).size).toBe(1)
  expect(needleSamples([line('low', 1, 3), line('high', 1.4, 3.4)]).problems).toEqual([])
})
