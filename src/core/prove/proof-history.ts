import { chargedG, type JobState } from '../procedure/state'
import type { ProofHistory } from './diagnose'

/** What the job's own log says besides the needles. */
export function proofHistory(state: JobState): ProofHistory {
  const held = state.holds.some((h) => h.ended && (h.ended.verdict === 'tight' || h.ended.verdict === 'damp'))
  const { lowG, highG, toleranceG } = state.opened.label
  return { chargedG: chargedG(state), targetG: state.plan?.targetG ?? (lowG + highG) / 2, toleranceG: Math.max(toleranceG, (highG - lowG) / 2), holdProved: held }
}

/** What was done and what it proves, for whoever pays: plain words, whole sentences. */
export function customerWords(state: JobState): string {
  const { car, label } = state.opened
  const hold = [...state.holds].reverse().find((h) => h.ended)
  const inside = Math.round(chargedG(state))
  const said = [
    `${car.name}: the air conditioning was ${state.recoveredG ? `emptied of ${Math.round(state.recoveredG)} g and ` : ''}evacuated${state.pulls.length > 1 ? ` ${state.pulls.length} times` : ''}.`,
    hold?.ended
      ? hold.ended.verdict === 'tight' || hold.ended.verdict === 'damp'
        ? `The vacuum held for ${Math.round(hold.ended.heldS / 60)} minutes${hold.ended.provesGramsPerYear === null ? '' : `: a leak of ${Math.round(Number(hold.ended.provesGramsPerYear.toPrecision(2))).toLocaleString('en')} g a year or more would have shown`}.`
        : `The hold was judged ${hold.ended.verdict.replaceAll('-', ' ')}.`
      : 'The vacuum was not held, so nothing is said about leaks.',
    inside > 0 ? `${inside} g of ${label.refrigerant} were weighed in; the label asks for ${label.typed}.` : '',
    state.proof ? `Running, the middle vent blew ${state.proof.ventC.toFixed(0)} °C at ${state.proof.ambientC.toFixed(0)} °C outside.` : '',
    'A hold under vacuum cannot show a leak that opens under pressure only.',
  ]
  return said.filter(Boolean).join(' ')
}
