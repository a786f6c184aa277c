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
