import type { StageKind } from '@/core/job/stages'
import { W } from '@/core/language/screen/shop-procedures'

/** The picture of a stage: the same shapes the job shows, small. */
export function StagePicture({ kind }: { kind: StageKind }) {
  return (
    <svg viewBox="0 0 120 56" preserveAspectRatio="none" className="h-14 w-full" aria-hidden="true">
      {kind === 'pull' && (
        <>
          <rect width="120" height="20" fill="var(--air)" />
          <rect y="20" width="120" height="20" fill="var(--drying)" />
          <rect y="40" width="120" height="16" fill="var(--deep)" />
          <path d="M4 4C10 34 26 36 52 39S96 45 116 46" fill="none" stroke="var(--ink)" strokeWidth="4" />
        </>
      )}
      {kind === 'hold' && (
        <>
          <rect width="120" height="56" fill="var(--drying)" />
          <path d="M4 46C30 40 60 37 84 36" fill="none" stroke="var(--ink)" strokeWidth="4" />
          <path d="M84 36L116 35M84 36L116 22" stroke="var(--ink)" strokeWidth="2.5" strokeDasharray="6 4" />
          <circle cx="84" cy="36" r="5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="3" />
        </>
      )}
      {kind === 'sweep' && (
        <>
          <rect width="120" height="56" fill="var(--air)" />
          <path d="M4 50V14H56V50H116" fill="none" stroke="var(--ink)" strokeWidth="4" />
          <path d="M30 40V24M24 30l6-7 6 7M86 20V36M80 30l6 7 6-7" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
        </>
      )}
      {kind === 'hoses' && (
        <>
          <rect width="120" height="56" fill="var(--air)" />
          <path d="M8 18H70M8 40H70M70 10V48M70 29H112" fill="none" stroke="var(--ink)" strokeWidth="5" />
          <path d="M8 12v12M8 34v12" stroke="var(--ink)" strokeWidth="4" />
        </>
      )}
      {kind === 'charge' && (
        <>
          <rect width="120" height="56" fill="var(--air)" />
          <rect y="34" width="120" height="22" fill="var(--deep)" />
          <rect y="16" width="120" height="18" fill="var(--drying)" />
          <path d="M0 16H120" stroke="var(--ink)" strokeWidth="2.5" />
          <path d="M4 54L52 34H64L116 17" fill="none" stroke="var(--ink)" strokeWidth="4" />
        </>
      )}
      {kind === 'proof' && (
        <>
          <rect width="120" height="56" fill="var(--sheet)" />
          {[10, 24, 38].map((y, i) => (
            <g key={y}>
              <rect x="4" y={y} width="112" height="9" fill="var(--air)" />
              <rect x={30 + 8 * i} y={y} width="44" height="9" fill="var(--deep)" />
              <path d={`M${50 + 8 * i} ${y - 4}h10l-5 7Z`} fill="var(--ink)" />
            </g>
          ))}
        </>
      )}
    </svg>
  )
}

export const STAGE_NAMES: Record<StageKind, string> = {
  hoses: W.hosesAlone,
  pull: W.pull,
  sweep: W.sweepWithNitrogen,
  hold: W.hold,
  charge: W.charge,
  proof: W.proof,
}
