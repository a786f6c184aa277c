import type { Why } from '../day/why'
import { W } from '../language/said/day'

const minutes = (m: number): string => W.min(Math.round(m))

/** Why a car waits in a plan, in one sentence. */
export function dayWords(why: Why): string {
  switch (why.code) {
    case 'late':
      return W.isLaterThanPromised(why.car, minutes(why.late))
    case 'rig':
      return W.waitsForWhichHangsOn(why.car, minutes(why.waits), why.rig, why.heldBy)
    case 'scale':
      return W.waitsForWhichIsUnder(why.car, minutes(why.waits), why.scale, why.heldBy)
    case 'person':
      return W.waitsWithForWhoIs(why.car, minutes(why.waits), why.step, why.person, why.atStep, why.busyWith)
    case 'away':
      return W.waitsWithUntilIsThere(why.car, minutes(why.waits), why.step, why.person)
    default: {
      const unknown: never = why
      return unknown
    }
  }
}
