'use client'

import { useRef } from 'react'
import { type BarsPicture, shareOn } from '@/core/sums/picture'
import { anchor, apart, type Drawn, HALO } from './drawing'
import { Grip } from './grip'

const ROW = 50

/** Bars one below the other, with what they are to come to. */
export function BarsDrawn({ picture, label, onMove, width }: Drawn<BarsPicture>) {
  const svg = useRef<SVGSVGElement>(null)
  const { axis, rows, target, handles } = picture
  const [left, right] = [14, width - 14]
  const top = handles.length > 0 ? 46 : 12
  const bottom = top + rows.length * ROW
  const x = (v: number) => left + shareOn(axis, v) * (right - left)
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that holds sliders is a group; no HTML element is one
    <svg ref={svg} width={width} height={bottom + 44} role="group" aria-label={label}>
      {target && (
        <>
          <rect
            x={x(target.low)}
            y={top - 4}
            width={Math.max(2, x(target.high) - x(target.low))}
            height={bottom - top + 4}
            fill="var(--deep)"
          />
          <line x1={x(target.at)} x2={x(target.at)} y1={top - 10} y2={bottom} stroke="var(--ink)" strokeWidth="2" />
        </>
      )}
      {rows.map((r, i) => {
        const y = top + i * ROW
        const end = x(r.to)
        return (
          <g key={r.name}>
            <text x={left} y={y + 15} fontSize="15" fill="var(--ink-2)" {...HALO}>
              {r.name}
            </text>
            <rect
              x={x(r.from)}
              y={y + 21}
              width={Math.max(1.5, end - x(r.from))}
              height="20"
              fill={r.pale ? 'var(--drying)' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            <text
              x={end > width * 0.62 ? end - 8 : end + 8}
              y={y + 37}
              textAnchor={end > width * 0.62 ? 'end' : 'start'}
              fontSize="15.5"
              fontWeight="600"
              fill={end > width * 0.62 && !r.pale ? 'var(--sheet)' : 'var(--ink)'}
              {...(end > width * 0.62 ? {} : HALO)}
            >
              {r.text}
            </text>
          </g>
        )
      })}
      <line x1={left} x2={right} y1={bottom + 4} y2={bottom + 4} stroke="var(--ink)" strokeWidth="1.5" />
      {apart(axis, right - left).map((t) => (
        <text
          key={t.at}
          x={x(t.at)}
          y={bottom + 26}
          textAnchor={anchor(shareOn(axis, t.at))}
          fontSize="14.5"
          fill="var(--ink-2)"
        >
          {t.text}
        </text>
      ))}
      {handles.map((h) => (
        <Grip
          key={h.field}
          handle={h}
          axis={axis}
          from={left}
          to={right}
          across={22}
          upright={false}
          svg={svg}
          onMove={onMove}
        />
      ))}
    </svg>
  )
}
