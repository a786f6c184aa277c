'use client'

import {
  CartesianGrid,
  ComposedChart,
  ErrorBar,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts'
import type { CarHoldAt } from '@/core/book/holds-over-years'
import { W } from '@/core/language/screen/book'
import { AXIS, yearsAxis } from '../chart/recharts-look'

const [LEAST_G, MOST_G] = [1, 10_000]
const within = (g: number) => Math.min(MOST_G, Math.max(LEAST_G, g))

/**
 * Every hold as what it says in grams a year, which neither volume nor length changes: a leak as a full mark, the
 * limit of one that found none as an open one.
 */
export default function HoldYears({
  holds,
  day,
  labelG,
}: {
  holds: readonly CarHoldAt[]
  day: (ms: number) => string
  labelG: number
}) {
  const rows = holds.map((h) => ({
    at: h.atMs,
    leak: h.leakG === null ? undefined : within(h.leakG),
    limit: h.leakG === null && h.limitG !== null ? within(h.limitG) : undefined,
    // what was not found lies anywhere below the limit
    down: h.limitG === null ? 0 : [within(h.limitG) - LEAST_G, 0],
  }))
  return (
    <ResponsiveContainer width="100%" height={200}>
      <ComposedChart data={rows} margin={{ top: 12, right: 24, bottom: 0, left: 0 }}>
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis {...yearsAxis(day)} />
        <YAxis
          width={70}
          scale="log"
          domain={[LEAST_G, MOST_G]}
          ticks={[1, 10, 100, 1000, 10_000]}
          tickFormatter={(g: number) => `${g.toLocaleString('en')} g`}
          {...AXIS}
        />
        <ReferenceLine
          y={within(labelG)}
          stroke="var(--ink)"
          strokeDasharray="2 4"
          label={{ value: W.allOfItInA, position: 'insideTopLeft', fontSize: 14, fill: 'var(--ink-2)' }}
        />
        <Scatter dataKey="limit" fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} isAnimationActive={false}>
          <ErrorBar dataKey="down" direction="y" stroke="var(--rule-2)" strokeWidth={2} width={0} />
        </Scatter>
        <Scatter dataKey="leak" fill="var(--ink)" stroke="var(--ink)" strokeWidth={2.5} isAnimationActive={false} />
      </ComposedChart>
    </ResponsiveContainer>
  )
}
