'use client'

import type { Live } from '@/core/call/types'
import type { Future } from '@/core/hold/types'
import { currentHold, type Hold, holdEndsMs, type JobState } from '@/core/job/state'
import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/job-hold'
import { bottomOf, depthShare, drawnPa } from '@/core/pull/strata'
import { vacuumLine, vacuumSeenIn } from '@/core/readings/vacuum-seen'
import { PA_PER_INHG } from '@/core/units/constants'
import { fromPascal, toPascal } from '@/core/units/pressure'
import type { CurvePoint } from '@/core/views'
import { StrataFills } from '../../chart/depth-strip'
import { linear, niceTicks, pathOf, spread } from '../../chart/scales'
import { TimeLabels } from '../../chart/time-labels'
import { ZoomButtons } from '../../chart/zoom-buttons'
import { useTimeWindow } from '../../hooks/use-time-window'
import { useWidth } from '../../hooks/use-width'
import { useSay, useUnits } from '../../units'
import { jobStrata } from '../pull/descent'
import { ReadingFigures } from '../readings/reading-figures'

type Props = { state: JobState; live: Live; vacuum: readonly CurvePoint[]; clock: (ms: number) => string }

export const SHAPE_LINES = {
  tight: { color: 'var(--tight)', dash: undefined, word: 'tight' },
  damp: { color: 'var(--damp)', dash: '14 8', word: 'damp' },
  leak: { color: 'var(--leak)', dash: '0.1 7', word: 'leak' },
  'leak-and-damp': { color: 'var(--leak)', dash: '14 6 0.1 6', word: codeWords('both') },
} as const

/**
 * The hold through a lens: the whole descent small at the left, the rise since isolation large, the futures fanning
 * from now.
 */
export function HoldLens({ state, live, vacuum, clock }: Props) {
  const hold = currentHold(state)
  return hold ? <Lens hold={hold} state={state} live={live} vacuum={vacuum} clock={clock} /> : null
}

function Lens({ hold, state, live, vacuum, clock }: Props & { hold: Hold }) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const narrow = width < 560
  const startMs = Date.parse(hold.isolatedAt)
  // a hold that was ended early ends there, whatever was planned
  const endMs = hold.ended
    ? Math.max(Date.parse(hold.ended.at), startMs + 60_000)
    : Math.max(holdEndsMs(hold), live.nowMs)
  const untilMs = hold.ended ? Date.parse(hold.ended.at) : Number.POSITIVE_INFINITY
  const points = vacuum.filter((p) => p.at >= startMs && p.at <= untilMs)
  const futures = live.judgement?.futures ?? []
  const needle = state.opened.rig.gauge === 'needle'
  const layout = layoutOf(width, narrow)
  const range = rangeOf(points, futures, jobStrata(state).targetPa, needle)
  const shown = useTimeWindow(startMs, endMs, layout.endX - layout.plotLeft)
  const x = linear(shown.from, shown.to, layout.plotLeft, layout.endX)
  const y = linear(range.low, range.high, layout.bottom, layout.top)
  const last = points[points.length - 1]
  const seen = vacuumSeenIn(state.opened, live.vacuumUnit, useUnits().vacuum)
  const said = last
    ? W.atIsolation(
        vacuumLine(seen(last.value)),
        seen(points[0]?.value ?? last.value).text,
        clock(startMs),
        futures.map((f) => `${SHAPE_LINES[f.shape].word} ${Math.round(f.probability * 100)} %`).join(', '),
      )
    : W.isolatedNoReadingYet
  return (
    <figure ref={ref} className="relative mt-3">
      <svg
        width={width}
        height={layout.bottom + 36}
        role="img"
        aria-label={W.plusAndMinusZoomArrows(said)}
        style={{ touchAction: 'pan-y' }}
        {...shown.handlers}
      >
        <clipPath id="hold-plot">
          <rect x={layout.plotLeft} y={0} width={Math.max(0, layout.endX - layout.plotLeft)} height={layout.bottom} />
        </clipPath>
        <Whole
          state={state}
          vacuum={vacuum}
          width={layout.smallWidth}
          height={layout.bottom}
          range={range}
          wedgeTo={{ x: layout.plotLeft, top: 0, bottom: layout.bottom }}
        />
        <rect
          x={layout.plotLeft}
          y={0}
          width={Math.max(0, width - layout.plotLeft)}
          height={layout.bottom}
          fill="var(--drying)"
        />
        <TargetLine
          y={y}
          range={range}
          targetPa={needle ? null : jobStrata(state).targetPa}
          barometerPa={state.opened.place.barometerPa}
          left={layout.plotLeft}
          right={width}
          top={layout.top}
          bottom={layout.bottom}
        />
        <g clipPath="url(#hold-plot)">
          {last && futures.map((f) => <FutureLine key={f.shape} future={f} x={(s) => x(startMs + s * 1000)} y={y} />)}
        </g>
        <line
          x1={layout.endX}
          x2={layout.endX}
          y1={layout.top}
          y2={layout.bottom}
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <g clipPath="url(#hold-plot)">
          <path d={pathOf(points, x, y)} fill="none" stroke="var(--ink)" strokeWidth="3.5" strokeLinejoin="round" />
        </g>
        {last && last.at <= shown.to && last.at >= shown.from && (
          <circle
            className="glide"
            cx={x(last.at)}
            cy={y(last.value)}
            r="8.5"
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="4"
          />
        )}
        <FutureWords
          futures={futures}
          y={y}
          x={layout.endX + 10}
          top={layout.top}
          bottom={layout.bottom}
          narrow={narrow}
        />
        <line
          x1={layout.plotLeft}
          x2={layout.plotLeft}
          y1={0}
          y2={layout.bottom}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <TimeLabels
          fromMs={shown.from}
          toMs={shown.to}
          x={x}
          y={layout.bottom}
          clock={clock}
          marks={[
            ...(last && !hold.ended && x(last.at) < layout.endX - 150
              ? [{ at: last.at, text: `${live.vacuumByHand ? W.read : W.now} ${clock(last.at)}` }]
              : []),
            {
              at: endMs,
              text: narrow ? clock(endMs) : hold.ended ? W.judged(clock(endMs)) : W.comeBack(clock(endMs)),
            },
          ]}
          most={narrow ? 2 : 5}
          left={layout.plotLeft}
          right={width}
        />
      </svg>
      <div className="absolute top-2.5" style={{ left: layout.plotLeft + 20 }}>
        <ReadingFigures
          live={last ? { ...live, vacuumPa: live.vacuumPa ?? last.value } : live}
          seen={seen}
          unread={W.isolatedNoReadingYet2}
        />
      </div>
      <ZoomButtons window={shown} />
      <figcaption className="sr-only">{said}</figcaption>
    </figure>
  )
}

