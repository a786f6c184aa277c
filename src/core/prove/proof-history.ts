import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { chargedG, type JobState, lastProof } from '../job/state'
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
  const emptied = state.recoveredG ? `emptied of ${say.mass(state.recoveredG)} and ` : ''
  const times = state.pulls.length > 1 ? ` ${state.pulls.length} times` : ''
  const proves = hold?.ended?.provesGramsPerYear ?? null
  const shown = proves === null ? '' : `: a leak of ${say.aYear(proves)} or more would have shown`
  const said = [
    `${car.name}: the air conditioning was ${emptied}evacuated${times}.`,
    hold?.ended
      ? hold.ended.verdict === 'tight' || hold.ended.verdict === 'damp'
        ? `The vacuum held for ${Math.round(hold.ended.heldS / 60)} minutes${shown}.`
        : `The hold was judged ${hold.ended.verdict.replaceAll('-', ' ')}.`
      : 'The vacuum was not held, so nothing is said about leaks.',
    inside >= 0.5
      ? `${state.counted ? 'about ' : ''}${say.mass(inside)} of ${label.refrigerant} were ` +
        `${state.counted ? 'counted in by whole cans, not weighed' : 'weighed in'}; the label asks for ${label.typed}.`
      : '',
    proof
      ? `Running, the middle vent blows ${say.celsius(proof.ventC)} at ${say.celsius(proof.ambientC)} ` +
        `outside${beforeWords(state.before, say)}.`
      : '',
    'A hold under vacuum cannot show a leak that opens under pressure only.',
  ]
  return said.filter(Boolean).join(' ')
}

const beforeWords = (before: JobState['before'], say: Say): string =>
  before ? `; when it came in it blew ${say.celsius(before.ventC)} at ${say.celsius(before.ambientC)}` : ''
