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

/** A record as it crosses over to a thread: seconds and pressures side by side, not copied one by one. */
export type RecordColumns = { elapsedS: Float64Array; pressurePa: Float64Array; context: HoldContext }

export const judgementOfColumns = ({ elapsedS, pressurePa, context }: RecordColumns): Judgement =>
  judgementOf(
    Array.from(elapsedS, (s, i): HoldSample => ({ elapsedS: s, pressurePa: pressurePa[i] as number })),
    context,
  )
