import { type P, spoken } from '../spoken'

export const W = spoken({
  min: (m: P) => `${m} min`,
  isLaterThanPromised: (car: P, minutes: P) => `${car} is ${minutes} later than promised.`,
  waitsForWhichHangsOn: (car: P, minutes: P, rig: P, heldBy: P) =>
    `${car} waits ${minutes} for ${rig}, which hangs on ${heldBy}.`,
  waitsForWhichIsUnder: (car: P, minutes: P, scale: P, heldBy: P) =>
    `${car} waits ${minutes} for ${scale}, which is under ${heldBy}.`,
  waitsWithForWhoIs: (car: P, minutes: P, step: P, person: P, atStep: P, busyWith: P) =>
    `${car} waits ${minutes} with ${step} for ${person}, who is at ${atStep} of ${busyWith}.`,
  waitsWithUntilIsThere: (car: P, minutes: P, step: P, person: P) =>
    `${car} waits ${minutes} with ${step} until ${person} is there.`,
})
