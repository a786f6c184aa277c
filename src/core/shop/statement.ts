import * as z from 'zod'
import { Day } from '../entry/instant'
import { W } from '../language/shop/statement'

/** From which day to which a statement is, both included. */
export const Period = z
  .object({ from: Day, to: Day })
  .refine(({ from, to }) => from <= to, { path: ['to'], error: W.theLastDayMustNot })
export type Period = z.infer<typeof Period>

/** What a refrigerant did in a period, g: what came in and went out each above zero, differences either way. */
export type Statement = {
  refrigerant: string
  openingG: number
  boughtG: number
  /** what cans of a single job brought, which never stood on the book: as much as they gave */
  singleCansG: number
  recoveredG: number
  chargedG: number
  purgedG: number
  heelG: number
  handedInG: number
  lostG: number
  /** differences somebody explained: weighed or corrected with a reason */
  explainedG: number
  /** differences nobody could explain, and those the book found by itself */
  unexplainedG: number
  closingG: number
}

/** What is said of a difference nobody knows the reason of. */
export const NOT_KNOWN = 'not known'

/** A line of a statement: its name, its sum, and whether it adds to what is there or takes from it. */
export const STATEMENT_LINES = [
  { key: 'openingG', name: W.stoodThereAtTheBeginning, adds: 0 },
  { key: 'boughtG', name: W.bought, adds: 1 },
  { key: 'singleCansG', name: W.broughtByCansOfSingle, adds: 1 },
  { key: 'recoveredG', name: W.recoveredFromCars, adds: 1 },
  { key: 'chargedG', name: W.chargedIntoCars, adds: -1 },
  { key: 'purgedG', name: W.purgedOutOfHoses, adds: -1 },
  { key: 'heelG', name: W.leftInEmptiedCans, adds: -1 },
  { key: 'handedInG', name: W.handedIn, adds: -1 },
  { key: 'lostG', name: W.lostWithAReason, adds: -1 },
  { key: 'explainedG', name: W.differencesExplained, adds: 1 },
  { key: 'unexplainedG', name: W.differencesNotExplained, adds: 1 },
  { key: 'closingG', name: W.standsThereAtTheEnd, adds: 0 },
] as const satisfies readonly { key: keyof Statement; name: string; adds: -1 | 0 | 1 }[]

/** What the lines add up to beside what stands at the end, g: nothing, or the book does not hold. */
export const outOfBalanceG = (s: Statement): number =>
  STATEMENT_LINES.reduce((sum, { key, adds }) => sum + adds * s[key], s.openingG) - s.closingG

const kg = (g: number): string => W.kg((g / 1000).toFixed(2))

/** What a statement comes to, in a sentence. */
export function statementWords(s: Statement): string {
  const cameG = s.boughtG + s.singleCansG + s.recoveredG
  if (cameG === 0 && s.chargedG === 0) return W.nothingMoved(s.refrigerant)
  const open = Math.abs(s.unexplainedG)
  return W.wentIntoCarsCameOut(
    s.refrigerant,
    kg(s.chargedG),
    kg(s.recoveredG),
    open < 1 ? W.everyGramIsExplained : W.notExplained(kg(open), s.unexplainedG < 0 ? W.missing : W.tooMuch),
  )
}
