import * as z from 'zod'
import { Id } from '../entry/id'
import { Day } from '../entry/instant'
import { text } from '../entry/text'
import { REFRIGERANTS } from '../fluids/refrigerants'
import { W } from '../language/book/former'
import { GRAMS_PER, type MassUnit, parseMass } from '../units/mass'
import type { CarVisit } from './car-visit'

export const FORMER_VERDICTS = ['tight', 'damp', 'leak', 'leak-and-damp', 'undecided'] as const

/** A job of a former life, as it is brought in: a car, a day, what came out and went in, g, and what was found. */
export const FormerLine = z
  .strictObject({
    id: Id,
    car: text(200),
    plate: text(40, 0),
    day: Day,
    recoveredG: z.number().min(0).max(20_000).nullable(),
    chargedG: z.number().min(20).max(20_000).nullable(),
    refrigerant: z.enum(REFRIGERANTS),
    verdict: z.enum(FORMER_VERDICTS).nullable(),
    note: text(200, 0),
  })
  .refine((l) => l.recoveredG !== null || l.chargedG !== null || l.verdict !== null || l.note !== '', {
    path: ['chargedG'],
    error: W.saysNothingNeitherWhatCame,
  })
export type FormerLine = z.infer<typeof FormerLine>

/** Which column of a file is what; an empty name is none. */
export const FORMER_COLUMNS = [
  'car',
  'plate',
  'date',
  'recovered',
  'charged',
  'verdict',
  'refrigerant',
  'note',
] as const
export type FormerColumn = (typeof FORMER_COLUMNS)[number]
export const DATE_ORDERS = { ymd: 'year-month-day', dmy: 'day.month.year', mdy: 'month/day/year' } as const
export const WEIGHT_UNITS = {
  g: W.grams,
  oz: W.ounces,
  lb: W.pounds,
  kg: W.kilograms,
  typed: W.withItsUnitInEach,
} as const
export type FormerMapping = {
  columns: Record<FormerColumn, string>
  dates: keyof typeof DATE_ORDERS
  weights: keyof typeof WEIGHT_UNITS
  /** where no column says it */
  refrigerant: (typeof REFRIGERANTS)[number]
}

/** What of a line cannot be: where, what stands there, and what is expected. */
export type FormerFault = { line: number; column: string; found: string; why: string }

/** Words by which columns are known at once. */
const KNOWN_BY: Record<FormerColumn, RegExp> = {
  car: /^(car|vehicle|name|unit)$/i,
  plate: /plate|reg/i,
  date: /date|day|when/i,
  recovered: /recover|out|reclaim/i,
  charged: /charg|filled|in$/i,
  verdict: /verdict|result|leak|hold/i,
  refrigerant: /refriger|gas/i,
  note: /note|remark|comment/i,
}

/** A first guess at which column is what. */
export function guessFormer(header: readonly string[]): FormerMapping {
  const taken = new Set<string>()
  const columns = Object.fromEntries(
    FORMER_COLUMNS.map((column) => {
      const found = header.find((h) => !taken.has(h) && KNOWN_BY[column].test(h.trim())) ?? ''
      if (found) taken.add(found)
      return [column, found]
    }),
  ) as Record<FormerColumn, string>
  return { columns, dates: 'ymd', weights: 'g', refrigerant: 'R-134a' }
}

export type FormerRow = { cells: readonly string[]; line: number }

/**
 * Rows of a file as lines of a former life, with everything that cannot be: mixed units, doubled rows, days that are
 * none.
 * @param newId - an id for each line, the same for the same file again, so that sent twice it is stored once
 * @param today - such as `2026-11-27`
 */
