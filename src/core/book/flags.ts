import type { JobEvent } from '../job/events'
import { chargedG, countsAsWork, type JobState } from '../job/state'
import { W } from '../language/book/flags'

/**
 * What a job is looked for by, besides its words: the words of the filter, others that mean the same, and whether it
 * holds.
 */
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
  unsigned: { words: W.unsigned, also: [W.notSigned], holds: (s) => !s.signed },
  signed: { words: W.signed, also: [], holds: (s) => s.signed !== undefined },
  closed: { words: W.endedEarly, also: ['closed'], holds: (s) => s.closed !== undefined && !s.signed },
  skipped: { words: W.skippedHold, also: [W.holdSkipped], holds: (s) => s.holds.some((h) => h.skipped) },
  shortened: { words: W.shortenedHold, also: [W.holdEndedEarly], holds: (s) => s.holds.some((h) => h.shortened) },
  caution: { words: W.cautionPassed, also: [W.cautionsPassed], holds: has('caution-passed') },
  corrected: { words: W.corrected, also: [], holds: (s) => s.corrections.length > 0 },
  tight: { words: W.foundTight, also: ['tight', W.verdictTight], holds: found('tight') },
  damp: { words: W.foundDamp, also: ['damp', 'wet', W.verdictDamp], holds: found('damp') },
  leak: {
    words: W.foundLeaking,
    also: ['leak', 'leaking', 'leaks', W.verdictLeak],
    holds: (s) => found('leak')(s) || found('leak-and-damp')(s),
  },
  undecided: { words: W.undecided, also: [W.verdictUndecided], holds: found('undecided') },
  invalid: { words: W.invalidHold, also: ['invalid', W.verdictInvalid], holds: found('invalid') },
  accepted: { words: W.leakAccepted, also: [], holds: (s) => s.accepted !== undefined },
  'off-target': { words: W.offTarget, also: [], holds: offTarget },
  counted: { words: W.cansCounted, also: [W.notWeighed], holds: (s) => (s.counted?.emptied.length ?? 0) > 0 },
  pictured: { words: W.withPhotograph, also: [W.withPhotographs], holds: (s) => s.photos.length > 0 },
  training: { words: W.training, also: ['demonstration'], holds: (s) => !countsAsWork(s) },
} as const satisfies Record<string, Flag>

export type FlagId = keyof typeof FLAGS | 'former'
/** Set by an import, not by any event. */
const FORMER = { words: W.ofAFormerLife, also: ['imported'] }

/** Words of every filter, its own first. */
export const FLAG_WORDS = Object.fromEntries(
  [...Object.entries(FLAGS), ['former', FORMER] as const].map(([id, f]) => [id, [f.words, ...f.also]]),
) as unknown as Record<FlagId, readonly string[]>

/** Filters that hold for a job. @param events - all of its own */
export const flagsOf = (state: JobState, events: readonly JobEvent[]): FlagId[] =>
  (Object.keys(FLAGS) as (keyof typeof FLAGS)[]).filter((id) => (FLAGS[id] as Flag).holds(state, events))
