'use client'

import dynamic from 'next/dynamic'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import type { CurvePoint, Sides } from '@/core/views'

/** So much of the running engine is shown, ms. */
const SHOWN_MS = 12 * 60_000

// the chart library comes when there is something to draw with it
const RunningLines = dynamic(() => import('../../chart/running-lines'), {
  ssr: false,
  loading: () => <div className="h-[152px]" />,
})

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
  const fromMs = runningSince(state, nowMs)
  const { barometerPa } = state.opened.place
  const since = (points: readonly CurvePoint[]) => points.filter((p) => p.at >= fromMs)
  const gauge = (points: readonly CurvePoint[]) =>
    since(points).map((p) => ({ at: p.at, value: p.value - barometerPa }))
  const [low, high, vent] = [gauge(sides.low), gauge(sides.high), since(sides.vent)]
  if (vent.length < 2 && low.length < 2) return null
  return (
    <figure className="mt-3" aria-label={W.running2}>
      <div role="img" aria-label={said.join(' ') || W.bothSidesAndTheVent}>
        <RunningLines low={low} high={high} vent={vent} fromMs={fromMs} nowMs={nowMs} clock={clock} />
      </div>
      <figcaption className="text-small">{said.join(' ')}</figcaption>
    </figure>
  )
}

/** Since when the engine runs, within what is shown, ms of job time. */
export function runningSince(state: JobState, nowMs: number): number {
  const on = state.turnedAt.engine
    ? Date.parse(state.turnedAt.engine)
    : Date.parse(state.visits[state.visits.length - 1]?.startedAt ?? state.openedAt)
  return Math.max(on, nowMs - SHOWN_MS)
}