export function readFormer(
  header: readonly string[],
  rows: readonly FormerRow[],
  mapping: FormerMapping,
  today: string,
  newId: (row: string) => string,
): { lines: FormerLine[]; faults: FormerFault[] } {
  const lines: FormerLine[] = []
  const faults: FormerFault[] = []
  const seen = new Map<string, number>()
  for (const { cells, line } of rows) {
    const cell = (column: FormerColumn) => (cells[header.indexOf(mapping.columns[column])] ?? '').trim()
    const before = faults.length
    const fault = (column: FormerColumn, why: string) =>
      faults.push({ line, column: mapping.columns[column] || column, found: cell(column), why })
    if (cell('car') === '') fault('car', W.aCarHasAName)
    const day = dayOf(cell('date'), mapping.dates)
    if (day === null) fault('date', W.noDayIsExpected(DATE_ORDERS[mapping.dates]))
    else if (day > today) fault('date', W.liesAheadOfToday)
    const recovered = weightOf(cell('recovered'), mapping.weights)
    if ('why' in recovered) fault('recovered', recovered.why)
    const charged = weightOf(cell('charged'), mapping.weights)
    if ('why' in charged) fault('charged', charged.why)
    else if (charged.grams !== null && charged.grams < 20) fault('charged', W.gIsNoChargeIs(charged.grams.toFixed(1)))
    const verdict = verdictOf(cell('verdict'))
    if (verdict === undefined) fault('verdict', W.oneOfOrNothing(FORMER_VERDICTS.join(', ')))
    const named = cell('refrigerant')
    const refrigerant = named === '' ? mapping.refrigerant : REFRIGERANTS.find((r) => tidy(r) === tidy(named))
    if (refrigerant === undefined) fault('refrigerant', W.oneOf(REFRIGERANTS.join(', ')))
    const same = JSON.stringify([cell('car').toLowerCase(), cell('plate').toLowerCase(), day, recovered, charged])
    const first = seen.get(same)
    if (first !== undefined) fault('car', W.theSameAsLineOne(first))
    else seen.set(same, line)
    if (faults.length > before || day === null || refrigerant === undefined || verdict === undefined) continue
    const parsed = FormerLine.safeParse({
      id: newId(same),
      car: cell('car'),
      plate: cell('plate'),
      day,
      recoveredG: 'grams' in recovered ? recovered.grams : null,
      chargedG: 'grams' in charged ? charged.grams : null,
      refrigerant,
      verdict,
      note: cell('note').slice(0, 200),
    })
    if (parsed.success) lines.push(parsed.data)
    else
      for (const issue of parsed.error.issues)
        faults.push({ line, column: String(issue.path[0] ?? ''), found: '', why: issue.message })
  }
  return { lines, faults }
}

const tidy = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]/g, '')

/** A day as somebody's file has it; null where it is none. */
function dayOf(written: string, order: FormerMapping['dates']): string | null {
  const parts = /^(\d{1,4})[-./ ](\d{1,2})[-./ ](\d{1,4})/.exec(written)?.slice(1).map(Number)
  if (!parts) return null
  const [a, b, c] = parts as [number, number, number]
  const [y, m, d] = order === 'ymd' ? [a, b, c] : order === 'dmy' ? [c, b, a] : [c, a, b]
  const year = y < 100 ? y + 2000 : y
  const at = new Date(Date.UTC(year, m - 1, d))
  if (year < 1970 || at.getUTCMonth() !== m - 1 || at.getUTCDate() !== d) return null
  return at.toISOString().slice(0, 10)
}

/**
 * A weight of a cell, g; null where it is empty. A unit in a cell of a column that has another is a fault, not a
 * guess.
 */
function weightOf(cell: string, weights: FormerMapping['weights']): { grams: number | null } | { why: string } {
  if (cell === '' || cell === '-') return { grams: null }
  const bare = /^\d+(?:[.,]\d+)?$/.test(cell)
  if (weights === 'typed' && bare) return { why: W.aWeightWithoutAUnit }
  try {
    const { grams, unit } = parseMass(cell.replace(',', '.'), weights === 'typed' ? 'g' : (weights as MassUnit))
    if (weights !== 'typed' && !bare && GRAMS_PER[unit] !== GRAMS_PER[weights as MassUnit])
      return { why: W.inWhereTheColumnIs(unit, WEIGHT_UNITS[weights]) }
    return { grams }
  } catch (error) {
    return { why: (error as Error).message }
  }
}

const VERDICT_WORDS: Record<string, (typeof FORMER_VERDICTS)[number]> = {
  tight: 'tight',
  ok: 'tight',
  passed: 'tight',
  damp: 'damp',
  wet: 'damp',
  leak: 'leak',
  leaks: 'leak',
  leaking: 'leak',
  failed: 'leak',
  'leak and damp': 'leak-and-damp',
  'leak-and-damp': 'leak-and-damp',
  undecided: 'undecided',
}
/** What was found; null where nothing was said, undefined where nobody here knows the word. */
const verdictOf = (cell: string): (typeof FORMER_VERDICTS)[number] | null | undefined =>
  cell === '' || cell === '-' ? null : VERDICT_WORDS[cell.toLowerCase()]

/** A weight of a file nobody knows the scale of is this far off, g at 95 % (assumed). */
const FORMER_DOUBT_G = 20

/** What a line of a former life was for its car. @param leastG - the least its label allows; `at` - ISO 8601 */
export const formerVisit = (l: FormerLine, at: string, label: { leastG: number; labelG: number }): CarVisit => ({
  jobId: l.id,
  at,
  refrigerant: l.refrigerant,
  recoveredG: l.recoveredG,
  charged: l.chargedG === null ? null : { grams: l.chargedG, plusMinusG: FORMER_DOUBT_G, at, counted: false },
  offTargetG: null,
  deepest: null,
  ...label,
  holds:
    l.verdict === null ? [] : [{ at, heldS: 0, verdict: l.verdict, leakGramsPerYear: null, provesGramsPerYear: null }],
  renewed: [],
  mended: [],
  notes: l.note === '' ? [] : [l.note],
  procedure: W.broughtInFromAFile,
  ended: 'former',
})
