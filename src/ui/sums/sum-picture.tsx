'use client'

import { useRef } from 'react'
import {
  type Axis,
  type BarsPicture,
  type CurvePicture,
  type Picture,
  type ScalePicture,
  shareOn,
} from '@/core/sums/picture'
import { spread } from '../chart/scales'
import { useWidth } from '../hooks/use-width'
import { Grip } from './grip'

type Props<P = Picture> = { picture: P; label: string; onMove: (field: string, value: number | string) => void }
type Sized<P> = Props<P> & { width: number }

/** A sum as a picture whose figures are moved by dragging. */
export function SumPicture({ picture, label, onMove }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(800)
  const shared = { label, onMove, width }
  return (
    <div ref={ref} className="min-w-0 select-none">
      {picture.kind === 'scale' && <Scale picture={picture} {...shared} />}
      {picture.kind === 'curve' && <Curve picture={picture} {...shared} />}
      {picture.kind === 'bars' && <Bars picture={picture} {...shared} />}
    </div>
  )
}

const HALO = { stroke: 'var(--ground)', strokeWidth: 4, paintOrder: 'stroke' as const }

function Scale({ picture, label, onMove, width }: Sized<ScalePicture>) {
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

/** Names of curves stand along them, one behind the other, so that two that lie close are told apart. */
const NAMED_AT = 0.55
const NAMES_APART = 0.2

/** Words of a tick need so much room, px. */
const TICK_PX = 54

/** Ticks that stand far enough from the one before to be read. */
function apart(axis: Axis, px: number): Axis['ticks'] {
  let last = Number.NEGATIVE_INFINITY
  return axis.ticks.filter((t) => {
    const at = shareOn(axis, t.at) * px
    if (at - last < TICK_PX) return false
    last = at
    return true
  })
}

const anchor = (share: number) => (share < 0.06 ? 'start' : share > 0.94 ? 'end' : 'middle')

function Curve({ picture, label, onMove, width }: Sized<CurvePicture>) {
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

const ROW = 50

function Bars({ picture, label, onMove, width }: Sized<BarsPicture>) {
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
