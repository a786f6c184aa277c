import { expect, test } from 'vitest'
import { rulesOn } from '../schools/rules'
import { CAR, job, later } from '../tests/job-fixture'
import { historyAgainst } from './history'
import { judgeHold } from './judge'
import { lossOf } from './loss'
import { priorsOfStory } from './story-priors'
import type { HoldContext, HoldResult, HoldSample } from './types'

const CONTEXT: HoldContext = {
  volumeL: 2.5,
  instrument: 'electronic',
  ambientC: 22,
  barometerPa: 101_325,
  refrigerant: 'R-134a',
  plannedS: 1800,
}
const line = (startPa: number, risePaS: number, seconds: number): HoldSample[] =>
  Array.from({ length: seconds / 10 + 1 }, (_, i) => ({ elapsedS: 10 * i, pressurePa: startPa + risePaS * 10 * i }))
const found = (verdict: HoldResult['verdict'], limit: number, leak: [number, number] | null = null): HoldResult => ({
  ...judgeHold([], CONTEXT),
  verdict,
  detectionLimitGramsPerYear: { low: limit / 20, high: limit },
  leakGramsPerYear: leak && { low: leak[0], high: leak[1] },
})

test('a loss a hold would have shown and did not leaves the coupler and the seals to suspect', () => {
  // 400 g in 100 days are 1461 g a year
  const against = historyAgainst(found('tight', 100), 400, 100)
  expect(against?.gramsPerYear).toBeCloseTo(1461, 0)
  expect(against).toMatchObject({ says: 'not-both', words: expect.stringMatching(/under its coupler.*under pressure/) })
})

test('a loss below what the hold can show says nothing, one within the hole’s range agrees', () => {
  expect(historyAgainst(found('tight', 5000), 400, 100)?.says).toBe('unknown')
  expect(historyAgainst(found('leak', 100, [200, 4000]), 400, 100)?.says).toBe('agree')
  expect(historyAgainst(found('leak', 100, [5, 100]), 400, 100)).toMatchObject({
    says: 'not-both',
    words: expect.stringMatching(/there is another/),
  })
  expect(historyAgainst(found('leak', 100, [20_000, 400_000]), 400, 100)).toMatchObject({
    says: 'not-both',
    words: expect.stringMatching(/it is new, or it is in the hoses/),
  })
})

test('without its figures the history is silent, and an open verdict leaves it open', () => {
  expect(historyAgainst(found('tight', 100), null, 100)).toBeNull()
  expect(historyAgainst(found('tight', 100), 400, 0)).toBeNull()
  expect(historyAgainst(found('undecided', 100), 400, 100)?.says).toBe('unknown')
})

test('the wetter the story the likelier water; a car that kept its charge leaks less likely', () => {
  const damp = [0.2, 2, 12, 100].map((openHours) => priorsOfStory({ openHours }).damp)
  expect(damp).toEqual([...damp].sort((a, b) => a - b))
  expect(new Set(damp).size).toBe(4)
  const lost = (gramsLost: number) => priorsOfStory({ days: 365, gramsLost, chargeG: 600 }).leak
  expect(lost(6)).toBeLessThan(lost(200))
})

test('a micron a minute is the line of its rule, and lets through twenty to 480 g a year on 2.5 L', () => {
  const micron = (perMinute: number) =>
    rulesOn(line(40, (perMinute * 0.1333224) / 60, 1800), CONTEXT).find((r) => r.rule === '1 micron a minute')
  expect(micron(0.9)?.says).toBe('passes')
  expect(micron(1.1)?.says).toBe('fails')
  expect(micron(1)?.letsThrough.high).toBeGreaterThan(430)
  expect(micron(1)?.letsThrough.high).toBeLessThan(530)
})

test('a ceiling that is passed fails at that moment, and a rule that waits longer than the hold says nothing yet', () => {
  // from 300 micron at 60 a minute it meets 1000 after 700 s
  const said = rulesOn(line(300 * 0.1333224, 0.1333224, 1200), CONTEXT)
  const ceiling = said.find((r) => r.rule.startsWith('stays below 1,000'))
  expect(ceiling?.says).toBe('fails')
  expect(Math.abs((ceiling?.atS ?? 0) - 700)).toBeLessThanOrEqual(10)
  expect(said.find((r) => r.rule.startsWith('overnight'))).toMatchObject({ says: 'not yet', atS: null })
})

test('the history’s loss is grams a year; nothing without its figures, and nothing from a car charged the same day', () => {
  const recovered = later(job(CAR), 1, { kind: 'recovered', payload: { grams: 340 } })
  expect(lossOf(recovered)?.gramsPerYear).toBeCloseTo((200 / 200) * 365.25, 6)
  expect(lossOf(job(CAR))).toBeNull()
  const today = {
    ...recovered,
    opened: { ...recovered.opened, history: { ...recovered.opened.history, daysSinceCharge: 0 } },
  }
  expect(lossOf(today)).toBeNull()
  // more was recovered than was booked in: it lost nothing
  expect(lossOf({ ...recovered, recoveredG: 2000 })).toMatchObject({ grams: 0, gramsPerYear: 0 })
})
