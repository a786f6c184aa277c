'use client'

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_MICRON, STANDARD_ATMOSPHERE_PA } from '@/core/units/constants'
import { AXIS, yearsAxis } from '../chart/recharts-look'
import { useSay } from '../units'

/** What is drawn, Pa: from the air down to where no pump of a shop goes. */
const [TOP_PA, BOTTOM_PA] = [STANDARD_ATMOSPHERE_PA, 10 * PA_PER_MICRON]
const within = (pa: number) => Math.min(TOP_PA, Math.max(BOTTOM_PA, pa))

type Props = { points: readonly { at: number; pa: number; byNeedle: boolean }[]; day: (ms: number) => string }

/** How deep each visit went, one line over the years; what a needle read is drawn no deeper than it sees. */
export default function DepthYears({ points, day }: Props) {
  const say = useSay()
  // whole powers of ten in the unit of whoever looks; mbar and Pa share theirs, and inches are said at those
  const unitPa = say.units.vacuum === 'micron' ? PA_PER_MICRON : 1
  const rows = points.map((p) => ({ at: p.at, pa: within(p.byNeedle ? Math.max(p.pa, NEEDLE_HALF_WIDTH_PA) : p.pa) }))
  return (
    <ResponsiveContainer width="100%" height={170}>
      <LineChart data={rows} margin={{ top: 8, right: 24, bottom: 0, left: 0 }}>
        <ReferenceArea y1={TOP_PA} y2={NEEDLE_HALF_WIDTH_PA} fill="var(--air)" fillOpacity={1} />
        <ReferenceArea y1={NEEDLE_HALF_WIDTH_PA} y2={BOTTOM_PA} fill="var(--drying)" fillOpacity={1} />
        <CartesianGrid stroke="var(--rule)" vertical={false} />
        <XAxis {...yearsAxis(day)} />
        <YAxis
          width={104}
          scale="log"
          domain={[BOTTOM_PA, TOP_PA]}
          ticks={[100_000, 10_000, 1000, 100, 10].map((figure) => figure * unitPa)}
          tickFormatter={say.vacuum}
          {...AXIS}
        />
        <Line dataKey="pa" stroke="var(--ink)" strokeWidth={3} isAnimationActive={false} dot={{ r: 4 }} />
      </LineChart>
    </ResponsiveContainer>
  )
}
