import { DAYS_A_YEAR } from '../units/constants'
import { DEFAULT_PRIORS } from './priors'
import type { HoldPriors } from './types'

/** What a job's story says of a car before any reading; hours, days and grams. */
export type Story = {
  openHours?: number | undefined
  days?: number | undefined
  gramsLost?: number | undefined
  chargeG?: number | undefined
}

/** Losing less than this share of its charge a year, a car has no history of a leak (assumed). */
const KEPT_SHARE_A_YEAR = 0.04

/** Chance of a leak in a car that kept its charge (assumed). */
const LEAK_WHERE_KEPT = 0.25
/** Chance of water by how long it stood open: under so many hours, and longer (assumed). */
const DAMP_BY_HOURS = [
  [0.5, 0.25],
  [6, 0.4],
  [24, 0.5],
] as const
const DAMP_LONGER = 0.6

/**
 * Chances before any reading, from the job's story (assumed).
 * A leak: model.md's for a car that lost charge or was repaired, less where it kept its charge. Water: more the longer
 * it was open.
 */
export function priorsOfStory({ openHours, days, gramsLost, chargeG }: Story): HoldPriors {
  const yearly = days && gramsLost !== undefined && chargeG ? ((gramsLost / days) * DAYS_A_YEAR) / chargeG : undefined
  const leak = yearly !== undefined && yearly < KEPT_SHARE_A_YEAR ? LEAK_WHERE_KEPT : DEFAULT_PRIORS.leak
  if (openHours === undefined) return { leak, damp: DEFAULT_PRIORS.damp }
  return { leak, damp: DAMP_BY_HOURS.find(([below]) => openHours < below)?.[1] ?? DAMP_LONGER }
}
