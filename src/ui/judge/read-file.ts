import { parse } from 'csv-parse/browser/esm/sync'
import { W } from '@/core/language/screen/judge'
import type { HoldReadings } from '@/core/readings/hold-readings'
import { BadReading, holdReadings } from '@/core/readings/hold-readings'
import {
  type ColumnMapping,
  type CsvLine,
  rowsOfForeignFile,
  rowsOfReadingsFile,
  timedBy,
} from '@/core/readings/readings-csv'

/** A dropped file split into cells; what divides them is found from its first line. */
export function linesOf(text: string): CsvLine[] {
  const first = text.slice(0, text.indexOf('\n') < 0 ? text.length : text.indexOf('\n'))
  const delimiter = ['\t', ';', ','].reduce(
    (best, d) => (first.split(d).length > first.split(best).length ? d : best),
    ',',
  )
  const records = parse(text, {
    info: true,
    bom: true,
    delimiter,
    skip_empty_lines: true,
    relax_column_count: true,
    trim: true,
  }) as unknown as {
    record: string[]
    info: { lines: number }
  }[]
  return records.map(({ record, info }) => ({ cells: record, line: info.lines }))
}

/** True when the file needs no mapping. */
export const isOwnFormat = (lines: readonly CsvLine[]): boolean => timedBy(lines[0]?.cells ?? []) !== null

/** A typed table without a header: minutes and micron, or any unit after the figure, one reading a line. */
export function linesOfTable(text: string): CsvLine[] {
  const body = text
    .split('\n')
    .map((row, i) => ({ row: row.trim(), line: i + 1 }))
    .filter(({ row }) => row !== '')
  const cells = body.map(({ row, line }) => {
    const found = /^([\d.,]+)\s*(?:min)?[\s;:,\t]+(-?[\d.,]+)\s*(micron|u|Pa|kPa|mbar|inHg|inHgV)?$/i.exec(row)
    if (!found) throw new BadReading(line, W.isNoLineSuchAs(row))
    const unit = { micron: 'micron', u: 'micron', pa: 'Pa', kpa: 'kPa', mbar: 'mbar', inhg: 'inHgV', inhgv: 'inHgV' }[
      (found[3] ?? 'micron').toLowerCase()
    ] as string
    return {
      cells: [
        String(Number((found[1] as string).replace(',', '.')) * 60),
        'vacuum',
        (found[2] as string).replace(',', '.'),
        unit,
      ],
      line,
    }
  })
  return [{ cells: ['elapsed_s', 'channel', 'value', 'unit'], line: 0 }, ...cells]
}

/** True when a text begins with a figure: typed, not exported. */
export const isTypedTable = (text: string): boolean =>
  /^\s*[\d.,]+\s*(min)?[\s;:,\t]+-?[\d.,]+\s*[a-zA-Z]*\s*$/.test(text.split('\n').find((l) => l.trim() !== '') ?? '')

/** The hold in a file. @throws BadReading with the line */
export function readHoldFile(
  lines: readonly CsvLine[],
  mapping: ColumnMapping | null,
  barometerPa: number,
): HoldReadings {
  const { rows, timed } = mapping ? rowsOfForeignFile(lines, mapping) : rowsOfReadingsFile(lines)
  return holdReadings(rows, timed, barometerPa)
}
