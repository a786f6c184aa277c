import type { Say } from '../units/say'
import type { PumpNow, StandKind } from './asked'
import type { PullPlan } from './planner'

/** Where a pull may stand. */
export type AdviceKind = StandKind

/** One way to explain where the pull stands, how likely, why, and what the hand does next. */
export type Advice = {
  kind: AdviceKind
  probability: number
  sentence: string
  why: string
  next: string
  /** what the hand does next is to change the pump's oil */
  changesOil?: true
}

export type PullAdvice = {
  /** likeliest first; empty while the gauge shows nothing that can be told from */
  options: Advice[]
  /** what the far side of the car has now, Pa; an interval where the gauge sits at the pump */
  far: { pa: number; lowPa: number; highPa: number } | null
  /** the gauge reads ahead of the far side by this factor; 1 at the far side */
  ahead: number
  /** what still comes in by the flow balance, Pa m3/s; null while it falls too fast to tell */
  incomingPaM3S: number | null
  /** s from now to the target if the likeliest explanation holds; null when it will not get there or cannot be told */
  toTargetS: number | null
  /** a needle, or an electronic gauge still over its range: nothing to be told yet */
  blind: string | null
}

export type PullLook = {
  /** readings since the pull began, in order; s and Pa absolute */
  readings: readonly { tS: number; pressurePa: number }[]
  targetPa: number
  /** saturation of water at the coldest place now, Pa */
  waterBoilsPa: number
  instrument: 'electronic' | 'needle'
  gaugeAt: 'far' | 'pump'
  ballastOpen: boolean
  volumeL: number
  /** middle of what the story suggests, g */
  waterG: number
  /** what 19 of 20 such cars have at most, g */
  waterMostG: number
  ambientC: number
  ultimatePa: number
  plan: PullPlan
  /** how figures are said to whoever reads; the usual way when left out */
  say?: Say
  /**
   * what the prediction of the rest says of this pull; once it is there its chances stand in place of the look's own
   */
  forecast?: { stands: readonly { kind: AdviceKind; probability: number }[]; toTargetS: number | null; oil?: PumpNow }
}
