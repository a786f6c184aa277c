import type { ProblemCode } from './codes'
import type { Problem } from './types'

/** A problem that is noted and spoils nothing by itself. */
export const codedProblem = (code: ProblemCode, what: string): Omit<Problem, 'fromS' | 'toS'> => ({
  code,
  what,
  spoils: false,
})
