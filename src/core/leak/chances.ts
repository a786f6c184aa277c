import type { LeakChecked, LeakPlace } from '../job/leak'
import { likelihood } from './checks'
import { PLACES } from './places'

/** A chance for each place, 0 to 1; together 1. */
export type Chances = ReadonlyMap<LeakPlace, number>

/** Something known of this car that makes some places likelier: by how much each, and what is said of it. */
export type Clue = { words: string; times: Partial<Record<LeakPlace, number>> }

/** So many leaks found by the shop itself weigh as much as the shipped figures (assumed). */
const SHIPPED_WEIGHS = 40
/** From here on a place is named. */
export const NAMED = 0.9

function scaled(raw: ReadonlyMap<LeakPlace, number>): Chances {
  const sum = [...raw.values()].reduce((a, b) => a + b, 0)
  return new Map([...raw].map(([place, chance]) => [place, chance / sum]))
}

/**
 * Chances before anything is looked at: shipped weights, what this shop found so far, and what is known of the car.
 * @param learned - leaks this shop found, by place
 */
export function chancesBefore(
  places: readonly LeakPlace[],
  learned: Partial<Record<LeakPlace, number>>,
  clues: readonly Clue[],
): Chances {
  const shipped = places.reduce((sum, place) => sum + PLACES[place].weight, 0)
  return scaled(
    new Map(
      places.map((place) => {
        const base = (SHIPPED_WEIGHS * PLACES[place].weight) / shipped + (learned[place] ?? 0)
        return [place, clues.reduce((chance, { times }) => chance * (times[place] ?? 1), base)]
      }),
    ),
  )
}

/** Chances after what a check showed, by Bayes. @param gramsPerYear - the leak that is looked for */
export function chancesAfter(before: Chances, seen: LeakChecked, gramsPerYear: number): Chances {
  return scaled(
    new Map([...before].map(([place, chance]) => [place, chance * likelihood(seen, place, before.size, gramsPerYear)])),
  )
}

export type Ranked = { place: LeakPlace; chance: number }

/** Likeliest first. */
export const ranked = (chances: Chances): Ranked[] =>
  [...chances].map(([place, chance]) => ({ place, chance })).sort((a, b) => b.chance - a.chance)

/** The place that is all but certain; null while none is. */
export function namedPlace(chances: Chances): Ranked | null {
  const top = ranked(chances)[0]
  return top && top.chance >= NAMED ? top : null
}
