import { parse } from 'csv-parse/sync'
import { HORIZON_S, type PullAsked } from '@/core/pull/asked'
import { askedOfFile, PullContextFile, standsAsFile } from '@/core/pull/pull-file'
import { whereItStands } from '@/core/pull/running-pull'
import { BadReading } from '@/core/readings/hold-readings'
import { rowsOfReadingsFile, timedBy } from '@/core/readings/readings-csv'
import { SimulationFailed } from '@/core/rig/simulate'
import { READING_UNITS, type ReadingUnit, toStored } from '@/core/units/channel'
import { STANDARD_ATMOSPHERE_PA } from '@/core/units/constants'
import { BadInput, type Command, emit, readArgs, readJsonFile, readTextFile } from './command'

/** `pull readings.csv --context context.json`: where a running pull stands, and how long it still takes. */
export const pull: Command = {
  usage: 'readings.csv --context context.json',
  does:
    'Weighs the prediction of a pull by what was read of it so far: how long it still takes, ' +
    'whether it gets there, and what stands in its way.',
  options: {
    '--context FILE': 'rig, gauge and target; story, instrument, now_s and the air of the place where they are known',
  },
  run: (args) => {
    const { values, positionals } = readArgs(args, { context: { type: 'string' } })
    const file = positionals[0]
    if (!file || positionals.length > 1) throw new BadInput('pull takes one readings file')
    if (values.context === undefined)
      throw new BadInput('--context is missing: the pull needs its rig, its gauge and its target')
    const context = readJsonFile(values.context as string, PullContextFile)
    const barometerPa = context.barometer_Pa ?? context.rig.barometer_Pa ?? STANDARD_ATMOSPHERE_PA
    const asked = askedOfFile(context, readingsOf(file, barometerPa))
    try {
      emit(values.json === true, standsAsFile(whereItStands(asked)), words)
    } catch (error) {
      if (error instanceof SimulationFailed) throw new BadInput(`${values.context}: ${error.message}`)
      throw error
    }
    return 0
  },
}

/** The vacuum readings of a file, s and Pa; none is no fault: then the answer is the forecast. */
function readingsOf(file: string, barometerPa: number): PullAsked['readings'] {
  const lines = (
    parse(readTextFile(file), {
      info: true,
      bom: true,
      skip_empty_lines: true,
      relax_column_count: true,
      trim: true,
    }) as unknown as {
      record: string[]
      info: { lines: number }
    }[]
  ).map(({ record, info }) => ({ cells: record, line: info.lines }))
  try {
    if (lines.length === 1 && timedBy(lines[0]?.cells ?? []) !== null) return []
    const { rows, timed } = rowsOfReadingsFile(lines)
    const vacuum = rows.filter((r) => r.channel === 'vacuum')
    const firstMs = Date.parse(vacuum[0]?.at ?? '')
    let before = Number.NEGATIVE_INFINITY
    return vacuum.map(({ line, at, value, unit }) => {
      const tS = timed === 'elapsed_s' ? Number(at) : (Date.parse(at) - firstMs) / 1000
      if (!Number.isFinite(tS) || at === '') throw new BadReading(line, `"${at}" is no time; ${timed} is expected`)
      if (tS < before) throw new BadReading(line, `${at} lies before the reading above it; times must not go backwards`)
      before = tS
      return { tS, pa: pascals(line, value, unit, barometerPa) }
    })
  } catch (error) {
    if (error instanceof BadReading) throw new BadInput(`${file}:${error.line}: ${error.message}`)
    throw error
  }
}

function pascals(line: number, value: string, unit: string, barometerPa: number): number {
  const figure = Number(value)
  if (value === '' || !Number.isFinite(figure)) throw new BadReading(line, `"${value}" is no number`)
  if (!(READING_UNITS as readonly string[]).includes(unit))
    throw new BadReading(line, `the unit "${unit}" is not known; units are ${READING_UNITS.join(', ')}`)
  try {
    return Math.max(0.01, toStored('vacuum', figure, unit as ReadingUnit, barometerPa))
  } catch (error) {
    throw new BadReading(line, (error as Error).message)
  }
}

const minutes = (s: number | null): string =>
  s === null ? `not within ${HORIZON_S / 3600} hours` : `${Math.round(s / 60)} min`

function words(r: ReturnType<typeof standsAsFile>): string {
  const { p10, p50, p90 } = r.to_target_s
  return [
    `${Math.round(100 * r.reaches)} of 100 get there within ${HORIZON_S / 3600} hours: ` +
      `half of them by ${minutes(p50)}, from ${minutes(p10)} to ${minutes(p90)}`,
    `${r.far_Pa.value.toPrecision(3)} Pa at the farthest gauge; water left ${r.water_left_g.low.toPrecision(2)} to ` +
      `${r.water_left_g.high.toPrecision(2)} g`,
    ...r.stands.map((s) => `${String(Math.round(100 * s.probability)).padStart(3)} % ${s.kind}`),
  ].join('\n')
}
