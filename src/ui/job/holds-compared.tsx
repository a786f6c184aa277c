import type { Hold, JobState } from '@/core/job/state'
import { PA_PER_MICRON } from '@/core/units/constants'
import { linear, niceTicks, pathOf, spread } from '../chart/scales'
import { micronText } from '../format'
import type { CurvePoint } from '../hooks/use-job-live'
import { useWidth } from '../hooks/use-width'

type Props = { state: JobState; vacuum: readonly CurvePoint[]; nowMs: number }

const HEIGHT = 190
const DASHES = ['3 5', '10 5', undefined]

/**
 * Every hold of this car laid over each other from its isolation on: water shrinks from one to the next, a leak does
 * not.
 */
export function HoldsCompared({ state, vacuum, nowMs }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const holds = state.holds
    .map((hold, i) => ({ hold, name: `hold ${i + 1}`, points: risesOf(hold, vacuum, nowMs) }))
    .filter((h) => h.points.length > 1)
  if (holds.length < 2) return null
  const words = width < 560 ? 110 : 210
  const endS = Math.max(...holds.map((h) => h.points.at(-1)?.at ?? 1))
  const high = Math.max(10, ...holds.flatMap((h) => h.points.map((p) => p.value)))
  const low = Math.min(0, ...holds.flatMap((h) => h.points.map((p) => p.value)))
  const x = linear(0, endS, 52, width - words)
  const y = linear(low, high, HEIGHT - 8, 10)
  const labels = spread(
    holds.map((h, i) => ({
      name: h.name,
      verdict: h.hold.ended?.verdict ?? 'running',
      y: y(h.points.at(-1)?.value ?? 0) + 5,
      i,
    })),
    20,
    16,
    HEIGHT - 6,
  )
  const said = holds
    .map(
      (h) =>
        `${h.name} rose ${micronText(h.points.at(-1)?.value ?? 0)} micron in ${Math.round((h.points.at(-1)?.at ?? 0) / 60)} min, ${h.hold.ended?.verdict ?? 'running'}`,
    )
    .join('; ')
  return (
    <div ref={ref} className="mt-3 border-t border-rule pt-2">
      <h3 className="text-[16px] font-semibold">Rise since isolation, hold by hold</h3>
      <svg width={width} height={HEIGHT + 24} role="img" aria-label={said}>
        {niceTicks(low / PA_PER_MICRON, high / PA_PER_MICRON, 4).map((micron) => (
          <g key={micron}>
            <line
              x1={52}
              x2={width - words}
              y1={y(micron * PA_PER_MICRON)}
              y2={y(micron * PA_PER_MICRON)}
              stroke="var(--ink)"
              strokeOpacity="0.14"
            />
            <text x={46} y={y(micron * PA_PER_MICRON) + 5} fontSize="14" textAnchor="end" fill="var(--ink-2)">
              {micron}
            </text>
          </g>
        ))}
        {holds.map((h, i) => (
          <path
            key={h.name}
            d={pathOf(h.points, x, y)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={i === holds.length - 1 ? 3.5 : 2.2}
            strokeDasharray={i === holds.length - 1 ? undefined : DASHES[i % 2]}
          />
        ))}
        {labels.map((l) => (
          <text
            key={l.name}
            x={width - words + 8}
            y={l.y}
            fontSize="16"
            fontWeight={l.i === holds.length - 1 ? 600 : 400}
            fill="var(--ink)"
          >
            {l.name}, {l.verdict.replaceAll('-', ' ')}
          </text>
        ))}
        <text x={52} y={HEIGHT + 18} fontSize="14" fill="var(--ink-2)">
          isolated
        </text>
        <text x={width - words} y={HEIGHT + 18} fontSize="14" textAnchor="end" fill="var(--ink-2)">
          {Math.round(endS / 60)} min later
        </text>
      </svg>
      <p className="text-[15px] text-ink-2">
        Micron above the first reading. Rises again just as straight: look for the leak. Rises less and flattens: it was
        water.
      </p>
    </div>
  )
}

/** Seconds since isolation and Pa above the first reading. */
function risesOf(hold: Hold, vacuum: readonly CurvePoint[], nowMs: number): CurvePoint[] {
  const from = Date.parse(hold.isolatedAt)
  const to = hold.ended ? Date.parse(hold.ended.at) : nowMs
  const own = vacuum.filter((p) => p.at >= from && p.at <= to)
  const first = own[0]?.value ?? 0
  return own.map((p) => ({ at: (p.at - from) / 1000, value: p.value - first }))
}
