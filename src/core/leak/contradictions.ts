import type { LeakChecked } from '../job/leak'
import { W } from '../language/leak/contradictions'
import { seenWords } from './seen-words'

/** Two results that cannot both be of one leak; both are kept, and it is said. */
export type Contradiction = { first: LeakChecked; second: LeakChecked }

const PORT_SAID: Partial<Record<string, string>> = {
  'off-worse': 'ports',
  'low-worse': 'port-low',
  'high-worse': 'port-high',
}

/** A place that a check showed the leak at. */
const shownAt = (seen: LeakChecked): string | null =>
  seen.check === 'look' || seen.check === 'sniffer'
    ? seen.at
    : seen.check === 'soap' && seen.bubbles
      ? seen.at
      : seen.check === 'hoses' && seen.says === 'rose'
        ? 'rig'
        : seen.check === 'couplers'
          ? (PORT_SAID[seen.says] ?? null)
          : null

function contradict(a: LeakChecked, b: LeakChecked): boolean {
  // the same place soaped twice with two answers; a part of the whole tested twice with two answers
  if (a.check === 'soap' && b.check === 'soap' && a.at === b.at) return a.bubbles !== b.bubbles
  if (a.check === b.check && 'says' in a && 'says' in b && a.says !== b.says && a.check !== 'couplers')
    return a.says !== 'undecided' && b.says !== 'undecided'
  // it stands under pressure, and yet somewhere under the same pressure it bubbles
  const stands = [a, b].find((s) => s.check === 'nitrogen' && s.says === 'stands')
  const bubbles = [a, b].find((s) => s.check === 'soap' && s.bubbles)
  if (stands && bubbles) return true
  const [at, bt] = [shownAt(a), shownAt(b)]
  if (at === null || bt === null || at === bt) return false
  return !(at === 'ports' && bt.startsWith('port-')) && !(bt === 'ports' && at.startsWith('port-'))
}

/** Every pair of results that contradict each other, in the order they were made. */
export function contradictionsOf(seen: readonly LeakChecked[]): Contradiction[] {
  return seen.flatMap((second, i) =>
    seen
      .slice(0, i)
      .filter((first) => contradict(first, second))
      .map((first) => ({ first, second })),
  )
}

export const contradictionWords = ({ first, second }: Contradiction): string =>
  W.andCannotBothBeOf(seenWords(first), seenWords(second))
