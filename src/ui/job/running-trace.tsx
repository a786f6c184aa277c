'use client'

import type { JobState } from '@/core/job/state'
import { linear, pathOf } from '../chart/scales'
import { TimeLabels } from '../chart/time-labels'
import type { CurvePoint, Sides } from '../hooks/use-job-live'
import { useWidth } from '../hooks/use-width'

/** So much of the running engine is shown, ms. */
const SHOWN_MS = 12 * 60_000
const HEIGHT = 118

/** Both sides and the vent since the engine went on: whether they have settled, and whether the compressor cycles. */
export function RunningTrace({
  state,
  sides,
  nowMs,
  said,
  clock,
}: {
  state: JobState
  sides: Sides
  nowMs: number
  said: readonly string[]
  clock: (ms: number) => string
}) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const fromMs = runningSince(state, nowMs)
  const { barometerPa } = state.opened.place
  const since = (points: readonly CurvePoint[]) => points.filter((p) => p.at >= fromMs)
  const [low, high, vent] = [since(sides.low), since(sides.high), since(sides.vent)]
  if (vent.length < 2 && low.length < 2) return null
  const left = 92
  const right = width - 96
  const toMs = Math.max(
    fromMs + 60_000,
    nowMs,
    ...[low, high, vent].map((points) => points[points.length - 1]?.at ?? 0),
  )
  const x = linear(fromMs, toMs, left, right)
  const kPaY = linear(0, Math.max(400_000, ...high.map((p) => p.value - barometerPa)) * 1.08, HEIGHT, 6)
  const gauge = (points: readonly CurvePoint[]) => points.map((p) => ({ at: p.at, value: p.value - barometerPa }))
  const ventY = linear(0, Math.max(20, ...vent.map((p) => p.value)) * 1.1, HEIGHT, 6)
  const end = (points: readonly CurvePoint[], y: (v: number) => number) =>
    points.length > 0 ? y((points[points.length - 1] as CurvePoint).value) : null
  const names = [
    { text: 'high side', y: end(gauge(high), kPaY) },
    { text: 'low side', y: end(gauge(low), kPaY) },
    { text: 'vent', y: end(vent, ventY) },
  ]
  return (
    <figure ref={ref} className="mt-3" aria-label="Running">
      <svg
        width={width}
        height={HEIGHT + 34}
        role="img"
        aria-label={said.join(' ') || 'Both sides and the vent since the engine went on.'}
      >
        <rect x={left} y={0} width={right - left} height={HEIGHT} fill="var(--air)" />
        <path d={pathOf(gauge(high), x, kPaY)} fill="none" stroke="var(--ink)" strokeWidth="3" />
        <path d={pathOf(gauge(low), x, kPaY)} fill="none" stroke="var(--ink)" strokeWidth="3" />
        <path d={pathOf(vent, x, ventY)} fill="none" stroke="var(--damp)" strokeWidth="3" strokeDasharray="9 5" />
        <g fontSize="15.5" fontWeight="500">
          {apart(names).map((n) => (
            <text key={n.text} x={right + 8} y={n.y + 5} fill={n.text === 'vent' ? 'var(--damp)' : 'var(--ink)'}>
              {n.text}
            </text>
          ))}
          <text x="0" y="16" fill="var(--ink-2)" fontWeight="400">
            since {clock(fromMs)}
          </text>
        </g>
        <TimeLabels
          fromMs={fromMs}
          toMs={toMs}
          x={x}
          y={HEIGHT}
          clock={clock}
          marks={[]}
          most={width < 560 ? 3 : 8}
          left={left}
          right={right}
        />
      </svg>
      <figcaption className="text-[16px]">{said.join(' ')}</figcaption>
    </figure>
  )
}

/** The names at the ends of the curves, 17 px apart at least. */
function apart(names: readonly { text: string; y: number | null }[]): { text: string; y: number }[] {
  const shown = names.flatMap((n) => (n.y === null ? [] : [{ text: n.text, y: n.y }])).sort((a, b) => a.y - b.y)
  for (let i = 1; i < shown.length; i++) {
    const [above, below] = [shown[i - 1], shown[i]] as [{ y: number }, { y: number }]
    below.y = Math.max(below.y, above.y + 17)
  }
  return shown
}

/** Since when the engine runs, within what is shown, ms of job time. */
export function runningSince(state: JobState, nowMs: number): number {
  const on = state.turnedAt.engine
    ? Date.parse(state.turnedAt.engine)
    : Date.parse(state.visits[state.visits.length - 1]?.startedAt ?? state.openedAt)
  return Math.max(on, nowMs - SHOWN_MS)
}
