'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { W } from '@/core/language/screen/chart-running-lines'
import type { CurvePoint } from '@/core/views'
import { endName, KPA_AXIS, merged, timeAxis } from './recharts-look'

type Props = {
  /** gauge pressures, Pa */
  low: readonly CurvePoint[]
  high: readonly CurvePoint[]
  /** Celsius */
  vent: readonly CurvePoint[]
  fromMs: number
  nowMs: number
  clock: (ms: number) => string
}

/** Least that is shown of a running engine, ms. */
const LEAST_MS = 60_000

/** Pressures of both sides on the left, the vent on the right, over the minutes since the engine went on. */
export default function RunningLines({ low, high, vent, fromMs, nowMs, clock }: Props) {
  const rows = merged({ low, high, vent })
  const toMs = Math.max(fromMs + LEAST_MS, nowMs, rows.at(-1)?.at ?? 0)
  return (
    <ResponsiveContainer width="100%" height={168}>
      <LineChart data={rows} margin={{ top: 8, right: 92, bottom: 0, left: 6 }}>
        <CartesianGrid fill="var(--air)" stroke="var(--rule)" vertical={false} />
        <XAxis {...timeAxis(fromMs, toMs, clock)} />
        <YAxis yAxisId="kPa" domain={[0, 'auto']} tickCount={4} {...KPA_AXIS} />
        <YAxis yAxisId="C" orientation="right" domain={[0, 'auto']} hide />
        <Line
          yAxisId="kPa"
          dataKey="high"
          stroke="var(--ink)"
          strokeWidth={3}
          dot={false}
          connectNulls
          isAnimationActive={false}
          label={endName(W.highSide, high, rows)}
        />
        <Line
          yAxisId="kPa"
          dataKey="low"
          stroke="var(--ink)"
          strokeWidth={3}
          dot={false}
          connectNulls
          isAnimationActive={false}
          label={endName(W.lowSide, low, rows)}
        />
        <Line
          yAxisId="C"
          dataKey="vent"
          stroke="var(--damp)"
          strokeWidth={3}
          strokeDasharray="9 5"
          dot={false}
          connectNulls
          isAnimationActive={false}
          label={endName(W.ventC(vent.at(-1)?.value.toFixed(1) ?? ''), vent, rows, 'var(--damp)')}
        />
      </LineChart>
    </ResponsiveContainer>
  )
}
