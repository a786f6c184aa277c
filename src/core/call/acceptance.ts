import { holdStage } from '../job/stage-now'
import type { Hold, JobState } from '../job/state'
import { W } from '../language/call/acceptance'
import { RULE_NAMES } from '../schools/rules'
import { FOUND_SENTENCES } from './found-sentences'

type Ended = NonNullable<Hold['ended']>
export type Accepted = { accepted: boolean; by: 'judge' | 'rule' | 'word'; words: string[] }

/**
 * Whether a hold is accepted by its procedure, and by what: the judge, a simple rule, or a person's word, which is
 * asked for. Where a rule and the judge differ both are said.
 */
export function acceptanceOf(state: JobState, ended: Ended): Accepted {
  const accept = holdStage(state)?.accept ?? { by: 'judge' }
  const tight = ended.verdict === 'tight'
  switch (accept.by) {
    case 'judge': {
      const limit = accept.gramsPerYear
      const proved = ended.provesGramsPerYear ?? Number.POSITIVE_INFINITY
      const fine = limit === undefined || proved <= limit
      return {
        accepted: tight && fine,
        by: 'judge',
        words: tight && !fine ? [W.tightButThisProcedureAsks(limit)] : [],
      }
    }
    case 'rule': {
      const passes = ended.rule?.says === 'passes'
      const differs = passes !== tight
      const judge = FOUND_SENTENCES[ended.verdict]
      return {
        accepted: passes,
        by: 'rule',
        words: [
          W.byThisProcedureItsRule(RULE_NAMES[ended.rule?.id ?? accept.rule], SAYS[ended.rule?.says ?? 'not yet']),
          ...(differs ? [W.theJudgeSaysOtherwiseThe(judge)] : []),
        ],
      }
    }
    case 'word':
      return {
        accepted: tight,
        by: 'word',
        words: [W.byThisProcedureAPersons(FOUND_SENTENCES[ended.verdict])],
      }
    default: {
      const unknown: never = accept
      return unknown
    }
  }
}

const SAYS = { passes: W.itPasses, fails: W.itFails, 'not yet': W.itHadNotHeldLong } as const
