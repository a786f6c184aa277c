import { expect, test } from 'vitest'
import type { Hold } from '../job/state'
import type { ReasonCode } from './codes'
import { minutesMore } from './until-decided'

const TEN = Date.parse('2026-03-02T10:00:00Z')
const hold: Hold = { isolatedAt: new Date(TEN).toISOString(), plannedMinutes: 30 }
const at = (minutes: number) => TEN + minutes * 60_000
const undecided = (decisionExpectedS: number | null, codes: ReasonCode[] = []) =>
  ({ verdict: 'undecided', decisionExpectedS, codes }) as const

test('a hold that is not decided when its time is up goes on until it should be', () => {
  expect(minutesMore(hold, undecided(50 * 60), at(30))).toBe(20)
  // a foreseen end that is past already is no end: it is looked at again a little later
  expect(minutesMore(hold, undecided(20 * 60), at(31))).toBe(11)
  // nothing can be foreseen: half of what it has held
  expect(minutesMore(hold, undecided(null), at(40))).toBe(30)
})

test('it is left alone before its time, once it is decided, where a needle stood still, and after a day', () => {
  expect(minutesMore(hold, undecided(3000), at(27))).toBeNull()
  // a little before its end it is looked at, so that nobody is called for nothing
  expect(minutesMore(hold, undecided(3000), at(28.5))).toBe(20)
  expect(minutesMore(hold, { ...undecided(3000), verdict: 'tight' }, at(30))).toBeNull()
  expect(minutesMore(hold, { ...undecided(null), verdict: 'invalid' }, at(30))).toBeNull()
  expect(minutesMore(hold, undecided(null, ['needle-still']), at(30))).toBeNull()
  expect(minutesMore({ ...hold, plannedMinutes: 1440 }, undecided(null), at(1500))).toBeNull()
  expect(minutesMore({ ...hold, plannedMinutes: 1400 }, undecided(null), at(1401))).toBe(40)
})
