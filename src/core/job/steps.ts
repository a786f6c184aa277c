import { W } from '../language/job/steps'
/** The ten steps of the work, in order. */
export const STEPS = ['take-in', 'zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'charge', 'prove', 'leave'] as const
export type Step = (typeof STEPS)[number]

/** What the spine calls each step. */
export const STEP_NAMES: Record<Step, string> = {
  'take-in': W.takeIn,
  zero: W.zero,
  fix: W.fix,
  rig: W.rig,
  pull: W.pull,
  isolate: W.isolate,
  hold: W.hold,
  charge: W.charge,
  prove: W.prove,
  leave: W.leave,
}

/** Position of a step in the order, 1 to 10. */
export const stepNumber = (step: Step): number => STEPS.indexOf(step) + 1
