import type { PullPlan, PullQuestion } from '../pull/planner'
import { type Say, sayIn } from '../units/say'
import { type Units, USUAL_UNITS } from '../units/shown'
import { type Ask, faultOf, isChoice, isField } from './fields'
import type { Picture } from './picture'

/** What was typed, by key. */
export type Typed = Readonly<Record<string, string>>

/** What was typed, read: figures in their base units, choices and words as they are. */
export type Given = { n: Readonly<Record<string, number>>; c: Typed; say: Say }

/** What a sum comes to: one sentence, figures beside it, and the picture that says the same. */
export type Answer = {
  /** the whole of it in a line, to be copied or noted in a job */
  line: string
  /** the one figure somebody came for */
  main: string
  facts: readonly { name: string; text: string }[]
  picture: Picture
  /** a computation that takes seconds: asked of a worker, whose answer goes through `finish` */
  later?: PullQuestion
}

export type Sum = {
  id: string
  name: string
  /** what somebody asks who looks for it */
  question: string
  asks: readonly Ask[]
  /** how it is worked out, and where that is from */
  formula: string
  source: string
  /** @throws OutOfRange, Unreadable where the figures go beyond what is known */
  answer: (given: Given) => Answer
  finish?: (given: Given, plan: PullPlan) => Answer
}

/** A sum's entries as they stand at first, with what an address says in their place. */
export const typedOf = (sum: Sum, asked: Typed = {}): Record<string, string> =>
  Object.fromEntries(sum.asks.map((a) => [a.key, asked[a.key] ?? a.like]))

/** What became of a sum: faults by entry, its answer, or why the figures together have none. */
export type Worked = { faults: Typed; given: Given | null; answer: Answer | null; fault: string | null }

/** A sum of what was typed. @param units - of whoever reads */
export function work(sum: Sum, typed: Typed, units: Units = USUAL_UNITS): Worked {
  const faults: Record<string, string> = {}
  const [n, c]: [Record<string, number>, Record<string, string>] = [{}, {}]
  for (const ask of sum.asks) {
    const text = typed[ask.key] ?? ask.like
    c[ask.key] = isChoice(ask) && !ask.options.some((o) => o.value === text) ? ask.like : text
    if (!isField(ask)) continue
    try {
      n[ask.key] = ask.read(text)
    } catch (error) {
      faults[ask.key] = faultOf(error)
    }
  }
  if (Object.keys(faults).length > 0) return { faults, given: null, answer: null, fault: null }
  const given = { n, c, say: sayIn(units, n.air) }
  try {
    return { faults, given, answer: sum.answer(given), fault: null }
  } catch (error) {
    return { faults, given, answer: null, fault: faultOf(error) }
  }
}

/** A figure of a field that is there by the sum's own list of entries. */
export const figure = ({ n }: Given, key: string): number => n[key] ?? Number.NaN
