import { tzOffset } from '@date-fns/tz'
import { ticks } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { MINUTE_MS } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'

/** Linear map from [a, b] to [from, to]. */
export function linear(a: number, b: number, from: number, to: number): (value: number) => number {
  const scale = scaleLinear([a, b], [from, to])
  return (value) => scale(value)
}

/** SVG path through points; empty for none. */
export function pathOf(points: readonly CurvePoint[], x: (at: number) => number, y: (value: number) => number): string {
  const drawn = line<CurvePoint>(
    (p) => x(p.at),
    (p) => y(p.value),
  ).digits(1)
  return drawn([...points]) ?? ''
}

/** Moves labels apart so that each keeps `gap` px, in order of place, within [low, high]. */
export function spread<T extends { y: number }>(labels: readonly T[], gap: number, low: number, high: number): T[] {
  const sorted = [...labels].sort((a, b) => a.y - b.y)
  let next = low
  const down = sorted.map((label) => {
    const y = Math.max(label.y, next)
    next = y + gap
    return { ...label, y }
  })
  let limit = high
  for (const label of down.toReversed()) {
    label.y = Math.min(label.y, limit)
    limit = label.y - gap
  }
  return down
}

/** Round values within [low, high], about `count` of them. */
export const niceTicks = (low: number, high: number, count: number): number[] => ticks(low, high, count)

const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 720]

/**
 * Whole times of the clock on the wall there, about `most` of them, ms. @param timeZone - IANA name: zones differ by
 * quarters of an hour, and a day may have 23
 */
export function timeTicks(fromMs: number, toMs: number, most: number, timeZone: string): number[] {
  const stepMs = (STEPS_MIN.find((m) => (toMs - fromMs) / (m * MINUTE_MS) <= most) ?? 1440) * MINUTE_MS
  const local = (ms: number) => ms + tzOffset(timeZone, new Date(ms)) * MINUTE_MS
  const onward = (ms: number) => (stepMs - (((local(ms) % stepMs) + stepMs) % stepMs)) % stepMs
  const found: number[] = []
  for (let t = fromMs + onward(fromMs); t <= toMs; t += stepMs) {
    // where clocks are set the next whole time is a little nearer or farther
    t += onward(t)
    if (t <= toMs) found.push(t)
  }
  return found
}
