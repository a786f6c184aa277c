import { expect, test } from 'vitest'
import { knownRecord } from '../proving/records'
import { judgeHold } from './judge'
import { RunningHold } from './running-hold'

test('a hold judged sample by sample says what a judgement of the whole says', () => {
  for (const [seed, leakPaM3S] of [
    [3, 0],
    [4, 1e-4],
    [6, 2e-5],
    [9, 0],
  ] as const) {
    const { samples, context } = knownRecord(seed, { minutes: 20, everyS: 2, leakPaM3S })
    const hold = new RunningHold(context, samples.slice(0, 400))
    hold.look()
    // as its owner does: a fresh look whenever one is due
    const running = samples.slice(400, 500).map((s) => {
      const result = hold.add(s)
      return hold.isDue ? hold.look() : result
    })
    const whole = judgeHold(samples.slice(0, 500), context)
    const last = running[running.length - 1]
    // the sums are the same but for the slices they were averaged into, and the noise of the last full look
    expect(Math.abs((last?.probability.leak ?? 9) - whole.probability.leak)).toBeLessThan(0.1)
    expect(last?.samples).toBe(500)
    const rise = whole.sustainedRisePaS
    expect(last?.sustainedRisePaS?.value).toBeGreaterThan((rise?.low ?? 0) - 1e-4)
    expect(last?.sustainedRisePaS?.value).toBeLessThan((rise?.high ?? 0) + 1e-4)
    expect(last?.futures.reduce((sum, f) => sum + f.probability, 0)).toBeCloseTo(1, 2)
  }
})

test('a fresh look is due after a while, and a sample out of order leaves the record as it was', () => {
  const { samples, context } = knownRecord(3, { minutes: 20, everyS: 2, leakPaM3S: 0 })
  const hold = new RunningHold(context, samples.slice(0, 300))
  expect(hold.isDue).toBe(true)
  hold.look()
  expect(hold.isDue).toBe(false)
  const last = samples[299] as (typeof samples)[number]
  expect(() => hold.add(last)).toThrow(/does not follow/)
  expect(() => hold.add({ elapsedS: last.elapsedS + 1, pressurePa: Number.NaN })).toThrow(/none/)
  expect(hold.count).toBe(300)
  for (const s of samples.slice(300, 330)) hold.add(s)
  expect(hold.isDue).toBe(true)
})
