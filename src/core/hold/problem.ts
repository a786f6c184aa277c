import type { ProblemCode } from './codes'
import type { Finding } from './finding'
import { problemWords } from './reason-words'
import type { Problem } from './types'

/** A problem by its code and figures, its words in the usual units; noted, and spoils nothing by itself. */
export const problemOf = (
  code: ProblemCode,
  of: Finding['of'] = {},
): Pick<Problem, 'code' | 'of' | 'what' | 'spoils'> => ({
  code,
  of,
  what: problemWords({ code, of }),
  spoils: false,
})

/** A problem that is told in words of its own, noted only. */
export const codedProblem = (code: ProblemCode, what: string): ReturnType<typeof problemOf> =>
  problemOf(code, { said: what })
