import { clockFactor, jobTimeMs } from '../procedure/clock'
import type { BoardRow } from '../views'
import { silentAfterS } from './alarms'

/** The one alarm of a car that can be told without judging it, in two words for its line on the board; null when there is none. */
export function boardAlarm({ summary, clock, vacuumPa, vacuumAt }: BoardRow, wallMs: number): string | null {
  if (summary.signed || clock.length === 0 || summary.comeBackAt === null) return null
  const nowMs = jobTimeMs(clock, wallMs)
  if (summary.step === 'pull' && vacuumPa !== null && vacuumPa <= summary.targetPa) return 'target reached'
  if (vacuumAt !== null && nowMs - Date.parse(vacuumAt) > silentAfterS(clockFactor(clock)) * 1000) return 'gauge silent'
  return nowMs >= Date.parse(summary.comeBackAt) ? 'time is up' : null
}
