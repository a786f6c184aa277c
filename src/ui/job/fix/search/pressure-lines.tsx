'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { W } from '@/core/language/screen/job-fix'
import type { CurvePoint } from '@/core/views'
import { endName, KPA_AXIS, merged, timeAxis } from '../../../chart/recharts-look'

type Props = {
  /** gauge pressures, Pa: as read, and at the temperature it began with */
  raw: readonly CurvePoint[]
  corrected: readonly CurvePoint[]
  fromMs: number
  nowMs: number
  clock: (ms: number) => string
}

/** Least that is shown, ms. */
const LEAST_MS = 10 * 60_000

export default function PressureLines({ raw, corrected, fromMs, nowMs, clock }: Props) {
  const rows = merged({ raw, corrected })
  const toMs = Math.max(fromMs + LEAST_MS, nowMs)
  return (
    <ResponsiveContainer width="100%" height={190}>
      <LineChart data={rows} margin={{ top: 8, right: 150, bottom: 0, left: 6 }}>
        <CartesianGrid fill="var(--air)" stroke="var(--rule)" vertical={false} />
        <XAxis {...timeAxis(fromMs, toMs, clock)} />
        <YAxis domain={[W.datamin3000, W.datamax3000]} tickCount={5} {...KPA_AXIS} />
        <Line
          dataKey="raw"
          stroke="var(--ink-2)"
          strokeWidth={2}
          strokeDasharray="3 4"
          dot={false}
          connectNulls
          isAnimationActive={false}
          label={endName(W.asRead, raw, rows)}
        />
        <Line
          dataKey="corrected"
          stroke="var(--ink)"
          strokeWidth={3}
          dot={false}
          connectNulls
          isAnimationActive={false}
          label={endName(W.temperatureOut, corrected, rows)}
        />
      </LineChart>
    </ResponsiveContainer>
  )
}
