import type { HoldContext, HoldSample } from '@/core/hold/types'
import { type Judgement, judgementOfColumns, type RecordColumns } from '@/core/schools/judgement'
import { Apart } from './apart'

const shared = globalThis as unknown as { yperosJudge?: Apart<RecordColumns, Judgement> }

/**
 * Judges a record in a thread of its own, never on the event loop that answers requests.
 * @param samples - in order of time, from isolation on
 */
export function judgeApart(samples: readonly HoldSample[], context: HoldContext): Promise<Judgement> {
  shared.yperosJudge ??= new Apart('judge-thread', judgementOfColumns)
  const elapsedS = Float64Array.from(samples, (s) => s.elapsedS)
  const pressurePa = Float64Array.from(samples, (s) => s.pressurePa)
  return shared.yperosJudge.ask({ elapsedS, pressurePa, context }, [elapsedS.buffer, pressurePa.buffer])
}
