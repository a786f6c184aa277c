import type { HoldContext, HoldPriors } from './types'

/**
 * Chances before any reading (assumed, model.md section 6): a car that lost charge or was just repaired; water
 * likewise.
 */
export const DEFAULT_PRIORS: HoldPriors = { leak: 0.4, damp: 0.4 }

/** Chances before any reading; an earlier hold's finding takes the place of the default. */
export function priorsOf(context: HoldContext): HoldPriors {
  const base = context.priors ?? DEFAULT_PRIORS
  if (!context.previous) return base
  const between = (p: number) => Math.min(0.97, Math.max(0.02, p))
  // water shrinks with every pull, a leak does not
  const shrunk = context.previous.damp * Math.exp(-context.previous.pulledS / 3600)
  return { leak: between(context.previous.leak), damp: between(Math.max(0.5 * base.damp, shrunk)) }
}
