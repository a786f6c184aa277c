'use client'

import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ResponsiveContainer,
  usePlotArea,
  useXAxisScale,
  useYAxisScale,
  XAxis,
  YAxis,
} from 'recharts'
import type { HoldResult } from '@/core/hold/types'
import { PA_PER_MICRON } from '@/core/units/constants'
import { AXIS } from '../chart/recharts-look'
import { niceTicks } from '../chart/scales'
import { FutureLine, FutureWords } from '../job/hold/hold-lens'

type Props = { points: readonly { at: number; value: number }[]; result: HoldResult }

/** A future less likely than this is not drawn, and makes no room for itself. */
const DRAWN = 0.02

/** A record as it was read, what spoils it shaded, and where each explanation would lead. */
export default function RecordChart({ points, result }: Props) {
  const futures = result.futures.filter((f) => f.probability > DRAWN)
  const endS = Math.max(result.heldS, ...futures.flatMap((f) => f.points.map((p) => p.elapsedS)), 60)
  const all = [...points.map((p) => p.value), ...futures.map((f) => f.highPa)]
  const [low, high] = [Math.min(...all) * 0.92, Math.max(...all) * 1.05]
  return (
    <ResponsiveContainer width="100%" height={300}>
      <LineChart data={[...points]} margin={{ top: 8, right: 152, bottom: 0, left: 0 }}>
        <CartesianGrid fill="var(--drying)" stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          domain={[0, endS]}
          tickCount={5}
          tickFormatter={(s: number) => (s === 0 ? 'isolated' : `${Math.round(s / 60)} min`)}
          {...AXIS}
        />
        <YAxis
          domain={[low, high]}
          width={64}
          ticks={niceTicks(low / PA_PER_MICRON, high / PA_PER_MICRON, 5).map((micron) => micron * PA_PER_MICRON)}
          tickFormatter={(pa: number) => Math.round(pa / PA_PER_MICRON).toLocaleString('en')}
          {...AXIS}
        />
        {result.problems.map((p) => (
          <ReferenceArea
            key={`${p.fromS}${p.what}`}
            x1={p.fromS}
            x2={Math.max(p.toS, p.fromS + endS / 150)}
            fill="var(--leak)"
            fillOpacity={0.14}
          />
        ))}
        <Line
          dataKey="value"
          stroke="var(--ink)"
          strokeWidth={3}
          dot={false}
          isAnimationActive={false}
          strokeLinejoin="round"
        />
        <Futures result={result} />
      </LineChart>
    </ResponsiveContainer>
  )
}

/** The same lines and words as over a running hold, on this chart's scales. */
function Futures({ result: { futures } }: { result: HoldResult }) {
  const plot = usePlotArea()
  const [x, y] = [useXAxisScale(), useYAxisScale()]
  if (!plot || !x || !y) return null
  const [toX, toY] = [(s: number) => Number(x(s)), (pa: number) => Number(y(pa))]
  return (
    <g>
      {futures.map((f) => (
        <FutureLine key={f.shape} future={f} x={toX} y={toY} />
      ))}
      <FutureWords
        futures={futures}
        y={toY}
        x={plot.x + plot.width + 8}
        top={plot.y}
        bottom={plot.y + plot.height}
        narrow={plot.width < 400}
      />
    </g>
  )
}
