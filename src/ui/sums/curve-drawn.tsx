'use client'

import { useRef } from 'react'
import { type CurvePicture, shareOn } from '@/core/sums/picture'
import { anchor, apart, type Drawn, HALO } from './drawing'
import { Grip } from './grip'

/** Names of curves stand along them, one behind the other, so that two that lie close are told apart. */
const NAMED_AT = 0.55
const NAMES_APART = 0.2

/** Curves over two axes; where the upper end is the smaller figure, deeper is lower. */
export function CurveDrawn({ picture, label, onMove, width }: Drawn<CurvePicture>) {
  const svg = useRef<SVGSVGElement>(null)
  const { x, y, lines, band, rules, handles } = picture
  const narrow = width < 560
  const height = narrow ? 330 : 420
  const plot = { left: narrow ? 62 : 92, right: width - 16, top: 12, bottom: height - 44 }
  // deeper is lower: an axis that runs from the larger figure down has its surface at the top
  const down = y.from > y.to
  const [yFrom, yTo] = down ? [plot.top, plot.bottom] : [plot.bottom, plot.top]
  const px = (v: number) => plot.left + shareOn(x, v) * (plot.right - plot.left)
  const py = (v: number) => yFrom + shareOn(y, v) * (yTo - yFrom)
  const path = (points: readonly (readonly [number, number])[]) =>
    points.map(([a, b], i) => `${i === 0 ? 'M' : 'L'}${px(a).toFixed(1)} ${py(b).toFixed(1)}`).join('')
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that holds sliders is a group; no HTML element is one
    <svg ref={svg} width={width} height={height} role="group" aria-label={label}>
      <rect
        x={plot.left}
        y={plot.top}
        width={plot.right - plot.left}
        height={plot.bottom - plot.top}
        fill={down ? 'var(--drying)' : 'var(--air)'}
      />
      {y.ticks.map((t) => (
        <g key={t.at}>
          <line x1={plot.left} x2={plot.right} y1={py(t.at)} y2={py(t.at)} stroke="var(--rule)" strokeWidth="1" />
          <text x={plot.left - 8} y={py(t.at) + 5} textAnchor="end" fontSize="14.5" fill="var(--ink-2)">
            {t.text}
          </text>
        </g>
      ))}
      {apart(x, plot.right - plot.left).map((t) => (
        <g key={t.at}>
          <line
            x1={px(t.at)}
            x2={px(t.at)}
            y1={plot.bottom}
            y2={plot.bottom + 7}
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <text
            x={px(t.at)}
            y={plot.bottom + 24}
            textAnchor={anchor(shareOn(x, t.at))}
            fontSize="14.5"
            fill="var(--ink-2)"
          >
            {t.text}
          </text>
        </g>
      ))}
      {band && (
        <>
          <path
            d={`${path(band.low)}${path([...band.high].reverse()).replace('M', 'L')}Z`}
            fill="var(--ink)"
            fillOpacity="0.16"
            stroke="var(--ink)"
            strokeOpacity="0.4"
          />
          <CurveName points={band.high} name={band.name} px={px} py={py} right={plot.right} place={0.35} up />
        </>
      )}
      {rules.map((r) => (
        <g key={r.text}>
          <line
            x1={r.x === undefined ? plot.left : px(r.x)}
            x2={r.x === undefined ? plot.right : px(r.x)}
            y1={r.y === undefined ? plot.top : py(r.y)}
            y2={r.y === undefined ? plot.bottom : py(r.y)}
            stroke="var(--ink)"
            strokeWidth="2"
            strokeDasharray="2 5"
          />
          <text
            x={r.x === undefined ? plot.right - 8 : px(r.x) + 6}
            y={r.y === undefined ? plot.top + 18 : py(r.y) - 7}
            textAnchor={r.x === undefined ? 'end' : 'start'}
            fontSize="14.5"
            fill="var(--ink)"
            {...HALO}
          >
            {r.text}
          </text>
        </g>
      ))}
      <line
        x1={plot.left}
        x2={plot.right}
        y1={plot.bottom}
        y2={plot.bottom}
        stroke="var(--ink)"
        strokeWidth={down ? 1.5 : 2.5}
      />
      <line
        x1={plot.left}
        x2={plot.right}
        y1={plot.top}
        y2={plot.top}
        stroke="var(--ink)"
        strokeWidth={down ? 2.5 : 0}
      />
      {lines.map((l, i) => (
        <g key={l.name}>
          <path
            d={path(l.points)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={l.dashed ? 2.2 : 3.6}
            strokeDasharray={l.dashed ? '9 5' : ''}
            strokeLinejoin="round"
          />
          <CurveName
            points={l.points}
            name={l.name}
            px={px}
            py={py}
            right={plot.right}
            place={NAMED_AT + i * NAMES_APART}
          />
        </g>
      ))}
      {handles.map((h) => {
        const along = h.along === 'x'
        return (
          <g key={h.field}>
            <line
              x1={along ? px(h.at) : plot.left}
              x2={along ? px(h.at) : px(h.other)}
              y1={along ? plot.bottom : py(h.at)}
              y2={along ? py(h.other) : py(h.at)}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            <Grip
              handle={h}
              axis={along ? x : y}
              from={along ? plot.left : yFrom}
              to={along ? plot.right : yTo}
              across={along ? py(h.other) : px(h.other)}
              upright={!along}
              svg={svg}
              onMove={onMove}
            />
          </g>
        )
      })}
    </svg>
  )
}

function CurveName({
  points,
  name,
  px,
  py,
  right,
  place,
  up = false,
}: {
  points: readonly (readonly [number, number])[]
  name: string
  px: (v: number) => number
  py: (v: number) => number
  /** where the drawing ends: a name goes no further */
  right: number
  /** at which share of its points the name stands */
  place: number
  up?: boolean
}) {
  const at = points[Math.min(points.length - 1, Math.floor(points.length * place))]
  if (!at || name === '') return null
  const beyond = px(at[0]) + 12 + 7.2 * name.length > right
  return (
    <text
      x={beyond && !up ? right - 6 : px(at[0]) + (up ? -6 : 12)}
      y={py(at[1]) + (up ? -8 : beyond ? -16 : 20)}
      textAnchor={up || beyond ? 'end' : 'start'}
      fontSize="15"
      fill="var(--ink)"
      {...HALO}
    >
      {name}
    </text>
  )
}
