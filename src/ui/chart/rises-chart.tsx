'use client'

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { CurvePoint } from '../hooks/use-job-live'
import { AXIS, endName, merged } from './recharts-look'

/** A hold's rise: seconds since its isolation, Pa above its first reading. */
type Rise = { name: string; verdict: string; points: readonly CurvePoint[] }

const DASHES = ['3 5', '10 5'] as const

/** Rises laid over each other; the last one is the strongest line. */
export default function RisesChart({ holds }: { holds: readonly Rise[] }) {
  const inMicron = holds.map(({ name, verdict, points }) => ({
    name,
    words: `${name}, ${verdict}`,
    points: points.map((p) => ({ at: p.at, value: p.value / PA_PER_MICRON })),
  }))
  const rows = merged(Object.fromEntries(inMicron.map((h) => [h.name, h.points])))
  return (
    <ResponsiveContainer width="100%" height={230}>
      <LineChart data={rows} margin={{ top: 10, right: 176, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          domain={[0, 'dataMax']}
          tickCount={5}
          tickFormatter={(s: number) => (s === 0 ? 'isolated' : `${Math.round(s / 60)} min`)}
          {...AXIS}
        />
        <YAxis width={56} tickCount={5} tickFormatter={(micron: number) => micron.toLocaleString('en')} {...AXIS} />
        {inMicron.map(({ name, words, points }, i) => (
          <Line
            key={name}
            dataKey={name}
            stroke="var(--ink)"
            strokeWidth={i === inMicron.length - 1 ? 3.5 : 2.2}
            {...(i < inMicron.length - 1 && { strokeDasharray: DASHES[i % 2] })}
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
