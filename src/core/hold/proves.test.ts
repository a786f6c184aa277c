import { expect, test } from 'vitest'
import { knownRecord } from '../proving/records'
import { SCHOOLS } from '../schools/schools'
import { PA_PER_MICRON } from '../units/constants'
import { judgeHold } from './judge'
import { limitOfRule, provesOfRule } from './proves'

test('a longer hold proves more, with the three-halves power where noise bounds it, and a needle a thousand times less', () => {
  const half = limitOfRule({ targetPa: 500 * PA_PER_MICRON, holdMinutes: 30 })
  const hour = limitOfRule({ targetPa: 500 * PA_PER_MICRON, holdMinutes: 60 })
  expect(half.electronic / hour.electronic).toBeGreaterThan(2)
  expect(half.electronic / hour.electronic).toBeLessThan(2.9)
  expect(half.needle / half.electronic).toBeGreaterThan(300)
  expect(limitOfRule({ targetPa: 1000 * PA_PER_MICRON, holdMinutes: 30 }).electronic).toBeGreaterThan(half.electronic)
})

test('what the editor promises is of the size the judge reaches on dry cars', () => {
  const limits = [3, 4, 7, 16, 22].map((seed) => {
    const { samples, context } = knownRecord(seed, { leakPaM3S: 0, wet: false, minutes: 30, everyS: 1 })
    return {
      told: limitOfRule({
        targetPa: (samples[0] as { pressurePa: number }).pressurePa,
        holdMinutes: 30,
      }).electronic,
      judged: judgeHold(samples, context).detectionLimitGramsPerYear?.high ?? Number.NaN,
    }
  })
  for (const { told, judged } of limits) {
    expect(judged / told).toBeGreaterThan(0.1)
    expect(judged / told).toBeLessThan(20)
  }
})

test('every school says what it cannot prove, and its figures lie within what a procedure may have', () => {
  for (const school of SCHOOLS) {
    const lines = provesOfRule(school).join(' ')
    expect(lines).toMatch(/prove nothing by themselves/)
    expect(lines).toMatch(/under its coupler/)
    expect(lines).not.toMatch(/NaN|Infinity/)
  }
  expect(new Set(SCHOOLS.map((s) => s.name)).size).toBe(SCHOOLS.length)
  // ice at zero has 611 Pa: a tenth of it is passed at 500 micron, not at 250
  expect(provesOfRule({ targetPa: 500 * PA_PER_MICRON, pullMinutes: 60, holdMinutes: 30 })[0]).toMatch(
    /ice may still be there/,
  )
  expect(provesOfRule({ targetPa: 250 * PA_PER_MICRON, pullMinutes: 60, holdMinutes: 30 })[0]).not.toMatch(/ice/)
})
