import type { Hold } from '../job/state'
import { MINUTE_S } from '../units/constants'
import type { ReasonCode } from './codes'
import type { HoldResult } from './types'

/** A hold is not lengthened beyond this, min: what a day has not decided, a person decides. */
const LONGEST_MIN = 1440
/** It is looked at so long before its end, min, so that nobody is called for nothing (assumed). */
const AHEAD_MIN = 2
/** Shorter than this nothing new is read, min (assumed). */
const LEAST_MIN = 10
/** Where no decision can be foreseen it is looked at again after so much of what it has held (assumed). */
const AGAIN = 0.5

/**
 * How much longer a hold goes on whose procedure ends it when the judge can decide, min; null while its time is not
 * nearly up, once it is decided, and after a day.
 * @param nowMs - job time, ms
 */
export function minutesMore(
  { isolatedAt, plannedMinutes }: Hold,
  judged: Pick<HoldResult, 'verdict' | 'decisionExpectedS' | 'codes'>,
  nowMs: number,
): number | null {
  const heldMin = (nowMs - Date.parse(isolatedAt)) / (1000 * MINUTE_S)
  // a needle that stood still has said what it can
  const still = judged.codes.includes('needle-still' satisfies ReasonCode)
  if (judged.verdict !== 'undecided' || still || heldMin < plannedMinutes - AHEAD_MIN || plannedMinutes >= LONGEST_MIN)
    return null
  const expectedS = judged.decisionExpectedS
  const untilMin = expectedS === null ? heldMin * (1 + AGAIN) : expectedS / MINUTE_S
  const more = Math.ceil(Math.max(untilMin - plannedMinutes, heldMin - plannedMinutes + LEAST_MIN))
  return Math.min(more, LONGEST_MIN - plannedMinutes)
}
