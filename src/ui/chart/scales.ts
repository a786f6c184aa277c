import type { CurvePoint } from '../hooks/use-job-live'

/** Linear map from [a, b] to [from, to]. */
export const linear = (a: number, b: number, from: number, to: number) => (value: number) => from + ((value - a) / (b - a || 1)) * (to - from)

/** SVG path through points; empty for none. */
export function pathOf(points: readonly CurvePoint[], x: (at: number) => number, y: (value: number) => number): string {
  return points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.at).toFixed(1)} ${y(p.value).toFixed(1)}`).join('')
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
  for (let i = down.length - 1; i >= 0; i--) {
    const label = down[i] as T
    label.y = Math.min(label.y, limit)
    limit = label.y - gap
  }
  return down
}

/** Round values within [low, high], about `count` of them, in steps of 1, 2 or 5 times a power of ten. */
export function niceTicks(low: number, high: number, count: number): number[] {
  const rough = (high - low) / count
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = ([1, 2, 5, 10].find((s) => s * power >= rough) ?? 10) * power
  const ticks: number[] = []
  for (let v = Math.ceil(low / step) * step; v <= high; v += step) ticks.push(v)
  return ticks
}

const STEPS_MIN = [1, 2, 5, 10, 15, 30, 60, 120, 240, 480, 720]

/** Whole times on an axis, at most `most`, ms. */
export function timeTicks(fromMs: number, toMs: number, most: number): number[] {
  const step = (STEPS_MIN.find((m) => (toMs - fromMs) / (m * 60_000) <= most) ?? 1440) * 60_000
  const ticks: number[] = []
  for (let t = Math.ceil(fromMs / step) * step; t <= toMs; t += step) ticks.push(t)
  return ticks
}
