import { MINUTE_MS } from '../units/constants'

/** When a gauge is read by eye after the pull or the hold began, min: often at first, where most happens (practice). */
const READ_AT_MIN = [1, 3, 6, 10, 15, 20, 30, 45, 60, 90, 120, 180, 240, 360, 480, 720, 1440]
/** A reading so shortly before its time is that reading, ms. */
const SOON_MS = 20_000

/**
 * When a gauge that is read by eye is to be read next, job time ms; no later than the end of the wait.
 * @param lastMs - when it was read last; null while it was not
 */
export function nextReadMs(fromMs: number, lastMs: number | null, endMs: number): number {
  const last = Math.max(fromMs, lastMs ?? fromMs)
  const planned = READ_AT_MIN.map((m) => fromMs + m * MINUTE_MS).find((at) => at > last + SOON_MS)
  return Math.min(endMs, planned ?? endMs)
}
