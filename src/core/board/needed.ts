import { clockFactor, jobTimeMs, wallTimeMs } from '../job/clock'
import { comeBackAt } from '../pull/forecast'
import type { BoardRow } from '../views'
import { carPressurePa } from './car-pressure'

/** A gauge that said nothing for so long is silent, s of job time; more where the clock runs fast (assumed). */
const SILENT_S = 90

/** How old an instrument's reading may be on a clock that runs so fast, s of job time. */
export const silentAfterS = (factor: number): number => Math.max(SILENT_S, 8 * factor)

/** What a car calls for on the board, by what is known without opening its page. */
export type BoardAlarm = 'target' | 'decided' | 'silent' | 'time'

/** The one thing a car calls for now, or null. @param wallMs - wall time now, ms */
export function boardAlarm(
  { summary, clock, vacuumPa, vacuumAt, byHand, unit, found, forecast }: BoardRow,
  wallMs: number,
): BoardAlarm | null {
  if (summary.signed || clock.length === 0 || summary.comeBackAt === null) return null
  const nowMs = jobTimeMs(clock, wallMs)
  // inches are some needle's, whatever the rig has
  const seat = unit === 'inHgV' ? 'needle' : (summary.gauge ?? 'far')
  const carPa = carPressurePa(seat, vacuumPa ?? undefined)
  if (summary.step === 'pull' && carPa !== undefined && carPa <= summary.targetPa) return 'target'
  if (summary.step === 'hold' && found !== null) return 'decided'
  // a gauge that a person reads is never silent
  if (vacuumAt !== null && !byHand && nowMs - Date.parse(vacuumAt) > silentAfterS(clockFactor(clock)) * 1000)
    return 'silent'
  return nowMs >= (wantedMs({ summary, forecast }) ?? 0) ? 'time' : null
}

/** When a car that waits by itself wants somebody, job time ms: a pull by what is said of its end; null while hands are on it. */
export function wantedMs({ summary, forecast }: Pick<BoardRow, 'summary' | 'forecast'>): number | null {
  if (summary.comeBackAt === null) return null
  const dueMs = Date.parse(summary.comeBackAt)
  return summary.step === 'pull' ? comeBackAt(dueMs, forecast).atMs : dueMs
}

/**
 * When a car needs someone, wall ms: -1 when hands are needed now, Infinity when it is done.
 * The same for page, board, stream and a server that watches.
 */
export function neededMs(row: BoardRow, wallMs: number): number {
  const { summary, clock } = row
  if (summary.signed) return Number.POSITIVE_INFINITY
  const alarm = boardAlarm(row, wallMs)
  if (alarm === 'target' || alarm === 'decided') return -1
  const wanted = wantedMs(row)
  return wanted === null || clock.length === 0 ? -1 : wallTimeMs(clock, wanted)
}
