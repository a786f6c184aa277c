'use client'

import type { Live } from '@/core/call/types'
import { seatRead } from '@/core/job/gauge-seat'
import { currentPull, type JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-pull'
import { comeBackAt } from '@/core/pull/forecast'
import type { PullBand } from '@/core/pull/planner'
import { bottomOf, depthShare, drawnPa, type Strata, strataOf } from '@/core/pull/strata'
import { type VacuumSeen, vacuumLine, vacuumSeenIn } from '@/core/readings/vacuum-seen'
import { MINUTE_MS } from '@/core/units/constants'
import type { Say } from '@/core/units/say'
import type { CurvePoint } from '@/core/views'
import { NeedleHatch, StrataFills } from '../../chart/depth-strip'
import { linear, pathOf, spread } from '../../chart/scales'
import { TimeLabels } from '../../chart/time-labels'
import { ZoomButtons } from '../../chart/zoom-buttons'
import { paText } from '../../format'
import { useTimeWindow } from '../../hooks/use-time-window'
import { useWidth } from '../../hooks/use-width'
import { useSay } from '../../units'
import { ReadingFigures } from '../readings/reading-figures'

type Props = {
  state: JobState
  live: Live
  vacuum: readonly CurvePoint[]
  /** a gauge at the pump beside the far one: a thin curve */
  pump?: readonly CurvePoint[]
  clock: (ms: number) => string
  band?: PullBand | undefined
}

export function jobStrata(state: JobState): Strata {
  const { place, procedure, rig } = state.opened
  return strataOf(place.barometerPa, place.ambientC, procedure.targetPa, rig.ultimatePa)
}

/** The descent: pressure as depth on a log scale, the strata of this place as its axis, time to the right. */
export function Descent({ state, live, vacuum, pump = [], clock, band }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const narrow = width < 560
  const say = useSay(state.opened.place.barometerPa)
  const strata = jobStrata(state)
  const pull = currentPull(state)
  const startMs = pull ? Date.parse(pull.startedAt) : live.nowMs
  const dueMs = comeBackAt(startMs + state.opened.procedure.pullMinutes * MINUTE_MS, live.forecast).atMs
  const endMs = Math.max(dueMs, live.nowMs) + (Math.max(dueMs, live.nowMs) - startMs) * 0.08
  const left = narrow ? 0 : 166
  const strip = 28
  const height = narrow ? 270 : 410
  const plotLeft = left + strip
  const shown = useTimeWindow(startMs, endMs, width - plotLeft)
  const x = linear(shown.from, shown.to, plotLeft, width)
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * (height - 4) + 2
  const read = vacuum.filter((p) => p.at >= startMs)
  const lastRead = read[read.length - 1]
  const gauge = seatRead(state.opened.rig, live.vacuumUnit) === 'needle' ? 'needle' : 'electronic'
  const points = read.map((p) => ({ at: p.at, value: drawnPa(gauge, p.value) }))
  const last = points[points.length - 1]
  const drawn = points.map((p) => ({ x: x(p.at), y: y(p.value) }))
  const curve = last ? [...drawn, ...markOfNow(x(last.at), y(last.value), height)] : drawn
  const seen = vacuumSeenIn(state.opened, live.vacuumUnit, say.units.vacuum)
  const marks = pull
    ? [
        { at: live.nowMs, text: W.now(clock(live.nowMs)) },
        ...(dueMs > live.nowMs + (endMs - startMs) * 0.16 ? [{ at: dueMs, text: clock(dueMs) }] : []),
      ]
    : []
  return (
    <figure ref={ref} className="relative mt-3">
      <svg
        width={width}
        height={height + 36}
        role="img"
        aria-label={W.plusAndMinusZoomArrows(sentence(live, strata, lastRead, seen, say))}
        style={{ touchAction: 'pan-y' }}
        {...shown.handlers}
      >
        <clipPath id="descent-plot">
          <rect x={left} y={0} width={Math.max(0, width - left)} height={height} />
        </clipPath>
        {!narrow && <StrataNames strata={strata} y={y} height={height} ambientC={state.opened.place.ambientC} />}
        <g transform={`translate(${left} 0)`}>
          <StrataFills strata={strata} y={y} width={Math.max(0, width - left)} height={height} />
          <NeedleHatch
            y={y(strata.needleLimitPa)}
            width={strip}
            height={height - y(strata.needleLimitPa) + y(strata.needleLimitPa)}
          />
        </g>
        <line x1={plotLeft} x2={plotLeft} y1={0} y2={height} stroke="var(--ink)" strokeWidth="1.5" />
        <Lines strata={strata} y={y} left={left} right={width} />
        {band && (
          <g clipPath="url(#descent-plot)">
            <Band
              band={band}
              x={(s) => x(startMs + s * 1000)}
              y={y}
              right={width}
              avoid={y(strata.targetPa)}
              curve={curve}
            />
          </g>
        )}
        {narrow && <InnerNames strata={strata} y={y} right={width - 8} curve={curve} />}
        <line x1={left} x2={width} y1={1.5} y2={1.5} stroke="var(--ink)" strokeWidth="2.5" />
        {pull && pump.length > 0 && (
          <path
            d={pathOf(
              pump.filter((p) => p.at >= startMs),
              x,
              y,
            )}
            clipPath="url(#descent-plot)"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        )}
        {pull && (
          <g clipPath="url(#descent-plot)">
            <path
              // a needle's few readings are no fall that was seen
              d={
                gauge === 'needle' ? pathOf(points, x, y) : `M${x(startMs)} 2${pathOf(points, x, y).replace('M', 'L')}`
              }
              fill="none"
              stroke="var(--ink)"
              strokeWidth="4"
              strokeLinejoin="round"
            />
            {last && (
              <>
                <line
                  x1={x(last.at)}
                  x2={x(last.at)}
                  y1={y(last.value)}
                  y2={height}
                  stroke="var(--ink)"
                  strokeWidth="1"
                />
                <circle
                  className="glide"
                  cx={x(last.at)}
                  cy={y(last.value)}
                  r="8.5"
                  fill="var(--sheet)"
                  stroke="var(--ink)"
                  strokeWidth="4.5"
                />
              </>
            )}
          </g>
        )}
        {last && (
          <path
            d={`M${left} ${y(last.value) - 8} L${left + 24} ${y(last.value)} L${left} ${y(last.value) + 8} Z`}
            fill="var(--ink)"
          />
        )}
        <TimeLabels
          fromMs={shown.from}
          toMs={shown.to}
          x={x}
          y={height}
          clock={clock}
          marks={marks.filter((m) => m.at >= shown.from && m.at <= shown.to)}
          most={narrow ? 3 : 7}
          left={plotLeft}
          right={width}
        />
      </svg>
      <div className="absolute top-4" style={{ left: plotLeft + (narrow ? 24 : 64) }}>
        <ReadingFigures
          live={live}
          unread={pull ? W.aboveTheGaugesRangeStill : W.nothingPulledYet}
          seen={seen}
          gaugeAt={state.opened.rig.gaugeAt}
        />
      </div>
      {pull && <ZoomButtons window={shown} />}
      <figcaption className="sr-only">{sentence(live, strata, lastRead, seen, say)}</figcaption>
    </figure>
  )
}

/** What was read, and the mark of now, px: no word stands on either. */
type Curve = readonly { x: number; y: number }[]
/** Points of the mark of now and of its line down to the axis: so far apart, and the mark so wide, px. */
const MARK_EVERY = 8
const MARK_HALF = 13
const markOfNow = (x: number, y: number, height: number): Curve => [
  { x: x - MARK_HALF, y },
  { x: x + MARK_HALF, y },
  ...Array.from({ length: Math.max(0, Math.floor((height - y) / MARK_EVERY)) }, (_, i) => ({
    x,
    y: y + i * MARK_EVERY,
  })),
]

/** Room a line's name takes at the right, px. */
const NAME_WIDTH = 110
/** Room the band's words take: to the right, and above and below their middle, px. */
const LABEL_WIDTH = 130
const LABEL_HALF = 14

/** Where 8 of 10 predicted pulls lie, behind the real curve. */
function Band({
  band,
  x,
  y,
  right,
  avoid,
  curve,
}: {
  band: PullBand
  x: (s: number) => number
  y: (pa: number) => number
  right: number
  /** height of the target's line, px: no word stands on it */
  avoid: number
  /** what was read, px: no word stands on it either */
  curve: Curve
}) {
  const shown = band.tS.filter((s) => x(s) <= right).length
  const edge = (values: number[]) =>
    values.slice(0, shown).map((pa, i) => `${x(band.tS[i] as number).toFixed(1)} ${y(pa).toFixed(1)}`)
  // where the band is thickest its words have room
  const thickness = (i: number) => y(band.lowPa[i] as number) - y(band.highPa[i] as number)
  const places = Array.from({ length: Math.max(1, shown - 12) }, (_, i) => {
    const [top, bottom] = [y(band.highPa[i] as number), y(band.lowPa[i] as number)]
    return { i, atX: x(band.tS[i] as number) + 6, heights: [0.5, 0.8, 0.2].map((s) => top + s * (bottom - top) + 5) }
  }).sort((a, b) => thickness(b.i) - thickness(a.i))
  const isFree = (atX: number, atY: number) =>
    Math.abs(atY - 5 - avoid) >= LABEL_HALF &&
    curve.every((p) => p.x < atX - 8 || p.x > atX + LABEL_WIDTH || Math.abs(p.y - (atY - 5)) >= LABEL_HALF)
  const free = places
    .flatMap(({ atX, heights }) => heights.map((atY) => ({ atX, atY })))
    .find(({ atX, atY }) => isFree(atX, atY))
  return (
    <g>
      <path
        d={`M${edge(band.highPa).join('L')}L${edge(band.lowPa).reverse().join('L')}Z`}
        fill="var(--ink)"
        fillOpacity="0.13"
        stroke="var(--ink)"
        strokeOpacity="0.45"
        strokeWidth="1"
      />
      {shown > 3 && free && (
        <text
          x={free.atX}
          y={free.atY}
          fontSize="14.5"
          fill="var(--ink)"
          stroke="var(--deep)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {W.predicted8In10}
        </text>
      )}
    </g>
  )
}

function sentence(
  live: Live,
  strata: Strata,
  last: CurvePoint | undefined,
  seen: (pa: number) => VacuumSeen,
  say: Say,
): string {
  if (!last) return W.noVacuumReadingYetThe(paText(strata.airPa), say.vacuum(strata.targetPa))
  const shown = seen(last.value)
  if (shown.byNeedle)
    return W.theNeedleAtNoNeedle(
      live.clock(last.at),
      vacuumLine(shown),
      say.vacuum(strata.targetPa),
      say.vacuum(strata.waterBoilsPa),
    )
  const place = last.value <= strata.targetPa ? 'below' : 'above'
  return W.atTheTargetOfWater(
    say.vacuum(last.value),
    live.clock(last.at),
    place,
    say.vacuum(strata.targetPa),
    say.vacuum(strata.waterBoilsPa),
  )
}

function Lines({ strata, y, left, right }: { strata: Strata; y: (pa: number) => number; left: number; right: number }) {
  return (
    <>
      <line
        x1={left}
        x2={right}
        y1={y(strata.needleLimitPa)}
        y2={y(strata.needleLimitPa)}
        stroke="var(--rule-2)"
        strokeWidth="1.2"
      />
      <line
        x1={left}
        x2={right}
        y1={y(strata.waterBoilsPa)}
        y2={y(strata.waterBoilsPa)}
        stroke="var(--ink)"
        strokeWidth="3.6"
        strokeDasharray="0 7"
        strokeLinecap="round"
      />
      <line
        x1={left}
        x2={right}
        y1={y(strata.targetPa)}
        y2={y(strata.targetPa)}
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
    </>
  )
}

function names(strata: Strata, ambientC: number, say: Say) {
  return [
    { name: W.airHere, pa: strata.airPa, strong: true },
    { name: W.needleSeesTo, pa: strata.needleLimitPa, strong: true },
    { name: W.waterBoils(say.celsius(ambientC)), pa: strata.waterBoilsPa, strong: true },
    { name: W.target, pa: strata.targetPa, strong: true },
    { name: W.pumpFloor, pa: strata.pumpFloorPa, strong: true },
  ]
}

function StrataNames({
  strata,
  y,
  height,
  ambientC,
}: {
  strata: Strata
  y: (pa: number) => number
  height: number
  ambientC: number
}) {
  const say = useSay(strata.airPa)
  const labels = spread(
    names(strata, ambientC, say).map((n) => ({ ...n, y: y(n.pa) + 5 })),
    20,
    14,
    height - 2,
  )
  return (
    <g fontSize="15.5">
      {labels.map((l) => (
        <g key={l.name}>
          <text x="0" y={l.y} fill="var(--ink)" fontWeight="600">
            {l.name}
          </text>
          <text x="158" y={l.y} textAnchor="end" fill="var(--ink)">
            {say.vacuumText(l.pa)}
          </text>
        </g>
      ))}
    </g>
  )
}

function InnerNames({
  strata,
  y,
  right,
  curve,
}: {
  strata: Strata
  y: (pa: number) => number
  right: number
  curve: Curve
}) {
  const say = useSay(strata.airPa)
  const struck = (at: number, atY: number) =>
    curve.some((p) => p.x > at - 6 && p.x < at + NAME_WIDTH + 6 && Math.abs(p.y - (atY - 5)) < LABEL_HALF)
  // at the right end of its line, or left of what was read last; on the one side of the line, or the other
  const left = Math.max(0, Math.min(right, ...curve.slice(-1).map((p) => p.x)) - NAME_WIDTH - 24)
  const placed = (name: string, lineY: number, ...beside: number[]) => {
    const free = [right - NAME_WIDTH, left].flatMap((at) => beside.map((by) => ({ at, y: lineY + by })))
    const found = free.find((f) => !struck(f.at, f.y)) ?? (free[0] as (typeof free)[number])
    return { name, y: found.y, end: found.at + NAME_WIDTH }
  }
  const labels = spread(
    [
      placed(W.target2(say.vacuumText(strata.targetPa)), y(strata.targetPa), -6, 18),
      placed(W.waterBoilsBelow, y(strata.waterBoilsPa), 18, -9),
    ],
    17,
    130,
    320,
  )
  return (
    <g fontSize="14" fill="var(--ink-2)">
      {labels.map((l) => (
        <text key={l.name} x={l.end} y={l.y} textAnchor="end">
          {l.name}
        </text>
      ))}
    </g>
  )
}
