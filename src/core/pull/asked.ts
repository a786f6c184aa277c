import type { RigFile } from '../rig/rig-file'
import { HOUR_S } from '../units/constants'
import type { ChangeKind } from './changes'
import type { RunningPull } from './explanation'

/** Nothing is promised beyond this, s. */
export const HORIZON_S = 6 * HOUR_S

/** What is asked of a running pull: Pa, s. */
export type PullAsked = RunningPull & {
  /** node of the gauge that is read, and the farthest one, where the target counts */
  gaugeNode: string
  farNode: string
  targetPa: number
  nowS: number
  /** readings up to now, in order of time; a needle's say nothing down there and are left out */
  readings: readonly { tS: number; pa: number }[]
  /** readings of a second gauge, at the pump: what hoses and cores hold back; none where there is one gauge only */
  atPump?: readonly { tS: number; pa: number }[]
  /** noise of a reading as a share of it, and the smallest step, Pa */
  noiseFraction: number
  resolutionPa: number
  seed: number
  /** what could be done about it, with the rig as it would be then */
  changes?: readonly { kind: ChangeKind; rig: RigFile }[]
}

/** Noise of an electronic gauge that nobody told, as a share of its reading (model.md section 5). */
export const NOISE_FRACTION = 0.01

export const STAND_KINDS = ['on-course', 'boiling', 'leak', 'hoses', 'pump', 'ballast'] as const
export type StandKind = (typeof STAND_KINDS)[number]

/** Where a running pull stands; intervals hold eight of ten, times are from now on, s, null beyond six hours. */
export type PullStands = {
  farPa: { value: number; low: number; high: number }
  reaches: number
  toTargetS: { p10: number | null; p50: number | null; p90: number | null }
  stands: { kind: StandKind; probability: number }[]
  waterLeftG: { low: number; high: number }
  oil: PumpNow
}

/**
 * What has become of the pump, by those explanations in which it stands in the way, by all where there is none: water
 * its oil took from this car, g, and what it reaches by now, Pa.
 */
export type PumpNow = { lowG: number; middleG: number; highG: number; reachesPa: number }