function layoutOf(width: number, narrow: boolean) {
  const smallWidth = narrow ? 26 : 148
  const wedge = narrow ? 34 : 84
  const plotLeft = smallWidth + wedge
  const words = narrow ? 96 : 152
  return { smallWidth, plotLeft, endX: width - words, top: narrow ? 104 : 132, bottom: narrow ? 262 : 400 }
}

function rangeOf(points: readonly CurvePoint[], futures: readonly Future[], targetPa: number, needle: boolean) {
  const values = points.map((p) => p.value)
  // what a needle cannot tell apart is not drawn as if it moved
  if (needle) return { low: 0, high: Math.max(NEEDLE_AXIS_PA, ...values) * 1.2 }
  const high =
    Math.max(targetPa * 1.08, ...values, ...futures.filter((f) => f.probability > 0.02).map((f) => f.highPa)) * 1.04
  const low = Math.max(0, Math.min(...values, targetPa) * 0.86)
  return { low, high }
}

/** A needle's hold shows three inches at least. */
const NEEDLE_AXIS_PA = 3 * PA_PER_INHG

/** Everything so far at the left, small, and the wedge that says what is magnified. */
function Whole({
  state,
  vacuum,
  width,
  height,
  range,
  wedgeTo,
}: {
  state: JobState
  vacuum: readonly CurvePoint[]
  width: number
  height: number
  range: { low: number; high: number }
  wedgeTo: { x: number; top: number; bottom: number }
}) {
  const strata = jobStrata(state)
  const say = useSay(strata.airPa)
  const y = (pa: number) => depthShare(pa, strata.airPa, bottomOf(strata)) * height
  const first = Date.parse(state.pulls[0]?.startedAt ?? state.openedAt)
  const { gauge } = state.opened.rig
  const shown = vacuum.filter((p) => p.at >= first).map((p) => ({ at: p.at, value: drawnPa(gauge, p.value) }))
  const last = shown[shown.length - 1]
  const x = linear(first, last?.at ?? first + 1, 4, width - 2)
  const top = y(range.high)
  const bottom = y(Math.max(range.low, bottomOf(strata)))
  return (
    <g>
      <StrataFills strata={strata} y={y} width={width} height={height} />
      <line x1={0} x2={width} y1={y(strata.targetPa)} y2={y(strata.targetPa)} stroke="var(--ink)" strokeWidth="1.5" />
      <line
        x1={0}
        x2={width}
        y1={y(strata.waterBoilsPa)}
        y2={y(strata.waterBoilsPa)}
        stroke="var(--ink)"
        strokeWidth="2.6"
        strokeDasharray="0 6"
        strokeLinecap="round"
      />
      {width > 60 && (
        <path d={`M4 2${pathOf(shown, x, y).replace('M', 'L')}`} fill="none" stroke="var(--ink)" strokeWidth="2" />
      )}
      {last && <path d={`M0 ${y(last.value) - 7} L20 ${y(last.value)} L0 ${y(last.value) + 7} Z`} fill="var(--ink)" />}
      {width > 60 && (
        <text x="8" y="18" fontSize="15" fill="var(--ink)">
          {W.air2(say.vacuumText(strata.airPa))}
        </text>
      )}
      <path
        d={`M${width} ${top} L${wedgeTo.x} ${wedgeTo.top} V${wedgeTo.bottom} L${width} ${bottom} Z`}
        fill="var(--ink)"
        fillOpacity="0.05"
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      <line x1={width} x2={width} y1={top} y2={bottom} stroke="var(--ink)" strokeWidth="4" />
    </g>
  )
}

