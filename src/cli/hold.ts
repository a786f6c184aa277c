import { existsSync, readdirSync } from 'node:fs'
import { basename, join } from 'node:path'
import { parse } from 'csv-parse/sync'
import { decidedAt } from '@/core/hold/decided'
import { historyAgainst } from '@/core/hold/history'
import { contextOfFile, HoldContextFile, resultAsFile } from '@/core/hold/hold-file'
import { judgeHold } from '@/core/hold/judge'
import { BadReading, type HoldReadings, holdReadings } from '@/core/readings/hold-readings'
import { type CsvLine, rowsOfReadingsFile } from '@/core/readings/readings-csv'
import { rulesOn } from '@/core/schools/rules'
import { BadInput, type Command, emit, readArgs, readJsonFile, readTextFile } from './command'

/** `hold readings.csv --context context.json`: the judge on a file, or on a folder of them. */
export const hold: Command = {
  usage: 'readings.csv --context context.json | --batch DIR [--context context.json] --json-lines',
  does:
    'Judges a hold: tight, damp, leaking, undecided or invalid, how sure, the rise that does not die, ' +
    'and what it proves in grams a year.',
  options: {
    '--context FILE':
      'volume, instrument, place, story and earlier hold: sustained_rise_Pa_s, probability and hands_on as its result ' +
      'has them, and pulled_s_since',
    '--batch DIR':
      'every .csv of a folder; its context is NAME.context.json or NAME.json beside it, else context.json of the ' +
      'folder, else --context',
    '--json-lines':
      'with --batch: one JSON object a line, with the file’s name; a file that cannot be read gives its error there',
    '--rules': 'what the schools’ simple rules would have said, beside the judge',
  },
  run: (args) => {
    const { values, positionals } = readArgs(args, {
      context: { type: 'string' },
      batch: { type: 'string' },
      'json-lines': { type: 'boolean' },
      rules: { type: 'boolean' },
    })
    const context = values.context as string | undefined
    const rules = values.rules === true
    if (values.batch !== undefined) {
      if (positionals.length > 0) throw new BadInput('--batch takes a folder and no single file beside it')
      return batch(values.batch as string, context, rules)
    }
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('hold takes one readings file')
    if (context === undefined)
      throw new BadInput('--context is missing: the judge needs at least the volume and the kind of instrument')
    const result = judgeFile(file, context, rules)
    emit(values.json === true, result, (r) => `${r.verdict}\n${r.reasons.join('\n')}`)
    return 0
  },
}

function batch(folder: string, context: string | undefined, rules: boolean): number {
  if (!existsSync(folder)) throw new BadInput(`${folder}: there is no such folder`)
  const files = readdirSync(folder)
    .filter((f) => f.toLowerCase().endsWith('.csv'))
    .sort()
  if (files.length === 0) throw new BadInput(`${folder}: there is no .csv file in it`)
  let failed = 0
  for (const name of files) {
    const file = join(folder, name)
    try {
      process.stdout.write(
        `${JSON.stringify({ file: name, ...judgeFile(file, contextBeside(file, folder, context), rules) })}\n`,
      )
    } catch (error) {
      if (!(error instanceof BadInput)) throw error
      failed++
      process.stdout.write(`${JSON.stringify({ file: name, error: error.message })}\n`)
      process.stderr.write(`yperos: ${error.message}\n`)
    }
  }
  return failed > 0 ? 2 : 0
}

function contextBeside(file: string, folder: string, given: string | undefined): string {
  const stem = file.replace(/\.csv$/i, '')
  const found = [`${stem}.context.json`, `${stem}.json`, join(folder, 'context.json'), given].find(
    (f) => f !== undefined && existsSync(f),
  )
  if (!found)
    throw new BadInput(
      `${file}: there is no context for it; put ${basename(stem)}.context.json beside it or give --context`,
    )
  return found
}

function judgeFile(file: string, contextFile: string, rules: boolean) {
  const given = readJsonFile(contextFile, HoldContextFile)
  const read = readHold(file, given.barometer_Pa)
  for (const notice of read.notices.slice(0, 5)) process.stderr.write(`yperos: ${file}: ${notice}\n`)
  const heldS = read.samples[read.samples.length - 1]?.elapsedS ?? 0
  const context = contextOfFile(given, heldS, read)
  const result = judgeHold(read.samples, context)
  const history = historyAgainst(result, given.grams_lost ?? null, given.days_since_charge ?? null)
  const out = resultAsFile(result, decidedAt(read.samples, context, result), history ? [history.words] : [])
  return rules
    ? {
        ...out,
        rules: rulesOn(read.samples, context).map((r) => ({
          rule: r.rule,
          says: r.says,
          at_s: r.atS,
          lets_through_g_per_year: r.letsThrough,
        })),
      }
    : out
}

function readHold(file: string, barometerPa: number | undefined): HoldReadings {
  const lines = linesOf(file)
  try {
    const { rows, timed } = rowsOfReadingsFile(lines)
    return holdReadings(rows, timed, barometerPa)
  } catch (error) {
    if (error instanceof BadReading) throw new BadInput(`${file}:${error.line}: ${error.message}`)
    throw error
  }
}

function linesOf(file: string): CsvLine[] {
  const text = readTextFile(file)
  try {
    const records = parse(text, {
      info: true,
      bom: true,
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
    }) as unknown as {
      record: string[]
      info: { lines: number }
    }[]
    return records.map(({ record, info }) => ({ cells: record, line: info.lines }))
  } catch (error) {
    throw new BadInput(`${file}: is not CSV: ${(error as Error).message}`)
  }
}
