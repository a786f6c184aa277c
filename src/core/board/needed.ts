import { clockFactor, jobTimeMs, wallTimeMs } from '../job/clock'
import { comeBackAt } from '../pull/forecast'
import { nextReadMs } from '../readings/read-times'
import type { BoardRow } from '../views'
import { carPressurePa } from './car-pressure'

/** A gauge that said nothing for so long is silent, s of job time; more where the clock runs fast (assumed). */
const SILENT_S = 90

/** How old an instrument's reading may be on a clock that runs so fast, s of job time. */
export const silentAfterS = (factor: number): number => Math.max(SILENT_S, 8 * factor)

/** What a car calls for on the board, by what is known without opening its page. */
export type BoardAlarm = 'target' | 'decided' | 'silent' | 'time' | 'read'

/** The one thing a car calls for now, or null. @param wallMs - wall time now, ms */
export function boardAlarm(row: BoardRow, wallMs: number): BoardAlarm | null {
  const { summary, clock, vacuumPa, vacuumAt, byHand, unit, found } = row
  if (summary.signed || summary.rests === 'closed' || clock.length === 0 || summary.comeBackAt === null) return null
  // a car left standing wants nobody before its time: its gauge may be off
  if (summary.rests === 'parked') return jobTimeMs(clock, wallMs) >= Date.parse(summary.comeBackAt) ? 'time' : null
  const nowMs = jobTimeMs(clock, wallMs)
  // inches are some needle's, whatever the rig has
  const seat = unit === 'inHgV' ? 'needle' : (summary.gauge ?? 'far')
  const carPa = carPressurePa(seat, vacuumPa ?? undefined)
  if (summary.step === 'pull' && carPa !== undefined && carPa <= summary.targetPa) return 'target'
  if (summary.step === 'hold' && found !== null) return 'decided'
  // a gauge that a person reads is never silent
  if (vacuumAt !== null && !byHand && nowMs - Date.parse(vacuumAt) > silentAfterS(clockFactor(clock)) * 1000)
    return 'silent'
  if (nowMs >= (wantedMs(row) ?? 0)) return 'time'
  return nowMs >= (readMs(row) ?? Number.POSITIVE_INFINITY) ? 'read' : null
}

/**
 * When a car that waits by itself wants somebody, job time ms: a pull by what is said of its end; null while hands
 * are on it.
 */
export function wantedMs({ summary, forecast }: Pick<BoardRow, 'summary' | 'forecast'>): number | null {
  if (summary.comeBackAt === null) return null
  const dueMs = Date.parse(summary.comeBackAt)
  return summary.step === 'pull' && summary.rests === undefined ? comeBackAt(dueMs, forecast).atMs : dueMs
}

/** When a hand is to read a gauge no instrument reports, job time ms; null where nobody has to. */
function readMs({ summary, byHand, vacuumAt, found }: BoardRow): number | null {
  if (!byHand || vacuumAt === null || found !== null) return null
  if (summary.waitsFrom === undefined || summary.comeBackAt === null) return null
  return nextReadMs(Date.parse(summary.waitsFrom), Date.parse(vacuumAt), Date.parse(summary.comeBackAt))
}

/** Whether what a car wants next is that a hand reads its gauge. */
export function readFirst(row: BoardRow, wallMs: number): boolean {
  const alarm = boardAlarm(row, wallMs)
  const [wanted, read] = [wantedMs(row), readMs(row)]
  return alarm === 'read' || (alarm === null && read !== null && wanted !== null && read < wanted)
}

/**
 * When a car needs someone, wall ms: -1 when hands are needed now, Infinity when it is done.
 * The same for page, board, stream and a server that watches.
 */
export function neededMs(row: BoardRow, wallMs: number): number {
  const { summary, clock } = row
  if (summary.signed || summary.rests === 'closed') return Number.POSITIVE_INFINITY
  if (summary.rests === 'parked' && summary.comeBackAt === null) return Number.POSITIVE_INFINITY
  const alarm = boardAlarm(row, wallMs)
  if (alarm === 'target' || alarm === 'decided') return -1
  const wanted = earlier(wantedMs(row), readMs(row))
  return wanted === null || clock.length === 0 ? -1 : wallTimeMs(clock, wanted)
}

const earlier = (a: number | null, b: number | null): number | null => (a !== null && b !== null ? Math.min(a, b) : a)
