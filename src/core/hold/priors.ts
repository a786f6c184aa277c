import { carriedBy } from './carried'
import type { HoldContext, HoldPriors } from './types'

/**
 * Chances before any reading (assumed, model.md section 6): a car that lost charge or was just repaired; water
 * likewise.
 */
export const DEFAULT_PRIORS: HoldPriors = { leak: 0.4, damp: 0.4 }

/** An earlier hold leaves neither certain. */
const LEAST = 0.005
const MOST = 0.995
const between = (p: number) => Math.min(MOST, Math.max(LEAST, p))
/**
 * A pull dries a car out in so long, s, by one in e (assumed). On 105 pairs of the proving ground with half an hour
 * between, every car that was wet still was: grams shrink in half an hour, the last pascal of a bend takes a day.
 */
const DRIES_S = 8 * 3600
/** Water that an earlier hold did not see, where it saw none (assumed). */
const UNSEEN_WATER = 0.02

/** Chances before any reading; an earlier hold's finding takes the place of the default. */
export function priorsOf(context: HoldContext): HoldPriors {
  const base = context.priors ?? DEFAULT_PRIORS
  if (!context.previous) return base
  const { leak, damp, pulledS } = context.previous
  return { leak: between(leak), damp: left(damp, pulledS) }
}

/** Chance of water in a tight car and in one that leaks: the hold before may have told one from the other. */
export function dampAfter(context: HoldContext): { tight: number; leaks: number } {
  const { previous } = context
  const { damp } = priorsOf(context)
  if (!previous) return { tight: damp, leaks: damp }
  const both = carriedBy(previous).leakAndDamp
  const alone = Math.max(0, previous.damp - both)
  return {
    tight: left(alone / Math.max(LEAST, 1 - previous.leak), previous.pulledS),
    leaks: left(both / Math.max(LEAST, previous.leak), previous.pulledS),
  }
}

/** Chance of water in this hold where the one before was dry, and where it was wet. */
export function dampStays({ previous }: HoldContext): { afterDry: number; afterWet: number } {
  const pulledS = previous?.pulledS ?? 0
  return { afterDry: left(0, pulledS), afterWet: left(1, pulledS) }
}

/** What is left of a chance of water after a pull. */
const left = (damp: number, pulledS: number): number =>
  between(damp * Math.exp(-pulledS / DRIES_S) + (1 - damp) * UNSEEN_WATER)