/** Height at the foot of the picture that is the curve's alone, px. */
const FOOT_PX = 30

function TargetLine({
  y,
  range,
  targetPa,
  barometerPa,
  left,
  right,
  top,
  bottom,
}: {
  y: (pa: number) => number
  range: { low: number; high: number }
  /** null for a needle, which shows none; its marks are inches below the air */
  targetPa: number | null
  barometerPa: number
  left: number
  right: number
  top: number
  bottom: number
}) {
  const at = targetPa === null ? bottom : y(targetPa)
  const say = useSay(barometerPa)
  const unit = targetPa === null ? 'inHgV' : say.units.vacuum
  const ends = [range.low, range.high].map((pa) => fromPascal(pa, unit, barometerPa)).sort((a, b) => a - b)
  const marks = niceTicks(ends[0] ?? 0, ends[1] ?? 1, 4)
    .map((value) => ({
      pa: toPascal(value, unit, barometerPa),
      text: unit === 'inHgV' ? W.inhg(value) : value.toLocaleString('en'),
    }))
    // the curve begins at the foot: a mark down there would be struck by it
    .filter(({ pa }) => (targetPa === null || Math.abs(y(pa) - at) > 24) && y(pa) < bottom - FOOT_PX)
  return (
    <g fontSize="15">
      <rect
        x={left}
        y={Math.max(top, at)}
        width={Math.max(0, right - left)}
        height={Math.max(0, bottom - Math.max(top, at))}
        fill="var(--deep)"
      />
      {marks.map(({ pa, text }) => (
        <g key={pa}>
          <line x1={left} x2={right} y1={y(pa)} y2={y(pa)} stroke="var(--ink)" strokeOpacity="0.14" />
          <text x={left + 8} y={y(pa) - 5} fill="var(--ink-2)">
            {text}
          </text>
        </g>
      ))}
      {targetPa !== null && (
        <>
          <line x1={left} x2={right} y1={at} y2={at} stroke="var(--ink)" strokeWidth="2.5" />
          <text x={left + 8} y={at - 6} fill="var(--ink)" fontWeight="600">
            {W.target2(say.vacuumText(targetPa))}
          </text>
        </>
      )}
    </g>
  )
}

/** One explanation drawn on from now, with its band. */
export function FutureLine({ future, x, y }: { future: Future; x: (s: number) => number; y: (pa: number) => number }) {
  const line = SHAPE_LINES[future.shape]
  const first = future.points[0]
  if (!first || future.probability < 0.02) return null
  const d = future.points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.elapsedS).toFixed(1)} ${y(p.pressurePa).toFixed(1)}`)
    .join('')
  return (
    <g>
      <path d={bandOf(future, x, y)} fill={line.color} fillOpacity="0.16" />
      <path
        d={d}
        fill="none"
        stroke={line.color}
        strokeWidth={2.4 + 2.4 * future.probability}
        strokeDasharray={line.dash}
        strokeLinecap="round"
      />
    </g>
  )
}

/** The band of a future: nothing now, its full width at the end. */
function bandOf(future: Future, x: (s: number) => number, y: (pa: number) => number): string {
  const n = future.points.length - 1
  const edge = (side: number) =>
    future.points.map(
      (p, i) =>
        `${x(p.elapsedS).toFixed(1)} ` +
        `${y(p.pressurePa + (side * (i / n) * (future.highPa - future.lowPa)) / 2).toFixed(1)}`,
    )
  return `M${edge(1).join('L')}L${edge(-1).reverse().join('L')}Z`
}

/** The chance and the name of every explanation, at the end of its line. */
export function FutureWords({
  futures,
  y,
  x,
  top,
  bottom,
  narrow,
}: {
  futures: readonly Future[]
  y: (pa: number) => number
  x: number
  top: number
  bottom: number
  narrow: boolean
}) {
  const shown = futures.filter((f) => f.probability >= 0.02)
  const labels = spread(
    shown.map((f) => ({ ...f, y: y(f.atEndPa) + 6 })),
    narrow ? 22 : 28,
    top + 16,
    bottom - 6,
  )
  return (
    <g fontWeight="600" fontSize={narrow ? 16 : 20}>
      {labels.map((f) => (
        <text key={f.shape} x={x} y={f.y} fill={SHAPE_LINES[f.shape].color}>
          {Math.round(f.probability * 100)} % {SHAPE_LINES[f.shape].word}
        </text>
      ))}
    </g>
  )
}
