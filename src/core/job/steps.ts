/** The ten steps of the work, in order. */
export const STEPS = ['take-in', 'zero', 'fix', 'rig', 'pull', 'isolate', 'hold', 'charge', 'prove', 'leave'] as const
export type Step = (typeof STEPS)[number]

/** What the spine calls each step. */
export const STEP_NAMES: Record<Step, string> = {
  'take-in': 'Take in',
  zero: 'Zero',
  fix: 'Fix',
  rig: 'Rig',
  pull: 'Pull',
  isolate: 'Isolate',
  hold: 'Hold',
  charge: 'Charge',
  prove: 'Prove',
  leave: 'Leave',
}

/** Position of a step in the order, 1 to 10. */
export const stepNumber = (step: Step): number => STEPS.indexOf(step) + 1
