import { expect, test } from 'vitest'
import { turns, watchedFrom, wetHolds } from '../proving/watched'
import { judgeHold } from './judge'
import { AS_IT_IS, standingOf } from './standing'
import type { HoldResult } from './types'

const EMPTY = judgeHold([], {
  volumeL: 2,
  instrument: 'electronic',
  ambientC: 20,
  barometerPa: 1e5,
  refrigerant: 'R-134a',
  plannedS: 1800,
})
const now = (heldS: number, leak: number, more: Partial<HoldResult> = {}): HoldResult => ({
  ...EMPTY,
  heldS,
  probability: { leak, damp: 1 },
  verdict: leak >= 0.95 ? 'leak-and-damp' : leak <= 0.1 ? 'damp' : 'undecided',
  ...more,
})
/** What moments said, by time, s: the last one at or before it. */
const chances =
  (...steps: [fromS: number, leak: number][]) =>
  (atS: number) => {
    const leak = steps.filter(([fromS]) => fromS <= atS).at(-1)?.[1] ?? 0.4
    return { leak, damp: 1, claims: leak >= 0.95 }
  }

test('one lucky moment finds nothing, two do', () => {
  const lucky = chances([0, 0.4], [1000, 0.08], [1050, 0.4])
  expect(standingOf(now(1040, 0.08), lucky)).toEqual({ kind: 'open' })
  expect(standingOf(now(1200, 0.4), lucky)).toEqual({ kind: 'open' })
  expect(standingOf(now(1400, 0.09), chances([0, 0.4], [900, 0.15], [1000, 0.08]))).toMatchObject({ kind: 'found' })
})

test('what was found stands while a leak is no likelier than it was, and falls when it is likely at two moments, or nearly sure', () => {
  const found = chances([0, 0.4], [600, 0.05], [1500, 0.45])
  expect(standingOf(now(3000, 0.45), found)).toMatchObject({ kind: 'found', sinceS: expect.any(Number) })
  const likely = chances([0, 0.4], [600, 0.05], [2900, 0.95], [3000, 0.4])
  expect(standingOf(now(4000, 0.4), likely)).toMatchObject({ kind: 'found' })
  expect(standingOf(now(4000, 0.92), chances([0, 0.4], [600, 0.05], [2000, 0.92]))).toEqual({ kind: 'open' })
  // a claim of this moment needs the two before it to bear it out, or to be nearly sure
  const once = chances([0, 0.4], [600, 0.05])
  expect(standingOf(now(4000, 0.96), once)).toMatchObject({ kind: 'found', finding: 'no-leak' })
  expect(standingOf(now(4000, 0.98), chances([0, 0.4], [600, 0.05], [3300, 0.82], [3600, 0.96]))).toBe(AS_IT_IS)
  const straight = now(4000, 0.98, { verdict: 'leak', probability: { leak: 0.98, damp: 0.05 } })
  expect(standingOf(straight, once)).toBe(AS_IT_IS)
})

test('a leak that is likely at four moments in a row withdraws a finding of none, at three it does not, and likelier than not is not likely', () => {
  // moments lie a tenth apart: 3455 s is the last before 3700, then 3141, 2855 and 2596
  const since = (fromS: number, leak: number) => chances([0, 0.4], [600, 0.05], [fromS, leak])
  expect(standingOf(now(3700, 0.4), since(2500, 0.82))).toEqual({ kind: 'open' })
  expect(standingOf(now(3700, 0.4), since(2700, 0.82))).toMatchObject({ kind: 'found', finding: 'no-leak' })
  // water that comes late hung there for half an hour
  expect(standingOf(now(3700, 0.4), since(1200, 0.78))).toMatchObject({ kind: 'found', finding: 'no-leak' })
})

test('a leak that was found stands while it is likely, and a certain one asks nobody', () => {
  const leaks = chances([0, 0.5], [600, 0.985], [1500, 0.9])
  expect(standingOf(now(3000, 0.88), leaks)).toMatchObject({ kind: 'found', finding: 'leak' })
  expect(standingOf(now(3000, 0.62), leaks)).toEqual({ kind: 'open' })
  expect(standingOf(now(3000, 0.9), chances([0, 0.5], [600, 0.985], [1500, 0.5], [1700, 0.9]))).toEqual({
    kind: 'open',
  })
  const nobody = () => {
    throw new Error('asked')
  }
  expect(standingOf(now(3000, 0.9999), nobody)).toBe(AS_IT_IS)
  expect(standingOf(now(3000, 0.001), nobody)).toBe(AS_IT_IS)
})

test('a leak beside water wants to have been so at the moment before, and likely at the one before that', () => {
  expect(standingOf(now(3000, 0.985), chances([0, 0.5]))).toEqual({ kind: 'open' })
  // 2855 s is the last moment before 3000, then 2596
  expect(standingOf(now(3000, 0.965), chances([0, 0.5], [2800, 0.96]))).toEqual({ kind: 'open' })
  expect(standingOf(now(3000, 0.965), chances([0, 0.5], [2500, 0.82], [2800, 0.96]))).toBe(AS_IT_IS)
  expect(standingOf(now(3000, 0.965), chances([0, 0.5], [2500, 0.82]))).toEqual({ kind: 'open' })
  const straight = now(3000, 0.97, { verdict: 'leak', probability: { leak: 0.97, damp: 0.05 } })
  expect(standingOf(straight, chances([0, 0.5]))).toBe(AS_IT_IS)
})

test('in the first minutes, before water shows itself, a leak is found at three moments even where it looks dry', () => {
  const dry = (heldS: number, leak = 0.985) => now(heldS, leak, { verdict: 'leak', probability: { leak, damp: 0.05 } })
  // 240 s is such a moment itself, then 218
  expect(standingOf(dry(245), chances([0, 0.96], [230, 0.985]))).toEqual({ kind: 'open' })
  expect(standingOf(dry(245), chances([0, 0.985]))).toBe(AS_IT_IS)
  expect(standingOf(dry(245, 0.97), chances([0, 0.97]))).toEqual({ kind: 'open' })
  expect(standingOf(dry(800, 0.97), chances([0, 0.9]))).toBe(AS_IT_IS)
})

test('the record alone decides: watched all the time or looked at once, the same is said', () => {
  const [record] = wetHolds(1, 41) as [ReturnType<typeof wetHolds>[number]]
  const half = record.samples.filter((s) => s.elapsedS <= 7200)
  const once = judgeHold(half, record.context)
  watchedFrom(record, 10)
  expect(judgeHold(half, record.context)).toEqual(once)
}, 60_000)

test.each([
  [2, ''],
  [10, ' @long'],
])(
  'of %i tight and wet cars watched for four hours at most one turns away from what was right%s',
  (cars) => {
    const turned = wetHolds(cars, 301).filter((record) => turns(watchedFrom(record, 8)) > 0)
    expect(turned.length).toBeLessThanOrEqual(1)
  },
  300_000,
)
