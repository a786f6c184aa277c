import type { JobEvent } from '../job/events'
import { chargedG, countsAsWork, type JobState } from '../job/state'

/** What a job is looked for by, besides its words: the words of the filter, others that mean the same, and whether it holds. */
type Flag = { words: string; also: readonly string[]; holds: (state: JobState, events: readonly JobEvent[]) => boolean }

const lastVerdict = ({ holds }: JobState) => holds.findLast((h) => h.ended)?.ended?.verdict
const has = (kind: JobEvent['kind']) => (_state: JobState, events: readonly JobEvent[]) =>
  events.some((e) => e.kind === kind)
const found = (verdict: ReturnType<typeof lastVerdict>) => (state: JobState) => lastVerdict(state) === verdict

/** Whether what went in lies outside what the label allows around what was planned. */
function offTarget(state: JobState): boolean {
  const { plan, opened, counted, containers } = state
  const targetG = counted?.targetG ?? plan?.targetG
  const weighed = containers.some((c) => c.endedAt) || (counted?.emptied.length ?? 0) > 0
  return targetG !== undefined && weighed && Math.abs(chargedG(state) - targetG) > opened.label.toleranceG
}

export const FLAGS = {
  unsigned: { words: 'unsigned', also: ['not signed'], holds: (s) => !s.signed },
  signed: { words: 'signed', also: [], holds: (s) => s.signed !== undefined },
  closed: { words: 'ended early', also: ['closed'], holds: (s) => s.closed !== undefined && !s.signed },
  skipped: { words: 'skipped hold', also: ['hold skipped'], holds: (s) => s.holds.some((h) => h.skipped) },
  shortened: { words: 'shortened hold', also: ['hold ended early'], holds: (s) => s.holds.some((h) => h.shortened) },
  caution: { words: 'caution passed', also: ['cautions passed'], holds: has('caution-passed') },
  corrected: { words: 'corrected', also: [], holds: (s) => s.corrections.length > 0 },
  tight: { words: 'found tight', also: ['tight', 'verdict tight'], holds: found('tight') },
  damp: { words: 'found damp', also: ['damp', 'wet', 'verdict damp'], holds: found('damp') },
  leak: {
    words: 'found leaking',
    also: ['leak', 'leaking', 'leaks', 'verdict leak'],
    holds: (s) => found('leak')(s) || found('leak-and-damp')(s),
  },
  undecided: { words: 'undecided', also: ['verdict undecided'], holds: found('undecided') },
  invalid: { words: 'invalid hold', also: ['invalid', 'verdict invalid'], holds: found('invalid') },
  accepted: { words: 'leak accepted', also: [], holds: (s) => s.accepted !== undefined },
  'off-target': { words: 'off target', also: [], holds: offTarget },
  counted: { words: 'cans counted', also: ['not weighed'], holds: (s) => (s.counted?.emptied.length ?? 0) > 0 },
  pictured: { words: 'with photograph', also: ['with photographs'], holds: (s) => s.photos.length > 0 },
  training: { words: 'training', also: ['demonstration'], holds: (s) => !countsAsWork(s) },
} as const satisfies Record<string, Flag>

export type FlagId = keyof typeof FLAGS | 'former'
/** Set by an import, not by any event. */
const FORMER = { words: 'of a former life', also: ['imported'] }

/** Words of every filter, its own first. */
export const FLAG_WORDS = Object.fromEntries(
  [...Object.entries(FLAGS), ['former', FORMER] as const].map(([id, f]) => [id, [f.words, ...f.also]]),
) as unknown as Record<FlagId, readonly string[]>

/** Filters that hold for a job. @param events - all of its own */
export const flagsOf = (state: JobState, events: readonly JobEvent[]): FlagId[] =>
  (Object.keys(FLAGS) as (keyof typeof FLAGS)[]).filter((id) => (FLAGS[id] as Flag).holds(state, events))
