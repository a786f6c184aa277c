import type { HoldEnded } from '../job/events'
import type { JobState, LeakMended } from '../job/state'
import { W } from '../language/leak/proved'
import type { Say } from '../units/say'
import { PLACES } from './places'
import { seenWords } from './seen-words'

/** The leak that was mended before a hold that ended at this time; undefined where none was. */
export const mendedBefore = (
  { leaksFound }: Pick<JobState, 'leaksFound'>,
  isolatedAt: string,
): LeakMended | undefined => leaksFound.findLast((found) => found.when <= isolatedAt)

/**
 * Whether what was mended was it: the rise before and after, and what is left; nothing where no leak was mended
 * before.
 */
export function mendedWords(state: JobState, isolatedAt: string, ended: HoldEnded, say: Say): string[] {
  const mended = mendedBefore(state, isolatedAt)
  if (!mended) return []
  const place = PLACES[mended.at].name
  const [was, is] = [mended.before?.risePaS, ended.risePaS]
  const fell =
    was === null || was === undefined || is === null
      ? ''
      : W.theRiseWentFromTo(say.rate(was), say.rate(Math.max(0, is)))
  const leaks = ended.verdict.startsWith('leak')
  if (leaks)
    return [
      is !== null && was !== null && was !== undefined && is < was / 2
        ? W.theWasOneOfThem(place, fell)
        : W.theWasNotIt(place, fell),
    ]
  if (ended.verdict !== 'tight') return []
  const nothing = ended.provesGramsPerYear === null ? '' : W.nothingAboveIsLeft(say.aYear(ended.provesGramsPerYear))
  // a hold that was tight before too says nothing of a core under its coupler, or of a seal that opens under pressure
  return mended.before?.verdict === 'tight' ? [W.itHeldBeforeTheWas(place)] : [W.theWasIt(place, fell, nothing)]
}

/**
 * What the record says of the leak: each place that was mended with what the hold behind it made of it, and a search
 * that found none.
 */
export function leakRecord(state: JobState, say: Say): { name: string; words: string }[] {
  const found = state.leaksFound.map((leak) => {
    const behind = state.holds.find((h) => h.ended && h.isolatedAt >= leak.when)
    const proved = behind?.ended ? mendedWords(state, behind.isolatedAt, behind.ended, say) : [W.noHoldWasMadeAfter]
    const sure = W.of100Sure(Math.round(100 * leak.sure))
    return { name: W.leak, words: [`${PLACES[leak.at].name}, ${sure}: ${leak.done}; ${leak.by}.`, ...proved].join(' ') }
  })
  const ended = state.search?.ended
  if (!ended || !state.search) return found
  const seen = state.search.seen.map((s) => seenWords(s.seen)).join('; ')
  const dye = ended.dye ? W.dyeGoesInWithThe : ''
  return [...found, { name: W.leakNotFound, words: W.ended(seen || W.nothingWasLookedAt, ended.why, ended.by, dye) }]
}
