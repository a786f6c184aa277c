'use client'

import type { Live } from '@/core/call/types'
import { lossOf } from '@/core/hold/loss'
import { currentHold, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-hold'
import { GRAMS_PER_OUNCE } from '@/core/units/constants'
import { linear } from '../../chart/scales'
import { useWidth } from '../../hooks/use-width'
import { useSay } from '../../units'

/** Marks of the line, g: whole decades of the reader's unit. */
const decades = (ounces: boolean): number[] =>
  ounces ? [0.1, 1, 10, 100, 1000].map((oz) => oz * GRAMS_PER_OUNCE) : [1, 10, 100, 1000, 10_000, 100_000]

/** Grams a year on a log line: what is ruled out by now and at the planned end, and what this car's history lost. */
export function ProofScale({ state, live }: { state: JobState; live: Live }) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const say = useSay()
  const hold = currentHold(state)
  const now = hold?.ended
    ? (hold.ended.provesGramsPerYear ?? undefined)
    : live.judgement?.detectionLimitGramsPerYear?.high
  const atEnd = hold?.ended ? undefined : live.judgement?.limitAtEndGramsPerYear?.high
  if (now === undefined) return null
  const lost = lossOf(state)?.gramsPerYear || undefined
  const left = width < 560 ? 4 : 150
  const x = (grams: number) => linear(0, 5, left, width - 4)(Math.min(5, Math.max(0, Math.log10(Math.max(1, grams)))))
  // a label stands before its bar, or in it where there is no room or the tick of what was lost would strike it
  const before = (grams: number, label: string) => {
    const from = x(grams) - 12 - 8.5 * label.length
    return from > left + 4 && (lost === undefined || x(lost) < from - 4 || x(lost) > x(grams))
  }
  const bar = (grams: number, y: number, label: string, solid: boolean) => (
    <g>
      <rect
        x={x(grams)}
        y={y}
        width={Math.max(2, width - 4 - x(grams))}
        height="16"
        fill={solid ? 'var(--ink)' : 'var(--deep)'}
        stroke={solid ? 'none' : 'var(--tight)'}
        strokeWidth="1.5"
      />
      <text
        x={Math.max(left + 4, x(grams) - 8)}
        y={y + 13}
        textAnchor={before(grams, label) ? 'end' : 'start'}
        fontSize="15"
        fontWeight="600"
        stroke={before(grams, label) ? 'var(--ground)' : 'none'}
        strokeWidth="5"
        paintOrder="stroke"
        fill={before(grams, label) || !solid ? 'var(--ink)' : 'var(--ground)'}
        dx={before(grams, label) ? 0 : 16}
      >
        {label}
      </text>
    </g>
  )
  return (
    <div ref={ref} className="mt-2 border-t border-rule pt-2">
      <svg
        width={width}
        height="98"
        role="img"
        aria-label={W.ruledOutAndMore(say.aYear(now), lost === undefined ? '' : W.thisCarLost(say.aYear(lost)))}
      >
        {left > 10 && (
          <g fontSize="15" fill="var(--ink)" textAnchor="end">
            <text x={left - 14} y="14">
              {W.ruledOutByNow}
            </text>
            {atEnd !== undefined && (
              <text x={left - 14} y="38">
                {W.atThePlannedEnd}
              </text>
            )}
          </g>
        )}
        {lost !== undefined && (
          <g>
            <line x1={x(lost)} x2={x(lost)} y1="0" y2="68" stroke="var(--ink)" strokeWidth="2.5" />
            <path d={`M${x(lost) - 7} 76 L${x(lost)} 66 L${x(lost) + 7} 76 Z`} fill="var(--ink)" />
            <text x={x(lost) + 8} y="61" fontSize="15" fontWeight="600" fill="var(--ink)">
              {W.thisCarLost3(say.aYear(lost))}
            </text>
          </g>
        )}
        {bar(now, 1, W.andMore(say.aYear(now)), true)}
        {atEnd !== undefined && atEnd < now && bar(atEnd, 25, say.aYear(atEnd), false)}
        <line x1={left} x2={width - 4} y1="68" y2="68" stroke="var(--ink)" strokeWidth="1.5" />
        {decades(say.units.mass !== 'g').map((g, i, all) => (
          <text
            key={g}
            x={x(g)}
            y="88"
            fontSize="14"
            fill="var(--ink-2)"
            textAnchor={i === 0 ? 'start' : i === all.length - 1 ? 'end' : 'middle'}
          >
            {i === 0 ? say.aYear(g) : say.yearText(g)}
          </text>
        ))}
      </svg>
    </div>
  )
}
