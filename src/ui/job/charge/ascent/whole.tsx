import type { Level } from '@/core/charge/levels'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import type { CurvePoint } from '@/core/views'
import { linear, pathOf } from '../../../chart/scales'
import { useSay } from '../../../units'
import type { Ahead } from './ahead'
import { HEIGHT, TOP } from './layout'

type WholeProps = {
  state: JobState
  levels: Level[]
  curve: CurvePoint[]
  ahead: Ahead
  y: (g: number) => number
  left: number
  right: number
  target: number
  narrow: boolean
  clock: (ms: number) => string
}

const LAYER_FILLS = { done: 'var(--deep)', now: 'var(--drying)', coming: 'var(--air)' } as const

/** The whole charge, small: layers with their containers, and what is in so far. */
export function Whole({ state, levels, curve, ahead, y, left, right, target, narrow, clock }: WholeProps) {
  const startMs = state.containers[0] ? Date.parse(state.containers[0].startedAt) : ahead.nowMs
  const x = linear(startMs, Math.max(ahead.nowMs, startMs + 120_000), left, right - 6)
  return (
    <g>
      <rect x={left} y={TOP} width={Math.max(0, right - left)} height={HEIGHT - TOP} fill="var(--air)" />
      {levels.map((l) => (
        <g key={l.id}>
          <rect
            x={left}
            y={y(l.toG)}
            width={Math.max(0, right - left)}
            height={Math.max(0, y(l.fromG) - y(l.toG))}
            fill={LAYER_FILLS[l.state]}
          />
          <line x1={left} x2={right} y1={y(l.toG)} y2={y(l.toG)} stroke="var(--rule-2)" />
          {!narrow && <LayerName level={l} y={(y(l.fromG) + y(l.toG)) / 2} left={left} />}
        </g>
      ))}
      <line x1={left} x2={right} y1={y(target)} y2={y(target)} stroke="var(--ink)" strokeWidth="2.5" />
      <path d={pathOf(curve, x, y)} fill="none" stroke="var(--ink)" strokeWidth="3.5" strokeLinejoin="round" />
      <path d={`M${left} ${TOP} V${HEIGHT} H${right}`} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      {!narrow && (
        <text x={left} y={HEIGHT + 24} fontSize="16" fill="var(--ink-2)">
          {clock(startMs)}
        </text>
      )}
    </g>
  )
}

function LayerName({ level, y, left }: { level: Level; y: number; left: number }) {
  const say = useSay()
  const now = level.state === 'now'
  const middle = Math.min(HEIGHT - 14, Math.max(18, y))
  return (
    <g fontSize="15.5">
      {now && (
        <path d={`M0 ${middle - 14}H${left - 10}L${left} ${middle}L${left - 10} ${middle + 14}H0Z`} fill="var(--ink)" />
      )}
      <text x={now ? 7 : 0} y={middle + 5.5} fontWeight="600" fill={now ? 'var(--ground)' : 'var(--ink)'}>
        {level.id.length > 11 ? `${level.id.slice(0, 10)}…` : level.id}
      </text>
      <text
        x={left - (now ? 14 : 8)}
        y={middle + 5.5}
        textAnchor="end"
        fill={now ? 'var(--ground)' : 'var(--ink-2)'}
        fontWeight={now ? 600 : 400}
      >
        {now
          ? W.to(say.massShort(level.stopGrossG))
          : (level.state === 'done' ? W.done : '') +
            `${say.massShort(level.startGrossG)}–${say.massShort(level.stopGrossG)}`}
      </text>
    </g>
  )
}
