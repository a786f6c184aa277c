import { labelTargetG, toleranceG } from '../charge/plan-for-job'
import { chargedG, type JobState, lastProof } from '../job/state'
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
    toleranceG: toleranceG(state),
    holdProved: held,
    ...(rest && { rest }),
    ...(cycling && { cycling }),
  }
}

/** What was done and what it proves, for whoever pays: plain words, whole sentences. */
export function customerWords(state: JobState): string {
  const { car, label } = state.opened
  const hold = [...state.holds].reverse().find((h) => h.ended)
  const inside = Math.round(chargedG(state))
  const proof = lastProof(state)
  const said = [
    `${car.name}: the air conditioning was ${state.recoveredG ? `emptied of ${Math.round(state.recoveredG)} g and ` : ''}evacuated${state.pulls.length > 1 ? ` ${state.pulls.length} times` : ''}.`,
    hold?.ended
      ? hold.ended.verdict === 'tight' || hold.ended.verdict === 'damp'
        ? `The vacuum held for ${Math.round(hold.ended.heldS / 60)} minutes${hold.ended.provesGramsPerYear === null ? '' : `: a leak of ${Math.round(Number(hold.ended.provesGramsPerYear.toPrecision(2))).toLocaleString('en')} g a year or more would have shown`}.`
        : `The hold was judged ${hold.ended.verdict.replaceAll('-', ' ')}.`
      : 'The vacuum was not held, so nothing is said about leaks.',
    inside > 0 ? `${inside} g of ${label.refrigerant} were weighed in; the label asks for ${label.typed}.` : '',
    proof
      ? `Running, the middle vent blows ${proof.ventC.toFixed(0)} °C at ${proof.ambientC.toFixed(0)} °C outside${beforeWords(state.before)}.`
      : '',
    'A hold under vacuum cannot show a leak that opens under pressure only.',
  ]
  return said.filter(Boolean).join(' ')
}

const beforeWords = (before: JobState['before']): string =>
  before ? `; when it came in it blew ${before.ventC.toFixed(0)} °C at ${before.ambientC.toFixed(0)} °C` : ''
