import type { HoldContext, HoldResult } from '@/core/hold/types'
import type { HoldReadings } from '@/core/readings/hold-readings'
import type { RuleSaid } from '@/core/schools/rules'

/** What a file came to: readings as read, how they were taken, the finding, and what the simple rules say. */
export type FileJudgement = { result: HoldResult; rules: RuleSaid[]; read: HoldReadings; context: HoldContext }
