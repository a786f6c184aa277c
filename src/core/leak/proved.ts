import type { HoldEnded } from '../job/events'
import type { JobState, LeakMended } from '../job/state'
import type { Say } from '../units/say'
import { PLACES } from './places'
import { seenWords } from './seen-words'

/** The leak that was mended before a hold that ended at this time; undefined where none was. */
export const mendedBefore = (
  { leaksFound }: Pick<JobState, 'leaksFound'>,
  isolatedAt: string,
): LeakMended | undefined => leaksFound.findLast((found) => found.when <= isolatedAt)

/** Whether what was mended was it: the rise before and after, and what is left; nothing where no leak was mended before. */
export function mendedWords(state: JobState, isolatedAt: string, ended: HoldEnded, say: Say): string[] {
  const mended = mendedBefore(state, isolatedAt)
  if (!mended) return []
  const place = PLACES[mended.at].name
  const [was, is] = [mended.before?.risePaS, ended.risePaS]
  const fell =
    was === null || was === undefined || is === null
      ? ''
      : `: the rise went from ${say.rate(was)} to ${say.rate(Math.max(0, is))}`
  const leaks = ended.verdict.startsWith('leak')
  if (leaks)
    return [
      is !== null && was !== null && was !== undefined && is < was / 2
        ? `The ${place} was one of them${fell}. Another is left.`
        : `The ${place} was not it${fell}.`,
    ]
  if (ended.verdict !== 'tight') return []
  const nothing =
    ended.provesGramsPerYear === null ? '' : ` Nothing above ${say.aYear(ended.provesGramsPerYear)} is left.`
  // a hold that was tight before too says nothing of a core under its coupler, or of a seal that opens under pressure
  return mended.before?.verdict === 'tight'
    ? [`It held before the ${place} was mended, too: this hold cannot tell whether that was it. The weight will.`]
    : [`The ${place} was it${fell}.${nothing}`]
}

/** What the record says of the leak: each place that was mended with what the hold behind it made of it, and a search that found none. */
export function leakRecord(state: JobState, say: Say): { name: string; words: string }[] {
  const found = state.leaksFound.map((leak) => {
    const behind = state.holds.find((h) => h.ended && h.isolatedAt >= leak.when)
    const proved = behind?.ended
      ? mendedWords(state, behind.isolatedAt, behind.ended, say)
      : ['No hold was made after it.']
    const sure = `${Math.round(100 * leak.sure)} of 100 sure`
    return { name: 'Leak', words: [`${PLACES[leak.at].name}, ${sure}: ${leak.done}; ${leak.by}.`, ...proved].join(' ') }
  })
  const ended = state.search?.ended
  if (!ended || !state.search) return found
  const seen = state.search.seen.map((s) => seenWords(s.seen)).join('; ')
  const dye = ended.dye ? ' Dye goes in with the charge.' : ''
  return [
    ...found,
    { name: 'Leak not found', words: `${seen || 'nothing was looked at'}. Ended: ${ended.why}; ${ended.by}.${dye}` },
  ]
}
