import type { CarRate, NextShort } from '../book/car-loss'
import type { CarHold, CarVisit } from '../book/car-visit'
import { FLAG_WORDS, type FlagId } from '../book/flags'
import type { CarHoldAt, HoldsSay } from '../book/holds-over-years'
import { codeWords } from '../language/codes'
import { W } from '../language/said/book'
import { DAY_MS } from '../units/constants'
import type { FoundLine } from '../views'

const grams = (g: number): string => Math.round(g).toLocaleString('en').replace('-', '−')

/** How fast a car loses, in one sentence. */
export function rateWords(rate: CarRate | null): string {
  if (!rate) return W.howFastItLosesIs
  const span = W.betweenAChargeAndA(rate.spans === 1 ? W.oneSpan : W.spans(rate.spans))
  if (rate.low <= 0) return W.noLossIsCertainBy(span, grams(rate.value), grams(rate.high))
  return W.itLosesGAYear(grams(rate.value), grams(rate.low), grams(rate.high), span)
}

/** Months ahead from which a car is called in before it is short (assumed: a season). */
const CALL_IN_MS = 180 * DAY_MS

/** When it will be short again, and whether to call it in. @param month - such as `March 2028` */
export function shortWords(short: NextShort | null, month: (ms: number) => string, nowMs: number): string {
  if (!short) return ''
  const { p10Ms, p50Ms, p90Ms } = short
  if (p50Ms === null) return p10Ms === null ? W.itIsNotShortWithin : W.oneOfTenSuchCars(month(p10Ms))
  const when = p50Ms <= nowMs ? W.itIsLikelyShortBy : W.halfOfSuchCarsAre(month(p50Ms))
  const spread = p10Ms === null ? '' : W.oneOfTenBy(month(p10Ms), p90Ms === null ? '' : W.nineOfTenBy(month(p90Ms)))
  const call = p50Ms - nowMs < CALL_IN_MS ? W.callItIn : ''
  return `${when}${spread}.${call}`
}

/** What a hold of the past said, in a few words. */
export function holdWords({
  verdict,
  leakGramsPerYear,
  provesGramsPerYear,
}: Pick<CarHold, 'verdict' | 'leakGramsPerYear' | 'provesGramsPerYear'>): string {
  const words = codeWords(verdict)
  if (leakGramsPerYear !== null) return W.gAYear(words, grams(leakGramsPerYear))
  return provesGramsPerYear === null ? words : W.noLeakAboveGA(words, grams(provesGramsPerYear))
}

/** What a job came to, in the fewest words: its last hold and its charge. */
export function visitWords(visit: CarVisit | null): string {
  if (!visit) return codeWords('training')
  const hold = visit.holds.at(-1)
  const charged = visit.charged ? W.gCharged(grams(visit.charged.grams)) : W.notCharged
  return [hold ? holdWords(hold) : '', visit.recoveredG === null ? '' : W.gRecovered(grams(visit.recoveredG)), charged]
    .filter((w) => w !== '')
    .join(' · ')
}

/** A hold among those of the years. */
export const holdAtWords = ({ verdict, leakG, limitG }: CarHoldAt): string =>
  holdWords({ verdict, leakGramsPerYear: leakG, provesGramsPerYear: limitG })

/** What a car's holds say together. */
export const holdsWords = (says: HoldsSay): string =>
  ({
    grows: W.theLeakGrowsFromHold,
    mended: W.aLeakWasFoundAnd,
    stays: W.itStillLeaksAsIt,
    nothing: W.noHoldTellsOfA,
  })[says]

/** Filters that are worth a word in a line: not what every finished job has, nor what its verdict says already. */
const PLAIN: readonly FlagId[] = ['signed', 'tight', 'damp', 'leak', 'undecided', 'invalid']

/** A line that was found, in words: what it came to, and what else holds for it. */
export function foundWords({ visit, flags, line }: Pick<FoundLine, 'visit' | 'flags' | 'line'>): {
  words: string
  also: string
} {
  const came = visitWords(visit)
  const open = flags.includes('unsigned') && line !== ''
  return {
    words: open ? [line, came].filter((w) => w !== 'not charged').join(' · ') : came,
    also: flags
      .filter((f) => !PLAIN.includes(f))
      .map((f) => FLAG_WORDS[f][0])
      .join(' · '),
  }
}
