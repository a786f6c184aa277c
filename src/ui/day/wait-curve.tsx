'use client'

import { useQuery } from '@tanstack/react-query'
import { STANDARD_ATMOSPHERE_PA } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'
import { type Axis, share } from '../board/time-axis'
import { pathOf } from '../chart/scales'
import type { Piece } from './lanes-of'

/** A running wait's curve is read anew so often, ms. */
const AGAIN_MS = 60_000
const HEIGHT = 34
/** Depth is drawn by the logarithm between these, Pa: the air, and below any target. */
const DEEPEST_PA = 20
const AIR_PA = STANDARD_ATMOSPHERE_PA

const depth = (pa: number): number =>
  4 +
  (HEIGHT - 8) * Math.min(1, Math.max(0, Math.log(AIR_PA / Math.max(pa, DEEPEST_PA)) / Math.log(AIR_PA / DEEPEST_PA)))

/** How a wait goes: by its car's own readings while it runs, dashed as it is expected before. */
export function WaitCurve({ piece, axis }: { piece: Piece; axis: Axis }) {
  const { read, jobId } = piece
  const running = piece.state === 'running'
  const { data } = useQuery({
    queryKey: ['day-curve', jobId, read?.from],
    enabled: read !== null && jobId !== null,
    staleTime: running ? AGAIN_MS : Number.POSITIVE_INFINITY,
    refetchInterval: running ? AGAIN_MS : false,
    queryFn: async (): Promise<CurvePoint[]> => {
      const span = new URLSearchParams({ from: read?.from ?? '', ...(read?.to && { to: read.to }) })
      const answer = await fetch(`/api/jobs/${jobId}/readings?channel=vacuum&most=120&kind=averages&${span}`)
      return answer.ok ? ((await answer.json()) as { points: CurvePoint[] }).points : []
    },
  })
  const left = share(axis, piece.fromMs)
  const width = share(axis, piece.latestMs) - left
  const now = Math.min(1, Math.max(0, (share(axis, axis.nowMs) - left) / Math.max(1e-9, width)))
  const own = data && data.length > 1 ? ownPath(data, now) : null
  if (!own && piece.state === 'done') return null
  return (
    <svg
      aria-hidden="true"
      className="absolute inset-0 h-full w-full"
      viewBox={`0 0 100 ${HEIGHT}`}
      preserveAspectRatio="none"
      data-curve={own ? 'read' : 'expected'}
    >
      <path
        d={own ?? expectedPath(piece)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={own ? 2 : 1.6}
        strokeDasharray={own ? undefined : '6 4'}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  )
}

/** The car's own readings, ended at now or at the wait's end. */
function ownPath(points: readonly CurvePoint[], now: number): string {
  const [first, last] = [points[0]?.at ?? 0, points.at(-1)?.at ?? 1]
  const x = (at: number) => ((at - first) / Math.max(1, last - first)) * now * 100
  return pathOf(points, x, depth)
}

/** As pulls go down and holds rise: a shape, no forecast of figures. */
function expectedPath({ step }: Piece): string {
  const points = Array.from({ length: 21 }, (_, i): CurvePoint => {
    const t = i / 20
    return {
      at: t * 100,
      value: step === 'pull' ? AIR_PA * (0.0004 + Math.exp(-9 * t)) : 60 + 60 * (1 - Math.exp(-3 * t)),
    }
  })
  return pathOf(points, (at) => at, depth)
}
