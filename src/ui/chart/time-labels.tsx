import { useZone } from '../zone'
import { timeTicks } from './scales'

type Mark = { at: number; text: string }
type Props = {
  fromMs: number
  toMs: number
  x: (ms: number) => number
  y: number
  clock: (ms: number) => string
  marks: Mark[]
  most: number
  left: number
  right: number
}

/** Half the width of a plain hour, in the drawing's units. */
const HALF_TICK = 20

/** The time axis under a chart: plain hours, and dark labels for what matters. */
export function TimeLabels({ fromMs, toMs, x, y, clock, marks, most, left, right }: Props) {
  const width = (text: string) => text.length * 7.4 + 16
  const placed = marks.map((m) => {
    const half = width(m.text) / 2
    return { ...m, half, x: Math.min(right - half, Math.max(left + half, x(m.at))) }
  })
  const zone = useZone()
  // a time that would be cut off at either end says another time
  const free = timeTicks(fromMs, toMs, most, zone).filter(
    (t) =>
      x(t) > left + HALF_TICK && x(t) < right - HALF_TICK && placed.every((m) => Math.abs(x(t) - m.x) > m.half + 26),
  )
  return (
    <g fontSize="16" suppressHydrationWarning>
      <line x1={left} x2={right} y1={y} y2={y} stroke="var(--ink)" strokeWidth="1.5" />
      {free.map((t) => (
        <g key={t}>
          <line x1={x(t)} x2={x(t)} y1={y} y2={y + 6} stroke="var(--ink)" strokeWidth="1.5" />
          <text x={x(t)} y={y + 24} textAnchor="middle" fill="var(--ink-2)">
            {clock(t)}
          </text>
        </g>
      ))}
      {placed.map((m) => (
        <g key={m.text}>
          <rect x={m.x - m.half} y={y + 7} width={m.half * 2} height={24} rx="3" fill="var(--ink)" />
          <text x={m.x} y={y + 24} textAnchor="middle" fill="var(--ground)" fontWeight="600">
            {m.text}
          </text>
        </g>
      ))}
    </g>
  )
}
