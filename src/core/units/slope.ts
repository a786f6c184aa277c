/**
 * Slope of the newest part of a curve by Theil and Sen: the median of the slopes between its halves, so one bad reading
 * moves nothing.
 * @param points - in order of time, `at` in ms
 * @param windowMs - how far back to look, ms
 * @returns value's unit per second, or undefined with fewer than four points in the window
 */
export function recentSlope(points: readonly { at: number; value: number }[], windowMs: number): number | undefined {
  const last = points[points.length - 1]
  if (!last) return undefined
  const recent: { at: number; value: number }[] = []
  for (let i = points.length - 1; i >= 0 && recent.length < 400; i--) {
    const point = points[i] as { at: number; value: number }
    if (last.at - point.at > windowMs) break
    recent.unshift(point)
  }
  const half = Math.floor(recent.length / 2)
  if (half < 2) return undefined
  const slopes: number[] = []
  for (let i = 0; i < half; i++) {
    const a = recent[i] as { at: number; value: number }
    const b = recent[i + recent.length - half] as { at: number; value: number }
    if (b.at > a.at) slopes.push(((b.value - a.value) / (b.at - a.at)) * 1000)
  }
  slopes.sort((a, b) => a - b)
  return slopes[Math.floor(slopes.length / 2)]
}

/** A leap is seen in so many readings, within so long of each other, against those of a minute before, ms. */
const LEAP_READINGS = 3
const LEAP_WITHIN_MS = 30_000
const LEAP_BEFORE_MS = 60_000

/**
 * How far the newest readings all lie above everything of the minute before them: something opened, seconds ago. One
 * bad reading, or two, leap nowhere. @returns value's unit, or undefined where too little was read close together
 */
export function recentLeap(points: readonly { at: number; value: number }[]): number | undefined {
  const newest = points.slice(-LEAP_READINGS)
  const [first, last] = [newest[0], newest.at(-1)]
  if (newest.length < LEAP_READINGS || !first || !last || last.at - first.at > LEAP_WITHIN_MS) return undefined
  const before: number[] = []
  for (let i = points.length - LEAP_READINGS - 1; i >= 0; i--) {
    const point = points[i] as { at: number; value: number }
    if (first.at - point.at > LEAP_BEFORE_MS) break
    before.push(point.value)
  }
  if (before.length < LEAP_READINGS) return undefined
  return Math.min(...newest.map((p) => p.value)) - Math.max(...before)
}
