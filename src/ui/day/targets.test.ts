import { expect, test } from 'vitest'
import type { Piece } from './lanes-of'
import { targetsOf } from './targets'

const HOUR = 3_600_000
const axis = { fromMs: 0, toMs: 10 * HOUR, nowMs: 0 }
const piece = (id: string, fromMin: number, toMin: number) =>
  ({ id, fromMs: fromMin * 60_000, toMs: toMin * 60_000 }) as Piece

test('a piece is hit by itself where a finger has room before the next; crowded ones are only drawn', () => {
  // 1,000 px for ten hours: 24 px are 14.4 minutes
  const lane = [piece('wide', 0, 60), piece('short', 60, 63), piece('pressed', 63, 80), piece('alone', 300, 302)]
  expect([...targetsOf(lane, axis, 1000)]).toEqual(['wide', 'pressed', 'alone'])
  // on a wider screen the short one has room too
  expect(targetsOf(lane, axis, 8000).has('short')).toBe(true)
})

test('one that another covers, or the end of the lane cuts off, is none', () => {
  const lane = [piece('under', 100, 160), piece('over', 105, 150), piece('last', 595, 600)]
  expect([...targetsOf(lane, axis, 1000)]).toEqual(['over'])
})
