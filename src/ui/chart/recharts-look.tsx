import { ticks } from 'd3-array'
import { MINUTE_MS } from '@/core/units/constants'

/** How an axis of ours looks: ink on the ground, no frame. */
export const AXIS = {
  axisLine: { stroke: 'var(--rule-2)' },
  tickLine: false,
  tick: { fontSize: 14, fill: 'var(--ink-2)' },
} as const

type Point = { at: number; value: number }

/** Several curves as rows of one table, in order of time; a curve without a point at a moment has none there. */
export function merged<K extends string>(
  curves: Record<K, readonly Point[]>,
): ({ at: number } & Partial<Record<K, number>>)[] {
  const rows = new Map<number, { at: number } & Partial<Record<K, number>>>()
  for (const [name, points] of Object.entries(curves) as [K, readonly Point[]][])
    for (const { at, value } of points) {
      const row = rows.get(at) ?? ({ at } as { at: number } & Partial<Record<K, number>>)
      rows.set(at, { ...row, [name]: value })
    }
  return [...rows.values()].sort((a, b) => a.at - b.at)
}

/** Whole minutes to write under a chart, five or so. */
export const timeTicksFor = (fromMs: number, toMs: number): number[] =>
  ticks(Math.ceil(fromMs / MINUTE_MS), Math.floor(toMs / MINUTE_MS), 5)
    .filter(Number.isInteger)
    .map((minute) => minute * MINUTE_MS)

type LabelProps = { x?: number | string | undefined; y?: number | string | undefined; index?: number | undefined }

/** The name of a curve behind its last point. @param rows - what the chart is drawn from */
export function endName(name: string, points: readonly Point[], rows: readonly { at: number }[], fill = 'var(--ink)') {
  const at = points[points.length - 1]?.at
  const last = rows.findIndex((row) => row.at === at)
  return ({ x, y, index }: LabelProps) =>
    index === last ? (
      <text x={Number(x) + 8} y={Number(y) + 5} fontSize="15.5" fontWeight={500} fill={fill}>
        {name}
      </text>
    ) : (
      <g />
    )
}

/** Times along the bottom, job time ms. */
export const timeAxis = (fromMs: number, toMs: number, clock: (ms: number) => string) => ({
  dataKey: 'at',
  type: 'number' as const,
  domain: [fromMs, toMs] as [number, number],
  ticks: timeTicksFor(fromMs, toMs),
  tickFormatter: clock,
  ...AXIS,
})

/** Visits along the bottom, a year and month under them. @param day - a moment, ms, as 2026-11-27 */
export const yearsAxis = (day: (ms: number) => string) => ({
  dataKey: 'at',
  type: 'number' as const,
  domain: ['dataMin', 'dataMax'] as ['dataMin', 'dataMax'],
  padding: { left: 20, right: 20 },
  tickCount: 6,
  tickMargin: 8,
  tickFormatter: (ms: number) => day(ms).slice(0, 7),
  ...AXIS,
})

/** Pressures up the left side, Pa drawn as kPa. */
export const KPA_AXIS = {
  width: 64,
  tickFormatter: (pa: number) => `${Math.round(pa / 1000)}`,
  label: { value: 'kPa', position: 'insideTopLeft' as const, fontSize: 14, fill: 'var(--ink-2)' },
  ...AXIS,
}
