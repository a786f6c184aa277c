import type { Step } from '../job/steps'
import type { DayStep, Minutes } from './day'

/**
 * Minutes somebody is at a step, where a shop's own jobs do not tell yet (assumed); a pull's are those that begin it.
 */
export const ASSUMED_HANDS_MIN: Readonly<Record<Step, Minutes>> = {
  'take-in': 6,
  zero: 5,
  fix: 30,
  rig: 8,
  pull: 2,
  isolate: 3,
  hold: 3,
  charge: 20,
  prove: 12,
  leave: 8,
}

/** Jobs of a kind before what they took is believed. */
export const ENOUGH_JOBS = 5

/**
 * The middle of what a step took in a shop's own jobs, min; of one kind of car where `model` is told, of one person
 * where `person` is (an account's id).
 */
export type Learned = { step: Step; model: string | null; person: string | null; jobs: number; medianMin: Minutes }

/** How long hands are at a step: for most people, and for those who are known; and whether that is only assumed. */
export type Hands = Required<Pick<DayStep, 'hands'>> & Pick<DayStep, 'handsBy'> & { assumed: boolean }

/**
 * How long a step takes hands: by this kind of car and person, by the kind of car, by the person, by the shop, each
 * where there are enough jobs; else the shipped figure.
 */
export function handsAt(learned: readonly Learned[], step: Step, model: string, people: readonly string[]): Hands {
  const of = (car: string | null, person: string | null): Minutes | undefined =>
    learned.find((l) => l.step === step && l.model === car && l.person === person && l.jobs >= ENOUGH_JOBS)?.medianMin
  const everybody = of(model, null) ?? of(null, null)
  const own = people.flatMap((person): [string, Minutes][] => {
    const found = of(model, person) ?? (of(model, null) === undefined ? of(null, person) : undefined)
    return found === undefined ? [] : [[person, found]]
  })
  return {
    hands: everybody ?? ASSUMED_HANDS_MIN[step],
    ...(own.length > 0 && { handsBy: Object.fromEntries(own) }),
    assumed: everybody === undefined,
  }
}
