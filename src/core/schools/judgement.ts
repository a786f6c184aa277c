import { judgeHold } from '../hold/judge'
import type { HoldContext, HoldResult, HoldSample } from '../hold/types'
import { type RuleSaid, rulesOn } from './rules'

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
