import { bottomOf, depthShare, inDepth, type Strata } from '@/core/pull/strata'

/** Strata as a narrow vertical strip with one marker: the small form of the descent. Decorative beside the words. */
export function DepthStrip({
  strata,
  vacuumPa,
  width = 24,
  height = 46,
}: {
  strata: Strata
  vacuumPa: number | null
  width?: number
  height?: number
}) {
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * height
  if (vacuumPa === null) {
    return (
      <svg width={width + 8} height={height} aria-hidden="true">
        <rect
          x="8.75"
          y="0.75"
          width={Math.max(0, width - 1.5)}
          height={height - 1.5}
          fill="none"
          stroke="var(--rule-2)"
          strokeWidth="1.5"
          strokeDasharray="4 3"
        />
      </svg>
    )
  }
  const at = y(vacuumPa)
  return (
    <svg width={width + 8} height={height} aria-hidden="true">
      <g transform="translate(8 0)">
        <StrataFills strata={strata} y={y} width={width} height={height} />
        <NeedleHatch y={y(strata.needleLimitPa)} width={width} height={height} />
        <line x1="0" x2={width} y1={y(strata.targetPa)} y2={y(strata.targetPa)} stroke="var(--ink)" strokeWidth="1.5" />
        <rect
          x="0.75"
          y="0.75"
          width={Math.max(0, width - 1.5)}
          height={height - 1.5}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      </g>
      <path d={`M0 ${at - 5.5} L14 ${at} L0 ${at + 5.5} Z`} fill="var(--ink)" />
    </svg>
  )
}

/** Tints of the depth: air, needle zone, drying, below the target, the pump's floor; deeper is more saturated. */
export function StrataFills({
  strata,
  y,
  width,
  height,
}: {
  strata: Strata
  y: (pa: number) => number
  width: number
  height: number
}) {
  const lines = inDepth(strata).map(({ name, pa }) => ({ from: pa, fill: `var(--${name})` }))
  return (
    <>
      {lines.map((line, i) => {
        const top = i === 0 ? 0 : y(line.from)
        const next = lines[i + 1]
        const bottom = next ? y(next.from) : height
        return <rect key={line.fill} x="0" y={top} width={width} height={Math.max(0, bottom - top)} fill={line.fill} />
      })}
    </>
  )
}

/** Diagonal hatch where a needle sees nothing. */
export function NeedleHatch({ y, width, height }: { y: number; width: number; height: number }) {
  const step = 8
  const count = Math.ceil((width + height) / step)
  const lines = Array.from({ length: count }, (_, i) => i * step)
  return (
    <g>
      <clipPath id={`hatch-${Math.round(y)}-${width}-${height}`}>
        <rect x="0" y={y} width={width} height={Math.max(0, height - y)} />
      </clipPath>
      <g
        clipPath={`url(#hatch-${Math.round(y)}-${width}-${height})`}
        stroke="var(--ink)"
        strokeWidth="0.8"
        opacity="0.45"
      >
        {lines.map((d) => (
          <line key={d} x1={0} y1={y + d} x2={d} y2={y} />
        ))}
      </g>
    </g>
  )
}
