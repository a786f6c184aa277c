'use client'

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { NextShort } from '@/core/book/car-loss'
import { W } from '@/core/language/screen/book'
import type { CurvePoint } from '@/core/views'
import { AXIS, yearsAxis } from '../chart/recharts-look'

type Props = {
  points: readonly CurvePoint[]
  /** the least of the label, g */
  labelG: number
  short: NextShort | null
  nowMs: number
  day: (ms: number) => string
}

/** What stood in a car over the years, and how it goes on by the rate it loses at. */
export default function ChargeYears({ points, labelG, short, nowMs, day }: Props) {
  const last = points.at(-1)
  const ahead = last && short?.p50Ms ? [last, { at: short.p50Ms, value: labelG }] : []
  const rows = [
    ...points.map((p) => ({ at: p.at, was: p.value, ...(p === last && ahead.length > 0 && { ahead: p.value }) })),
    ...ahead.slice(1).map((p) => ({ at: p.at, ahead: p.value })),
  ]
  const to = Math.max(nowMs, rows.at(-1)?.at ?? nowMs)
  return (
    <ResponsiveContainer width="100%" height={230}>
      <LineChart data={rows} margin={{ top: 14, right: 24, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis {...yearsAxis(day)} domain={[points[0]?.at ?? 0, to]} padding={{ left: 0, right: 0 }} />
        <YAxis width={60} domain={[0, 'dataMax']} tickFormatter={(g: number) => `${Math.round(g)} g`} {...AXIS} />
        <ReferenceLine
          y={labelG}
          stroke="var(--ink)"
          strokeDasharray="2 4"
          label={{ value: W.byItsLabel, position: 'insideTopRight', fontSize: 14, fill: 'var(--ink-2)' }}
        />
        <ReferenceLine x={nowMs} stroke="var(--ink)" strokeWidth={2} />
        <Line dataKey="was" stroke="var(--ink)" strokeWidth={3} isAnimationActive={false} connectNulls dot={{ r: 4 }} />
        <Line
          dataKey="ahead"
          stroke="var(--ink)"
          strokeWidth={2.5}
          strokeDasharray="9 5"
          isAnimationActive={false}
          connectNulls
          dot={false}
        />
      </LineChart>
    </ResponsiveContainer>
  )
}
