import { judgeHold } from './judge'
import { type RuleSaid, rulesOn } from './schools'
import type { HoldContext, HoldResult, HoldSample } from './types'

/** What the judge says of a hold, and the schools' rules beside it. */
export type Judgement = { result: HoldResult; rules: RuleSaid[] }

/**
 * The judgement of a record, wherever it is asked for: by the server while a hold runs and when it ends, by a file's
 * page, by the command line.
 */
export const judgementOf = (samples: readonly HoldSample[], context: HoldContext): Judgement => ({
  result: judgeHold(samples, context),
  rules: rulesOn(samples, context),
})
