import type { CarRate, NextShort } from '../book/car-loss'
import type { CarHold, CarVisit } from '../book/car-visit'
import { FLAG_WORDS, type FlagId } from '../book/flags'
import type { CarHoldAt, HoldsSay } from '../book/holds-over-years'
import type { FoundLine } from '../views'

const grams = (g: number): string => Math.round(g).toLocaleString('en').replace('-', '−')

/** How fast a car loses, in one sentence. */
export function rateWords(rate: CarRate | null): string {
  if (!rate) return 'How fast it loses is not known: it takes a charge here and a recovery after it.'
  const span = `${rate.spans === 1 ? 'one span' : `${rate.spans} spans`} between a charge and a recovery`
  if (rate.low <= 0) return `No loss is certain: by ${span} ${grams(rate.value)} g a year, at most ${grams(rate.high)}.`
  return `It loses ${grams(rate.value)} g a year (${grams(rate.low)} to ${grams(rate.high)}), by ${span}.`
}

/** Months ahead from which a car is called in before it is short (assumed: a season). */
const CALL_IN_MS = 180 * 86_400_000

/** When it will be short again, and whether to call it in. @param month - such as `March 2028` */
export function shortWords(short: NextShort | null, month: (ms: number) => string, nowMs: number): string {
  if (!short) return ''
  const { p10Ms, p50Ms, p90Ms } = short
  if (p50Ms === null)
    return p10Ms === null
      ? 'It is not short within twenty years.'
      : `One of ten such cars is short by ${month(p10Ms)}, most are not.`
  const when = p50Ms <= nowMs ? `It is likely short by now` : `Half of such cars are short by ${month(p50Ms)}`
  const spread =
    p10Ms === null ? '' : `, one of ten by ${month(p10Ms)}${p90Ms === null ? '' : `, nine of ten by ${month(p90Ms)}`}`
  const call = p50Ms - nowMs < CALL_IN_MS ? ' Call it in.' : ''
  return `${when}${spread}.${call}`
}

/** What a hold of the past said, in a few words. */
export function holdWords({
  verdict,
  leakGramsPerYear,
  provesGramsPerYear,
}: Pick<CarHold, 'verdict' | 'leakGramsPerYear' | 'provesGramsPerYear'>): string {
  const words = verdict.replaceAll('-', ' ')
  if (leakGramsPerYear !== null) return `${words}, ${grams(leakGramsPerYear)} g a year`
  return provesGramsPerYear === null ? words : `${words}, no leak above ${grams(provesGramsPerYear)} g a year`
}

/** What a job came to, in the fewest words: its last hold and its charge. */
export function visitWords(visit: CarVisit | null): string {
  if (!visit) return 'training'
  const hold = visit.holds.at(-1)
  const charged = visit.charged ? `${grams(visit.charged.grams)} g charged` : 'not charged'
  return [
    hold ? holdWords(hold) : '',
    visit.recoveredG === null ? '' : `${grams(visit.recoveredG)} g recovered`,
    charged,
  ]
    .filter((w) => w !== '')
    .join(' · ')
}

/** A hold among those of the years. */
export const holdAtWords = ({ verdict, leakG, limitG }: CarHoldAt): string =>
  holdWords({ verdict, leakGramsPerYear: leakG, provesGramsPerYear: limitG })

/** What a car's holds say together. */
export const holdsWords = (says: HoldsSay): string =>
  ({
    grows: 'The leak grows from hold to hold: look for it before the next charge.',
    mended: 'A leak was found and is gone since.',
    stays: 'It still leaks as it did.',
    nothing: 'No hold tells of a change.',
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
