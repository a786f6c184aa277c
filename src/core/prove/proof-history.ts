import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { chargedG, type JobState, lastProof } from '../job/state'
import { codeWords } from '../language/codes'
import { W } from '../language/prove/proof-history'
import { type Say, USUAL_SAY } from '../units/say'
import type { ProofHistory } from './diagnose'
import { readRest } from './rest-pressure'

/** What the pressure of the charged system at rest says of it; undefined before anybody read it. */
export function restAfterCharge({ rest, opened: { label, place } }: JobState): ProofHistory['rest'] {
  if (!rest) return undefined
  const found = readRest(rest.paG, rest.paG, rest.errorPa, label.refrigerant, rest.ambientC, place.barometerPa)
  if (found.kind !== 'refrigerant') return 'no-liquid'
  return ({ 'too-high': 'air', likely: 'right', none: 'no-liquid' } as const)[found.liquid]
}

/**
 * What the job's own log says besides the needles. @param cycling - whether the compressor was seen going on and off
 */
export function proofHistory(state: JobState, cycling = false): ProofHistory {
  const held = state.holds.some((h) => h.ended && (h.ended.verdict === 'tight' || h.ended.verdict === 'damp'))
  const rest = restAfterCharge(state)
  return {
    chargedG: chargedG(state),
    targetG: state.plan?.targetG ?? labelTargetG(state),
    toleranceG: Math.max(toleranceG(state), countedHalfG(state)),
    holdProved: held,
    ...(rest && { rest }),
    ...(cycling && { cycling }),
  }
}

/** What counting leaves open, g: the needles say more where no scale spoke. */
const countedHalfG = ({ counted }: JobState): number =>
  Math.sqrt(counted?.emptied.reduce((sum, c) => sum + c.plusMinusG ** 2, 0) ?? 0)

/** What was done and what it proves, for whoever pays: plain words, whole sentences. */
export function customerWords(state: JobState, say = USUAL_SAY): string {
  const { car, label } = state.opened
  const hold = [...state.holds].reverse().find((h) => h.ended)
  const inside = chargedG(state)
  const proof = lastProof(state)
  const emptied = state.recoveredG ? W.emptiedOfAnd(say.mass(state.recoveredG)) : ''
  const times = state.pulls.length > 1 ? W.times(state.pulls.length) : ''
  const proves = hold?.ended?.provesGramsPerYear ?? null
  const shown = proves === null ? '' : W.aLeakOfOrMore(say.aYear(proves))
  const said = [
    W.theAirConditioningWasEvacuated(car.name, emptied, times),
    hold?.ended
      ? hold.ended.verdict === 'tight' || hold.ended.verdict === 'damp'
        ? W.theVacuumHeldForMinutes(Math.round(hold.ended.heldS / 60), shown)
        : W.theHoldWasJudged(codeWords(hold.ended.verdict))
      : W.theVacuumWasNotHeld,
    inside >= 0.5
      ? W.ofWereTheLabelAsks(
          state.counted ? W.about : '',
          say.mass(inside),
          label.refrigerant,
          state.counted ? W.countedInByWholeCans : W.weighedIn,
          label.typed,
        )
      : '',
    proof
      ? W.runningTheMiddleVentBlows(
          say.celsius(proof.ventC),
          say.celsius(proof.ambientC),
          beforeWords(state.before, say),
        )
      : '',
    W.aHoldUnderVacuumCannot,
  ]
  return said.filter(Boolean).join(' ')
}

const beforeWords = (before: JobState['before'], say: Say): string =>
  before ? W.whenItCameInIt(say.celsius(before.ventC), say.celsius(before.ambientC)) : ''
