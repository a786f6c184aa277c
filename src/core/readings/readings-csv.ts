import * as z from 'zod'
import { text, verbatim } from '../entry/text'
import { W } from '../language/readings/readings-csv'
import { READING_UNITS } from '../units/channel'
import { DAY_S } from '../units/constants'
import { BadReading, type ReadingRow } from './hold-readings'

/** A line of a CSV file, already split, with its number. */
export type CsvLine = { cells: string[]; line: number }

/** Rows of a readings file and what its first column holds. */
export type TimedRows = { rows: ReadingRow[]; timed: 'elapsed_s' | 'time' }

const COLUMNS = ['channel', 'value', 'unit'] as const

/**
 * Rows of a readings file as formats.md has it.
 * @throws BadReading naming the line and what is expected there
 */
export function rowsOfReadingsFile(lines: readonly CsvLine[]): TimedRows {
  const header = lines[0]?.cells ?? []
  const timed = timedBy(header)
  if (timed === null) {
    throw new BadReading(1, W.theHeaderIsElapsedS(header.join(',')))
  }
  if (header.length > 5 || (header.length === 5 && header[4] !== 'note'))
    throw new BadReading(1, W.theColumnIsNotKnown((header[4] === 'note' ? header[5] : header[4]) ?? ''))
  if (lines.length === 1) throw new BadReading(2, W.thereAreNoReadingsRows)
  const rows = lines.slice(1).map(({ cells, line }) => {
    if (cells.length < 4 || cells.length > header.length + (header.length === 4 ? 1 : 0))
      throw new BadReading(line, W.columnsAreExpected(cells.length, header.length))
    const [at = '', channel = '', value = '', unit = '', note = ''] = cells
    return { line, at, channel, value, unit, note }
  })
  return { rows, timed }
}

/** What a header of our own kind counts time in; null when it is none. */
export function timedBy(header: readonly string[]): TimedRows['timed'] | null {
  const first = header[0]
  if (first !== 'elapsed_s' && first !== 'time') return null
  return COLUMNS.every((c, i) => header[i + 1] === c) ? first : null
}

export const TIME_KINDS = ['s', 'min', 'clock', 'iso'] as const

/** Which column of a foreign logger's file is what, in which unit; kept by its name. */
export const ColumnMapping = z.strictObject({
  name: text(60),
  time: verbatim(200),
  timeKind: z.enum(TIME_KINDS),
  vacuum: verbatim(200),
  unit: z.enum(['micron', 'Pa', 'kPa', 'mbar', 'inHgV']),
})
export type ColumnMapping = z.infer<typeof ColumnMapping>

/**
 * Rows of a foreign wide file by a mapping. Rows without a vacuum figure are passed over, as loggers leave cells empty.
 * @throws BadReading where a column is missing or a cell cannot be read
 */
export function rowsOfForeignFile(lines: readonly CsvLine[], mapping: ColumnMapping): TimedRows {
  const header = lines[0]?.cells ?? []
  const column = (name: string): number => {
    const at = header.indexOf(name)
    if (at < 0) throw new BadReading(1, W.thereIsNoColumnColumns(name, header.join(', ')))
    return at
  }
  const [timeAt, vacuumAt] = [column(mapping.time), column(mapping.vacuum)]
  const kept = lines.slice(1).filter(({ cells }) => (cells[vacuumAt] ?? '').trim() !== '')
  let days = 0
  let lastS = Number.NEGATIVE_INFINITY
  const rows = kept.map(({ cells, line }): ReadingRow => {
    const text = (cells[timeAt] ?? '').trim()
    let at = text
    if (mapping.timeKind === 'min') at = String(number(text, line, mapping.time) * 60)
    if (mapping.timeKind === 's') at = String(number(text, line, mapping.time))
    if (mapping.timeKind === 'clock') {
      let s = clockSeconds(text, line) + days * DAY_S
      // past midnight the clock begins again
      if (s < lastS - DAY_S / 2) {
        days++
        s += DAY_S
      }
      lastS = s
      at = String(s)
    }
    return {
      line,
      at,
      channel: 'vacuum',
      value: String(number(cells[vacuumAt] ?? '', line, mapping.vacuum)),
      unit: mapping.unit,
      note: '',
    }
  })
  return { rows, timed: mapping.timeKind === 'iso' ? 'time' : 'elapsed_s' }
}

/** A figure as loggers write it: spaces and a decimal comma allowed. */
function number(text: string, line: number, column: string): number {
  const plain = text
    .trim()
    .replace(/\s/g, '')
    .replace(/^(-?\d+),(\d+)$/, '$1.$2')
  const value = Number(plain)
  if (plain === '' || !Number.isFinite(value)) throw new BadReading(line, W.inTheColumnIsNo(text, column))
  return value
}

function clockSeconds(text: string, line: number): number {
  const found = /(\d{1,2}):(\d{2})(?::(\d{2}(?:\.\d+)?))?$/.exec(text)
  if (!found) throw new BadReading(line, W.isNoTimeOfDay(text))
  return Number(found[1]) * 3600 + Number(found[2]) * 60 + Number(found[3] ?? 0)
}

/** What the columns of a foreign file most likely are, by their names; the user decides. */
export function guessMapping(header: readonly string[]): ColumnMapping {
  const find = (pattern: RegExp) => header.find((h) => pattern.test(h))
  const time = find(/elapsed|second|time|min|date/i) ?? header[0] ?? ''
  const vacuum = find(/vac|press|micron|mbar|pa\b/i) ?? header.find((h) => h !== time) ?? ''
  const unit = (READING_UNITS.filter((u) => ['micron', 'mbar', 'kPa', 'Pa', 'inHgV'].includes(u)).find((u) =>
    vacuum.toLowerCase().includes(u.toLowerCase()),
  ) ?? 'micron') as ColumnMapping['unit']
  const timeKind = /min/i.test(time)
    ? 'min'
    : /elapsed|second|\bs\b/i.test(time)
      ? 's'
      : /date|iso/i.test(time)
        ? 'iso'
        : 'clock'
  return { name: '', time, timeKind, vacuum, unit }
}
