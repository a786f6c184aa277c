import type { Why } from '../day/why'

const minutes = (m: number): string => `${Math.round(m)} min`

/** Why a car waits in a plan, in one sentence. */
export function dayWords(why: Why): string {
  switch (why.code) {
    case 'late':
      return `${why.car} is ${minutes(why.late)} later than promised.`
    case 'rig':
      return `${why.car} waits ${minutes(why.waits)} for ${why.rig}, which hangs on ${why.heldBy}.`
    case 'scale':
      return `${why.car} waits ${minutes(why.waits)} for ${why.scale}, which is under ${why.heldBy}.`
    case 'person':
      return `${why.car} waits ${minutes(why.waits)} with ${why.step} for ${why.person}, who is at ${why.atStep} of ${why.busyWith}.`
    case 'away':
      return `${why.car} waits ${minutes(why.waits)} with ${why.step} until ${why.person} is there.`
    default: {
      const unknown: never = why
      return unknown
    }
  }
}
