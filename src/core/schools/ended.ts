import { type Agreement, historyAgainst } from '../hold/history'
import { lossOf } from '../hold/loss'
import type { HoldResult } from '../hold/types'
import type { HoldEnded } from '../job/events'
import { holdStage } from '../job/stage-now'
import type { JobState } from '../job/state'
import { RULE_NAMES, type RuleSaid } from './rules'

/**
 * What the end of a hold says, from its judgement: on the server, and on a device without a line.
 * @param heldS - how long it was held, s
 * @param samples - readings it was judged on
 */
export function holdEnded(
  state: JobState,
  { result, rules }: { result: HoldResult; rules: readonly RuleSaid[] },
  heldS: number,
  samples: number,
): HoldEnded {
  const more = historyOf(state, result)
  return {
    verdict: result.verdict,
    leak: result.probability.leak,
    damp: result.probability.damp,
    risePaS: result.sustainedRisePaS?.value ?? null,
    provesGramsPerYear: result.detectionLimitGramsPerYear?.high ?? null,
    leakGramsPerYear: result.leakGramsPerYear?.high ?? null,
    heldS,
    samples,
    reasons: [...result.reasons, ...more.map((m) => m.words)],
    codes: result.codes,
    ...(result.carried && { carried: result.carried }),
    findings: [...result.findings, ...more.map((m) => m.finding)],
    ...ruleOf(state, rules),
  }
}

/** What the procedure's own rule says, where one decides. */
function ruleOf(state: JobState, rules: readonly RuleSaid[]): Pick<HoldEnded, 'rule'> {
  const accept = holdStage(state)?.accept
  if (accept?.by !== 'rule') return {}
  const said = rules.find((r) => r.id === accept.rule)
  return { rule: { id: accept.rule, words: RULE_NAMES[accept.rule], says: said?.says ?? 'not yet' } }
}

/** What the car lost before, set against what was found; empty without the figures. */
function historyOf(state: JobState, judged: HoldResult): Agreement[] {
  const loss = lossOf(state)
  const agreement = historyAgainst(judged, loss?.grams ?? null, loss?.days ?? null)
  return agreement ? [agreement] : []
}
