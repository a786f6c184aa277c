'use client'

import { Bar, BarChart, ErrorBar, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { FEWEST_CARS, type GroupRate } from '@/core/book/fleet'
import { AXIS } from '../chart/recharts-look'

/** Grams a year of each group with 90 %; groups of too few cars are left to the table. */
export default function FleetRates({ rates, text }: { rates: readonly GroupRate[]; text: (g: number) => string }) {
  const rows = rates
    .filter((r) => r.cars >= FEWEST_CARS)
    .map((r) => ({
      group: r.group,
      value: r.grams.value,
      off: [r.grams.value - r.grams.low, r.grams.high - r.grams.value],
    }))
  if (rows.length === 0) return null
  return (
    <ResponsiveContainer width="100%" height={34 * rows.length + 34}>
      <BarChart data={rows} layout="vertical" margin={{ top: 4, right: 24, bottom: 0, left: 4 }}>
        <XAxis type="number" tickFormatter={text} {...AXIS} />
        <YAxis type="category" dataKey="group" width={150} {...AXIS} />
        <ReferenceLine x={0} stroke="var(--ink)" />
        <Bar dataKey="value" fill="var(--deep)" stroke="var(--ink)" isAnimationActive={false} barSize={18}>
          <ErrorBar dataKey="off" direction="x" stroke="var(--ink)" strokeWidth={2} />
        </Bar>
      </BarChart>
    </ResponsiveContainer>
  )
}
