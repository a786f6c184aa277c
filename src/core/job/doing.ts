import { codeWords } from '../language/codes'
import { W } from '../language/job/doing'
import type { CLOSED_AS } from './events'
import { STEP_NAMES, type Step, stepNumber } from './steps'

/** What a job that ended early is called on the board. */
export const CLOSED_LINES: Record<(typeof CLOSED_AS)[number], string> = {
  'without-proof': W.closedWithoutProof,
  'without-charge': W.closedWithoutCharge,
  'handed-over': W.handedOver,
  'given-up': W.givenUp,
}

/** What is going on, as a code with what it is of; the words are made where it is read. */
export type Doing = {
  code: keyof typeof DOING
  /** how many times, how many of how many, or g */
  n?: number
  of?: number
}

/** What a car is at, in the fewest words. */
const DOING = {
  signed: () => W.signed,
  'without-proof': () => CLOSED_LINES['without-proof'],
  'without-charge': () => CLOSED_LINES['without-charge'],
  'handed-over': () => CLOSED_LINES['handed-over'],
  'given-up': () => CLOSED_LINES['given-up'],
  parked: () => W.leftUnderVacuum,
  'gauges-read': () => W.gaugesRead,
  'read-gauges': () => W.readBothGauges,
  nitrogen: () => W.underNitrogen,
  searching: () => W.lookForTheLeak,
  repair: () => W.logTheRepair,
  rig: () => W.rigUp,
  pulling: () => W.pulling,
  'pulling-again': ({ n = 0 }) => W.pull2(n),
  isolate: () => W.shutItIn,
  holding: () => W.holding,
  tight: () => codeWords('tight'),
  damp: () => codeWords('damp'),
  leak: () => codeWords('leak'),
  'leak-and-damp': () => codeWords('leak-and-damp'),
  undecided: () => codeWords('undecided'),
  invalid: () => codeWords('invalid'),
  charging: ({ n = 0 }) => W.toG(n),
  plan: () => W.planTheCharge,
  'proof-read': () => W.read,
  'read-sides': () => W.readBothSides,
  leaving: ({ n = 0, of = 0 }) => W.ofDone(n, of),
} as const satisfies Record<string, (doing: { n?: number; of?: number }) => string>

/** What a row says its car is at; one written before codes were kept says it by itself. */
export const doingWords = ({ doing, line }: { doing?: Doing; line?: string }): string =>
  doing ? DOING[doing.code](doing) : (line ?? '')

/** Such as `7 Hold`. */
export const stepLabel = (step: Step): string => `${stepNumber(step)} ${STEP_NAMES[step]}`
