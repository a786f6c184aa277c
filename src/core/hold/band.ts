import type { HoldReading } from './samples'

/** Where the next readings are expected after the last ones: a straight line with its spread. Job time ms, Pa. */
export type Band = { atMs: number; pa: number; slopePaMs: number; spreadPa: number }

/** The line is drawn through so much of the record's end, ms of job time, and so many readings at most. */
const DRAWN_MS = 300_000
const DRAWN_MOST = 120
/**
 * A reading has left the band beyond so many spreads; a spread is never less than this share of the pressure
 * (assumed).
 */
const SPREADS = 6
const LEAST_SHARE = 0.004

/** Where readings are expected from here on, by the last ones; null while there are too few. */
export function bandAfter(readings: readonly HoldReading[]): Band | null {
  const last = readings.at(-1)
  if (!last) return null
  const drawn = readings.slice(-DRAWN_MOST).filter((r) => r.at >= last.at - DRAWN_MS)
  if (drawn.length < 5) return null
  const n = drawn.length
  const meanT = drawn.reduce((s, r) => s + (r.at - last.at), 0) / n
  const meanP = drawn.reduce((s, r) => s + r.value, 0) / n
  const tt = drawn.reduce((s, r) => s + (r.at - last.at - meanT) ** 2, 0)
  const tp = drawn.reduce((s, r) => s + (r.at - last.at - meanT) * (r.value - meanP), 0)
  const slopePaMs = tt > 0 ? tp / tt : 0
  const pa = meanP - slopePaMs * meanT
  const rest = drawn.reduce((s, r) => s + (r.value - pa - slopePaMs * (r.at - last.at)) ** 2, 0)
  return { atMs: last.at, pa, slopePaMs, spreadPa: Math.max(Math.sqrt(rest / n), LEAST_SHARE * Math.abs(pa)) }
}

/** Whether a reading is not where it was expected: the hold is looked at at once. */
export const leftBand = (band: Band, reading: { at: number; value: number }): boolean =>
  Math.abs(reading.value - band.pa - band.slopePaMs * (reading.at - band.atMs)) > SPREADS * band.spreadPa
