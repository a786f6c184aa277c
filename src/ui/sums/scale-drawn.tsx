'use client'

import { useRef } from 'react'
import { type ScalePicture, shareOn } from '@/core/sums/picture'
import { spread } from '../chart/scales'
import { anchor, type Drawn, HALO } from './drawing'
import { Grip } from './grip'

/** One scale with bands, marks and what is dragged along it; a depth stands upright. */
export function ScaleDrawn({ picture, label, onMove, width }: Drawn<ScalePicture>) {
  const svg = useRef<SVGSVGElement>(null)
  const { axis, bands, marks, handles, beside = [], deep = false } = picture
  const narrow = width < 560
  const height = deep ? (narrow ? 330 : 420) : 190
  const [from, to] = deep ? [10, height - 14] : [14, width - 14]
  const at = (v: number) => from + shareOn(axis, v) * (to - from)
  const [left, right] = deep ? [92, width - 4] : [14, width - 14]
  const [top, bottom] = deep ? [10, height - 14] : [56, 116]
  const hatch = `hatch-${axis.name}`
  const labels = deep
    ? spread(
        marks.map((m) => ({ ...m, y: at(m.at) - 8 })),
        20,
        26,
        height - 4,
      )
    : []
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that holds sliders is a group; no HTML element is one
    <svg ref={svg} width={width} height={height} role="group" aria-label={label}>
      <pattern id={hatch} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" x2="0" y1="0" y2="8" stroke="var(--ink)" strokeWidth="2.2" />
      </pattern>
      {bands.map((b) => {
        const [a, z] = [at(b.from), at(b.to)].sort((p, q) => p - q) as [number, number]
        const box = deep
          ? { x: left, y: a, width: right - left, height: Math.max(1, z - a) }
          : { x: a, y: top, width: Math.max(1, z - a), height: bottom - top }
        return (
          <g key={b.name + b.from}>
            <rect {...box} fill={`var(--${b.tone})`} />
            {b.hatched && (
              <rect {...box} fill={`url(#${hatch})`} fillOpacity="0.28" stroke="var(--ink)" strokeWidth="1.5" />
            )}
            {deep && z - a > 26 && !b.hatched && (
              <text x={right - 10} y={a + 20} textAnchor="end" fontSize="15" fill="var(--ink-2)">
                {b.name}
              </text>
            )}
          </g>
        )
      })}
      {deep ? (
        <>
          <line x1={left} x2={right} y1={top} y2={top} stroke="var(--ink)" strokeWidth="2.5" />
          {axis.ticks.map((t) => (
            <text
              key={t.at}
              x={left - 10}
              y={Math.max(20, at(t.at) + 5)}
              textAnchor="end"
              fontSize="14.5"
              fill="var(--ink-2)"
            >
              {t.text}
            </text>
          ))}
          {marks.map((m) => (
            <line
              key={m.text}
              x1={left}
              x2={right}
              y1={at(m.at)}
              y2={at(m.at)}
              stroke="var(--ink)"
              strokeWidth={m.strong ? 2.5 : 1.2}
            />
          ))}
          {labels.map((m) => (
            <text key={m.text} x={left + 64} y={m.y} fontSize="16" fontWeight="600" fill="var(--ink)" {...HALO}>
              {m.text}
            </text>
          ))}
        </>
      ) : (
        <>
          <line x1={from} x2={to} y1={bottom} y2={bottom} stroke="var(--ink)" strokeWidth="2.5" />
          {axis.ticks.map((t) => (
            <g key={t.at}>
              <line x1={at(t.at)} x2={at(t.at)} y1={bottom} y2={bottom + 9} stroke="var(--ink)" strokeWidth="1.5" />
              <text
                x={at(t.at)}
                y={bottom + 28}
                textAnchor={anchor(shareOn(axis, t.at))}
                fontSize="15"
                fill="var(--ink)"
              >
                {t.text}
              </text>
            </g>
          ))}
          {beside.map((t) => (
            <g key={t.at}>
              <line x1={at(t.at)} x2={at(t.at)} y1={top - 9} y2={top} stroke="var(--ink)" strokeWidth="1.5" />
              <text x={at(t.at)} y={top - 16} textAnchor={anchor(shareOn(axis, t.at))} fontSize="15" fill="var(--ink)">
                {t.text}
              </text>
            </g>
          ))}
          {marks.map((m) => (
            <line key={m.text} x1={at(m.at)} x2={at(m.at)} y1={top} y2={bottom} stroke="var(--ink)" strokeWidth="3" />
          ))}
        </>
      )}
      {handles.map((h) => (
        <Grip
          key={h.field}
          handle={h}
          axis={axis}
          from={from}
          to={to}
          across={deep ? left + 34 : (top + bottom) / 2}
          upright={deep}
          svg={svg}
          onMove={onMove}
        />
      ))}
    </svg>
  )
}
