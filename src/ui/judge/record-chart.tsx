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
import { W } from '@/core/language/screen/judge'
import { PA_PER_INHG, PA_PER_MICRON } from '@/core/units/constants'
import { AXIS } from '../chart/recharts-look'
import { niceTicks } from '../chart/scales'
import { FutureLine, FutureWords } from '../job/hold/hold-lens'

type Props = { points: readonly { at: number; value: number }[]; result: HoldResult; needle: boolean }

/** A future less likely than this is not drawn, and makes no room for itself. */
const DRAWN = 0.02
/** However still a record is, so much of the axis is shown: micron, or a needle's inches. */
const LEAST_MICRON = 20
const LEAST_INHG = 2

/** What the axis counts in: a gauge's micron; a needle knows only how far it moved. */
const scaleOf = (needle: boolean, firstPa: number) =>
  needle
    ? {
        zeroPa: firstPa,
        unitPa: PA_PER_INHG,
        leastPa: LEAST_INHG * PA_PER_INHG,
        words: (inches: number) => `${inches > 0 ? '+' : ''}${Number(inches.toFixed(1))} inHg`,
      }
    : {
        zeroPa: 0,
        unitPa: PA_PER_MICRON,
        leastPa: LEAST_MICRON * PA_PER_MICRON,
        words: (micron: number) => Math.round(micron).toLocaleString('en'),
      }

/** A record as it was read, what spoils it shaded, and where each explanation would lead. */
export default function RecordChart({ points, result, needle }: Props) {
  const futures = result.futures.filter((f) => f.probability > DRAWN)
  const endS = Math.max(result.heldS, ...futures.flatMap((f) => f.points.map((p) => p.elapsedS)), 60)
  const all = [...points.map((p) => p.value), ...futures.map((f) => f.highPa)]
  const { zeroPa, unitPa, leastPa, words } = scaleOf(needle, points[0]?.value ?? 0)
  const [lowest, highest] = [Math.min(...all) * 0.92, Math.max(...all) * 1.05]
  const room = Math.max(0, leastPa - (highest - lowest)) / 2
  const [low, high] = [lowest - room, highest + room]
  return (
    <ResponsiveContainer width="100%" height={300}>
      <LineChart data={[...points]} margin={{ top: 8, right: 152, bottom: 0, left: 0 }}>
        <CartesianGrid fill="var(--drying)" stroke="var(--rule)" vertical={false} />
        <XAxis
          dataKey="at"
          type="number"
          domain={[0, endS]}
          tickCount={5}
          tickFormatter={(s: number) => (s === 0 ? W.isolated : W.min(Math.round(s / 60)))}
          {...AXIS}
        />
        <YAxis
          domain={[low, high]}
          width={needle ? 84 : 64}
          ticks={niceTicks((low - zeroPa) / unitPa, (high - zeroPa) / unitPa, 5).map((v) => zeroPa + v * unitPa)}
          tickFormatter={(pa: number) => words((pa - zeroPa) / unitPa)}
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
