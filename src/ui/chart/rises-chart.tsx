'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { W } from '@/core/language/screen/chart-rises-chart'
import { changeIn } from '@/core/units/pressure'
import type { Units } from '@/core/units/shown'
import type { CurvePoint } from '@/core/views'
import { AXIS, endName, merged } from './recharts-look'

/** A hold's rise: seconds since its isolation, Pa above its first reading. */
type Rise = { name: string; verdict: string; points: readonly CurvePoint[] }

const DASHES = ['3 5', '10 5'] as const

/** Rises laid over each other; the last one is the strongest line. */
export default function RisesChart({ holds, unit }: { holds: readonly Rise[]; unit: Units['vacuum'] }) {
  const lines = holds.map(({ name, verdict, points }) => ({
    name,
    words: `${name}, ${verdict}`,
    points: points.map((p) => ({ at: p.at, value: changeIn(p.value, unit) })),
  }))
  const rows = merged(Object.fromEntries(lines.map((h) => [h.name, h.points])))
  return (
    <ResponsiveContainer width="100%" height={230}>
      <LineChart data={rows} margin={{ top: 10, right: 176, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          domain={[0, 'dataMax']}
          tickCount={5}
          tickFormatter={(s: number) => (s === 0 ? W.isolated : W.min(Math.round(s / 60)))}
          {...AXIS}
        />
        <YAxis width={56} tickCount={5} tickFormatter={(rise: number) => rise.toLocaleString('en')} {...AXIS} />
        {lines.map(({ name, words, points }, i) => (
          <Line
            key={name}
            dataKey={name}
            stroke="var(--ink)"
            strokeWidth={i === lines.length - 1 ? 3.5 : 2.2}
            {...(i < lines.length - 1 && { strokeDasharray: DASHES[i % 2] })}
            dot={false}
            connectNulls
            isAnimationActive={false}
            label={endName(words, points, rows)}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  )
}
