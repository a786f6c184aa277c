import { OutOfRange, Unreadable } from '../errors'
import type { HoldSample, Problem } from '../hold/types'
import { W } from '../language/readings/hold-readings'
import { airOverTime } from '../units/air-over-time'
import { CHANNELS, type Channel, needleShowsPa, READING_UNITS, type ReadingUnit, toStored } from '../units/channel'
import { STANDARD_ATMOSPHERE_PA } from '../units/constants'
import type { PressureUnit } from '../units/pressure'
import { type NeedleReadings, needleSamples } from './needle-rows'

/** A row of a readings file as text, with its line number. */
export type ReadingRow = { line: number; at: string; channel: string; value: string; unit: string; note: string }

/** A fault in a readings file: the line and what is expected there. */
export class BadReading extends Error {
  readonly line: number
  constructor(line: number, message: string) {
    super(message)
    this.line = line
  }
}

/** A hold read from a file: samples since isolation, the air beside it when it was read, and what was passed over. */
export type HoldReadings = {
  samples: HoldSample[]
  /** what the readings themselves show to be wrong: a needle beyond the air, one that moves alone */
  problems: Problem[]
  barometerRead: boolean
  ambientC: number | null
  notices: string[]
}

type Parsed = { line: number; elapsedS: number; channel: Channel; value: number; unit: ReadingUnit; note: string }

/**
 * Turns the rows of a readings file into a hold.
 * @param timed - what the first column holds: seconds, or ISO 8601 times with offset
 * @param barometerPa - air of the place, Pa; needed for needle units unless the file has barometer rows
 * @throws BadReading naming the line
 */
export function holdReadings(
  rows: readonly ReadingRow[],
  timed: 'elapsed_s' | 'time',
  barometerPa: number | undefined,
): HoldReadings {
  const notices: string[] = []
  const parsed = rows.map((row) => parseRow(row, timed))
  for (let i = 1; i < parsed.length; i++) {
    const [before, now] = [parsed[i - 1] as Parsed, parsed[i] as Parsed]
    if (now.elapsedS < before.elapsedS) throw new BadReading(now.line, W.itsTimeLiesBeforeThat(before.line))
  }
  const gauges = gaugeRows(parsed)
  const isolated = gauges.findIndex((p, i) => i > 0 && /\bisolated\b/i.test(p.note))
  const from = Math.max(isolated, 0)
  if (from > 0) notices.push(W.isolatedAtLineTheRows((gauges[from] as Parsed).line, from))
  const air = airOf(parsed, barometerPa)
  const held = gauges.slice(from)
  const startS = (held[0] as Parsed).elapsedS
  const { samples, problems } = held.some(countsFromAir)
    ? needleSamples(needlesOf(held, air, startS))
    : { samples: absoluteSamples(held, startS, notices), problems: [] }
  const ambient = parsed
    .filter((p) => p.channel === 'ambient')
    .map((p) => toStored('ambient', p.value, p.unit, STANDARD_ATMOSPHERE_PA))
  return {
    samples,
    problems,
    barometerRead: air.read,
    ambientC: ambient.length > 0 ? ambient.reduce((a, b) => a + b, 0) / ambient.length : null,
    notices,
  }
}

/** The gauge that is judged: one of its own where there is one, else the manifold's needles. */
function gaugeRows(parsed: readonly Parsed[]): Parsed[] {
  const vacuum = parsed.filter((p) => p.channel === 'vacuum')
  const gauges = vacuum.length > 0 ? vacuum : parsed.filter((p) => p.channel === 'low' || p.channel === 'high')
  if (gauges.length === 0) throw new BadReading(2, W.thereIsNoRowOf)
  return gauges
}

/** A needle's figure counts from the air of the place; the channels low and high always do. */
const countsFromAir = (p: Parsed): boolean => p.unit === 'inHgV' || p.channel !== 'vacuum'

function needlesOf(rows: readonly Parsed[], air: Air, startS: number): NeedleReadings[] {
  const sides = [...new Set(rows.map((p) => p.channel))]
  return sides.map((side) => ({
    side,
    readings: rows
      .filter((p) => p.channel === side)
      .map((p) => ({ elapsedS: p.elapsedS - startS, shownPa: shownPa(p, air) })),
  }))
}

function absoluteSamples(rows: readonly Parsed[], startS: number, notices: string[]): HoldSample[] {
  const samples: HoldSample[] = []
  let same = 0
  for (const p of rows) {
    const pressurePa = stored(p, STANDARD_ATMOSPHERE_PA)
    const elapsedS = p.elapsedS - startS
    const before = samples[samples.length - 1]
    same = before?.elapsedS === elapsedS ? same + 1 : 0
    if (before && same > 0) {
      // the same moment twice: the mean of both, so that nothing is lost
      notices.push(W.lineRepeatsTheTimeOf(p.line))
      before.pressurePa += (pressurePa - before.pressurePa) / (same + 1)
    } else samples.push({ elapsedS, pressurePa })
  }
  return samples
}

function parseRow(row: ReadingRow, timed: 'elapsed_s' | 'time'): Parsed {
  const { line } = row
  const elapsedS = timed === 'elapsed_s' ? Number(row.at) : isoSeconds(row.at)
  if (row.at.trim() === '' || !Number.isFinite(elapsedS)) {
    throw new BadReading(
      line,
      W.isIsExpected(timed, row.at, timed === 'time' ? W.anIso8601TimeWith : W.aFiniteNumberOfSeconds),
    )
  }
  const channel = CHANNELS.find((c) => c === row.channel.trim())
  if (!channel) throw new BadReading(line, W.channelIsExpectedOneOf(row.channel, CHANNELS.join(', ')))
  const unit = READING_UNITS.find((u) => u === row.unit.trim())
  if (!unit) throw new BadReading(line, W.unitIsExpectedOneOf(row.unit, READING_UNITS.join(', ')))
  const value = Number(row.value)
  if (row.value.trim() === '' || !Number.isFinite(value)) throw new BadReading(line, W.valueIsAFiniteNumber(row.value))
  return { line, elapsedS, channel, value, unit, note: row.note }
}

function isoSeconds(text: string): number {
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$/.test(text.trim())) return Number.NaN
  return Date.parse(text.trim()) / 1000
}

type Air = ReturnType<typeof airOf>

/** The air of the place over time: barometer rows, straight between them; else the one figure given. */
const airOf = (parsed: readonly Parsed[], barometerPa: number | undefined) =>
  airOverTime(
    parsed
      .filter((p) => p.channel === 'barometer')
      .map((p) => ({ at: p.elapsedS, pa: stored(p, barometerPa ?? STANDARD_ATMOSPHERE_PA) })),
    barometerPa,
  )

function stored(p: Parsed, barometerPa: number): number {
  try {
    return toStored(p.channel, p.value, p.unit, barometerPa)
  } catch (error) {
    if (error instanceof Unreadable || error instanceof OutOfRange) throw new BadReading(p.line, error.message)
    throw error
  }
}

/** What a needle's dial says, Pa absolute; a figure in an absolute unit of a vacuum gauge as it is. */
function shownPa(p: Parsed, air: Air): number {
  if (!countsFromAir(p)) return stored(p, STANDARD_ATMOSPHERE_PA)
  const barometerPa = air.at(p.elapsedS)
  if (barometerPa === undefined) throw new BadReading(p.line, W.inCountsFromTheAir(p.channel, p.unit))
  // an upper bound and a wrong unit are still refused; too deep is the needle's own zero
  const pa = needleShowsPa(p.value, p.unit as PressureUnit, barometerPa)
  if (pa >= 0) stored(p, barometerPa)
  return pa
}
