import { expect, test } from 'vitest'
import { knownRecord } from '../proving/records'
import { conclude, momentOf } from './conclude'
import { judgeRecord } from './judge'

test('a moment says the chances and the claim that a judgement of it alone says', () => {
  const claims = new Set<boolean>()
  for (const [seed, leakPaM3S] of [
    [3, 0],
    [4, 2e-4],
    [6, 2e-5],
    [9, 5e-4],
  ] as const) {
    const { samples, context } = knownRecord(seed, { minutes: 15, everyS: 5, leakPaM3S })
    const { judged, cleaned } = judgeRecord(samples, context)
    if (!judged) throw new Error('fifteen minutes bear a judgement')
    const { verdict, probability } = conclude(judged, samples, cleaned, context)
    const moment = momentOf(judged, cleaned, context)
    expect(moment).toEqual({ ...probability, claims: verdict.startsWith('leak') })
    claims.add(moment.claims)
  }
  // records of one kind only would show little
  expect(claims.size).toBe(2)
})
