import { FLAG_WORDS, type FlagId } from './flags'
import { tokensOf } from './tokens'

/** What was asked of the book: words that begin something said, filters, and days of the shop, both included. */
export type Find = { tokens: string[]; flags: FlagId[]; from: string | null; to: string | null }

/** A piece of what was asked as it was understood: where in the text, and as what. */
export type Understood = { text: string; as: FlagId | 'days' }

const MOST_TOKENS = 12
/** Words people put between others, which nobody looks for. */
const BETWEEN = ['by', 'the', 'a', 'of', 'and', 'with', 'in', 'at', 'on', 'for', 'from', 'to']

/** Phrases of filters, the longest first: `found leaking` is not the word `found`. */
const PHRASES = (Object.entries(FLAG_WORDS) as [FlagId, readonly string[]][])
  .flatMap(([id, words]) => words.map((phrase) => ({ id, words: phrase.split(' ') })))
  .sort((a, b) => b.words.length - a.words.length)

/**
 * What somebody typed into the book's field, understood: filters by their words, days as `2026`, `2026-03`,
 * `2026-03-14`, `since 2026-03`, `until 2026-05`, `today`, `this year`, `last year`; what stands in quotes is words,
 * whatever it says.
 * @param today - the shop's day, such as `2026-11-27`
 */
export function understood(typed: string, today: string): Find & { pieces: Understood[] } {
  const find: Find = { tokens: [], flags: [], from: null, to: null }
  const pieces: Understood[] = []
  const quoted = [...typed.matchAll(/"([^"]*)"/g)].flatMap((m) => tokensOf(m[1] ?? ''))
  const words = typed
    .replace(/"[^"]*"?/g, ' ')
    .split(/\s+/)
    .filter(Boolean)
  for (let i = 0; i < words.length; ) {
    const rest = words.slice(i).map((w) => w.toLowerCase())
    const days = daysAt(rest, today)
    const phrase = PHRASES.find((p) => p.words.every((w, n) => w === rest[n]))
    const took = days?.took ?? phrase?.words.length ?? 1
    const text = words.slice(i, i + took).join(' ')
    if (days) {
      find.from = days.from ?? find.from
      find.to = days.to ?? find.to
      pieces.push({ text, as: 'days' })
    } else if (phrase) {
      find.flags.push(phrase.id)
      pieces.push({ text, as: phrase.id })
    } else find.tokens.push(...tokensOf(text).filter((t) => !BETWEEN.includes(t)))
    i += took
  }
  find.tokens = [...new Set([...find.tokens, ...quoted])].slice(0, MOST_TOKENS)
  find.flags = [...new Set(find.flags)]
  return { ...find, pieces }
}

type Days = { took: number; from?: string; to?: string }

/** Days that stand at the beginning of some words; null where none do. */
function daysAt([first = '', second = '']: readonly string[], today: string): Days | null {
  const year = Number(today.slice(0, 4))
  if (first === 'today') return { took: 1, from: today, to: today }
  if (first === 'this' && second === 'year') return { took: 2, ...spanOf(String(year)) }
  if (first === 'last' && second === 'year') return { took: 2, ...spanOf(String(year - 1)) }
  if (first === 'this' && second === 'month') return { took: 2, ...spanOf(today.slice(0, 7)) }
  const after = spanOf(second)
  if (after && (first === 'since' || first === 'from')) return { took: 2, from: after.from }
  if (after && (first === 'until' || first === 'to')) return { took: 2, to: after.to }
  const span = spanOf(first)
  return span && { took: 1, ...span }
}

/** First and last day of a year, a month or a day; null for what is none. */
function spanOf(written: string): { from: string; to: string } | null {
  // a day with points begins with the day wherever it is written so
  const pointed = /^(\d\d?)\.(\d\d?)\.(\d{4})$/.exec(written)
  const typed = pointed ? `${pointed[3]}-${pointed[2]?.padStart(2, '0')}-${pointed[1]?.padStart(2, '0')}` : written
  const match = /^((?:19|20)\d\d)(?:-(\d\d)(?:-(\d\d))?)?$/.exec(typed)
  if (!match) return null
  const [, y = '', m, d] = match
  const [year, month, day] = [Number(y), Number(m ?? 1), Number(d ?? 1)]
  const first = new Date(Date.UTC(year, month - 1, day))
  // 2026-02-31 is no day: it would be taken for March
  if (first.getUTCMonth() !== month - 1) return null
  const last = d ? first : new Date(Date.UTC(m ? year : year + 1, m ? month : 0, 0))
  return { from: first.toISOString().slice(0, 10), to: last.toISOString().slice(0, 10) }
}

/** The same text with a filter put in, or taken out where it was in. */
export function toggled(typed: string, id: FlagId, today: string): string {
  const { pieces } = understood(typed, today)
  const there = pieces.find((p) => p.as === id)
  if (!there) return [typed.trim(), FLAG_WORDS[id][0]].filter(Boolean).join(' ')
  return typed.replace(there.text, ' ').replace(/\s+/g, ' ').trim()
}
