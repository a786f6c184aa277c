'use client'

import type { Live } from '@/core/call/types'
import { type Level, levelsOf } from '@/core/charge/levels'
import { toleranceG } from '@/core/charge/plan-for-job'
import { chargedG, type JobState, lostG, openContainer } from '@/core/procedure/state'
import { linear, pathOf } from '../chart/scales'
import { TimeLabels } from '../chart/time-labels'
import type { CurvePoint } from '../hooks/use-job-live'
import { useWidth } from '../hooks/use-width'

type Props = { state: JobState; live: Live; scale: readonly CurvePoint[]; clock: (ms: number) => string }

const grams = (value: number): string => Math.round(value).toLocaleString('en').replace('-', '−')

/** The lens shows this much below the next closing, g, and this much above what is allowed. */
const LENS_BELOW_G = 140
const LENS_ABOVE_G = 14
const HEIGHT = 238
const TOP = 4

/** Grams in the car over time, from the scale: each container's loss on top of what the ones before gave. */
export function ascentOf(state: JobState, scale: readonly CurvePoint[]): CurvePoint[] {
  let before = 0
  return state.containers.flatMap((c) => {
    const from = Date.parse(c.startedAt)
    const to = c.endedAt ? Date.parse(c.endedAt) : Number.POSITIVE_INFINITY
    const { purgeG, hoseG } = lostG(state, c.id)
    const base = before
    const inCar = (gross: number) => base + Math.max(0, c.startGrossG - gross - purgeG - hoseG)
    const points = scale.filter((p) => p.at >= from && p.at <= to).map((p) => ({ at: p.at, value: inCar(p.value) }))
    if (c.endGrossG !== undefined) before = inCar(c.endGrossG)
    return [{ at: from, value: base }, ...points, ...(c.endGrossG !== undefined && c.endedAt ? [{ at: to, value: before }] : [])]
  })
}

/** What is known of the next closing: when, at how many grams in the car, and when an open valve would be over what is allowed. */
type Ahead = { nowMs: number; nowG: number; goalG: number; closeMs: number | null; overMs: number | null; mostG: number; last: boolean }

export function aheadOf(state: JobState, live: Live, levels: readonly Level[]): Ahead {
  const open = openContainer(state)
  const nowG = chargedG(state, open ? (live.scaleG ?? open.startGrossG) : undefined)
  const now = levels.find((l) => l.state === 'now')
  const target = state.plan?.targetG ?? 0
  const goalG = now?.toG ?? target
  const mostG = target + toleranceG(state)
  const flow = live.flowGMin !== undefined && live.flowGMin > 1 && open ? live.flowGMin : null
  const after = (g: number) => (flow === null ? null : live.nowMs + (Math.max(0, g - nowG) / flow) * 60_000)
  return { nowMs: live.nowMs, nowG, goalG, closeMs: nowG < goalG ? after(goalG) : null, overMs: nowG < mostG ? after(mostG) : null, mostG, last: Math.abs(goalG - target) < 1 }
}

/** The ascent: the containers are the layers, the label's weight the surface; the last grams before the next closing through a lens. */
export function ChargeAscent({ state, scale, clock, live }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const levels = levelsOf(state)
  const target = state.plan?.targetG ?? 0
  if (levels.length === 0 || target === 0) return null
  const narrow = width < 560
  const curve = ascentOf(state, scale)
  const ahead = aheadOf(state, live, levels)
  const allows = toleranceG(state)
  const smallLeft = narrow ? 0 : 162
  const smallRight = smallLeft + (narrow ? 70 : 144)
  const lensLeft = smallRight + (narrow ? 26 : 90)
  const most = Math.max(target * 1.05, target + allows, ahead.nowG)
  const y = linear(0, most, HEIGHT, TOP)
  const lens = lensRange(ahead, allows, target)
  const said = `${grams(ahead.nowG)} g of ${grams(target)} g are in${ahead.closeMs ? `; at this flow the valve closes at ${clock(ahead.closeMs)}` : ''}.`
  return (
    <figure ref={ref} className="mt-3" aria-label="Ascent">
      <svg width={width} height={HEIGHT + 36} role="img" aria-label={said}>
        <Whole state={state} levels={levels} curve={curve} ahead={ahead} y={y} left={smallLeft} right={smallRight} target={target} narrow={narrow} clock={clock} />
        <path
          d={`M${smallRight} ${y(lens.high).toFixed(1)} L${lensLeft} ${TOP} V${HEIGHT} L${smallRight} ${y(lens.low).toFixed(1)}Z`}
          fill="var(--air)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path d={`M${smallRight} ${y(lens.high).toFixed(1)} V${y(lens.low).toFixed(1)}`} stroke="var(--ink)" strokeWidth="5" />
        <Lens curve={curve} ahead={ahead} lens={lens} left={lensLeft} right={width} target={target} allows={allows} clock={clock} narrow={narrow} />
      </svg>
      {narrow && (
        <ol className="text-[16px]">
          {levels.map((l) => (
            <li key={l.id} className={l.state === 'now' ? 'font-semibold' : 'text-ink-2'}>
              {l.id} {levelWords(l)}
            </li>
          ))}
        </ol>
      )}
    </figure>
  )
}

function lensRange(ahead: Ahead, allows: number, target: number): { low: number; high: number } {
  const high = ahead.last ? target + allows + LENS_ABOVE_G : ahead.goalG + 2 * LENS_ABOVE_G
  return { low: Math.max(0, Math.min(ahead.goalG - LENS_BELOW_G, ahead.nowG - LENS_ABOVE_G)), high: Math.max(high, ahead.nowG + LENS_ABOVE_G) }
}

const levelWords = (l: Level): string =>
  l.state === 'coming'
    ? `${grams(l.startGrossG)} to ${grams(l.stopGrossG)}`
    : l.state === 'now'
      ? `now, to ${grams(l.stopGrossG)}`
      : `✓ ${grams(l.startGrossG)} to ${grams(l.stopGrossG)}`

type WholeProps = {
  state: JobState
  levels: Level[]
  curve: CurvePoint[]
  ahead: Ahead
  y: (g: number) => number
  left: number
  right: number
  target: number
  narrow: boolean
  clock: (ms: number) => string
}

const LAYER_FILLS = { done: 'var(--deep)', now: 'var(--drying)', coming: 'var(--air)' } as const

/** The whole charge, small: layers with their containers, and what is in so far. */
function Whole({ state, levels, curve, ahead, y, left, right, target, narrow, clock }: WholeProps) {
  const startMs = state.containers[0] ? Date.parse(state.containers[0].startedAt) : ahead.nowMs
  const x = linear(startMs, Math.max(ahead.nowMs, startMs + 120_000), left, right - 6)
  return (
    <g>
      <rect x={left} y={TOP} width={right - left} height={HEIGHT - TOP} fill="var(--air)" />
      {levels.map((l) => (
        <g key={l.id}>
          <rect x={left} y={y(l.toG)} width={right - left} height={Math.max(0, y(l.fromG) - y(l.toG))} fill={LAYER_FILLS[l.state]} />
          <line x1={left} x2={right} y1={y(l.toG)} y2={y(l.toG)} stroke="var(--rule-2)" />
          {!narrow && <LayerName level={l} y={(y(l.fromG) + y(l.toG)) / 2} left={left} />}
        </g>
      ))}
      <line x1={left} x2={right} y1={y(target)} y2={y(target)} stroke="var(--ink)" strokeWidth="2.5" />
      <path d={pathOf(curve, x, y)} fill="none" stroke="var(--ink)" strokeWidth="3.5" strokeLinejoin="round" />
      <path d={`M${left} ${TOP} V${HEIGHT} H${right}`} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      {!narrow && (
        <text x={left} y={HEIGHT + 24} fontSize="16" fill="var(--ink-2)">
          {clock(startMs)}
        </text>
      )}
    </g>
  )
}

function LayerName({ level, y, left }: { level: Level; y: number; left: number }) {
  const now = level.state === 'now'
  const middle = Math.min(HEIGHT - 14, Math.max(18, y))
  return (
    <g fontSize="15.5">
      {now && <path d={`M0 ${middle - 14}H${left - 10}L${left} ${middle}L${left - 10} ${middle + 14}H0Z`} fill="var(--ink)" />}
      <text x={now ? 7 : 0} y={middle + 5.5} fontWeight="600" fill={now ? 'var(--ground)' : 'var(--ink)'}>
        {level.id.length > 11 ? `${level.id.slice(0, 10)}…` : level.id}
      </text>
      <text x={left - (now ? 14 : 8)} y={middle + 5.5} textAnchor="end" fill={now ? 'var(--ground)' : 'var(--ink-2)'} fontWeight={now ? 600 : 400}>
        {now ? `to ${grams(level.stopGrossG)}` : `${level.state === 'done' ? '✓ ' : ''}${grams(level.startGrossG)}–${grams(level.stopGrossG)}`}
      </text>
    </g>
  )
}

type LensProps = {
  curve: CurvePoint[]
  ahead: Ahead
  lens: { low: number; high: number }
  left: number
  right: number
  target: number
  allows: number
  clock: (ms: number) => string
  narrow: boolean
}

/** The last grams: what is allowed hatched, when the valve closes and where it lands, and what an open valve would do. */
function Lens({ curve, ahead, lens, left, right, target, allows, clock, narrow }: LensProps) {
  const y = linear(lens.low, lens.high, HEIGHT, TOP)
  const inLens = curve.filter((p) => p.value >= lens.low)
  const first = inLens[0]?.at ?? ahead.nowMs
  const spanMs = Math.max(60_000, (ahead.closeMs ?? ahead.nowMs) - Math.min(first, ahead.nowMs))
  const fromMs = Math.max(Math.min(first, ahead.nowMs), ahead.nowMs - 15 * 60_000) - 0.05 * spanMs
  const toMs = Math.max(ahead.closeMs ?? 0, ahead.nowMs + 0.3 * spanMs) + 0.45 * spanMs
  const x = linear(fromMs, toMs, left, right)
  const at = (ms: number, g: number) => `${x(ms).toFixed(1)} ${y(g).toFixed(1)}`
  const { nowMs, nowG, closeMs, goalG, overMs, mostG } = ahead
  return (
    <g>
      <defs>
        <clipPath id="charge-lens">
          <rect x={left} y={TOP} width={right - left} height={HEIGHT - TOP} />
        </clipPath>
        <pattern id="allowed" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="9" height="9" fill="var(--deep)" />
          <line x1="0" x2="0" y1="0" y2="9" stroke="var(--ground)" strokeWidth="2.4" opacity="0.55" />
        </pattern>
      </defs>
      <rect x={left} y={TOP} width={right - left} height={HEIGHT - TOP} fill="var(--air)" />
      <g clipPath="url(#charge-lens)">
        <rect x={left} y={y(target + allows)} width={right - left} height={y(target - allows) - y(target + allows)} fill="url(#allowed)" stroke="var(--rule-2)" />
        <line x1={left} x2={right} y1={y(target)} y2={y(target)} stroke="var(--ink)" strokeWidth="2.5" />
        <AllowedWords y={y} lens={lens} left={left} right={right} target={target} allows={allows} narrow={narrow} />
        {!ahead.last && (
          <>
            <line x1={left} x2={right} y1={y(goalG)} y2={y(goalG)} stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="2 5" />
            <text x={left + 12} y={y(goalG) - 7} fontSize="15.5" fontWeight="600" fill="var(--ink)">
              {grams(goalG)}, this one’s share
            </text>
          </>
        )}
        {closeMs && overMs && ahead.last && (
          <path
            d={`M${at(closeMs, goalG)} L${at(closeMs + 2 * (overMs - closeMs), goalG + 2 * (mostG - goalG))}`}
            stroke="var(--leak)"
            strokeWidth="2.5"
            strokeDasharray="0.1 7"
            strokeLinecap="round"
          />
        )}
        {closeMs && <path d={`M${at(nowMs, nowG)} L${at(closeMs, goalG)} H${right}`} fill="none" stroke="var(--ink)" strokeWidth="3" strokeDasharray="9 5" />}
        <path d={pathOf(inLens, x, y)} fill="none" stroke="var(--ink)" strokeWidth="4" strokeLinejoin="round" />
      </g>
      {closeMs && overMs && ahead.last && !narrow && (
        <text
          x={right - 8}
          y={Math.max(TOP + 18, y(target - allows) + 20)}
          textAnchor="end"
          fontSize="15.5"
          fontWeight="600"
          fill="var(--leak)"
          stroke="var(--air)"
          strokeWidth="5"
          paintOrder="stroke"
          suppressHydrationWarning
        >
          left open: over {grams(mostG)} g at {clock(overMs)}
        </text>
      )}
      {closeMs && <path d={`M${x(closeMs)} ${y(goalG) - 8}l8 8l-8 8l-8-8Z`} fill="var(--ink)" />}
      <circle className="glide" cx={x(nowMs)} cy={y(nowG)} r="8.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="4" />
      {!narrow && (
        <text x={x(nowMs) + 15} y={Math.min(HEIGHT - 8, y(nowG) + 6)} fontSize="16.5" fontWeight="600" fill="var(--ink)">
          {grams(nowG)} g in the car
        </text>
      )}
      <path d={`M${left} ${TOP} V${HEIGHT}`} stroke="var(--ink)" strokeWidth="1.5" />
      <TimeLabels
        fromMs={fromMs}
        toMs={toMs}
        x={x}
        y={HEIGHT}
        clock={clock}
        marks={
          closeMs && x(closeMs) - x(nowMs) > 150
            ? [mark('now', nowMs, clock), mark('close', closeMs, clock)]
            : [closeMs ? mark('close', closeMs, clock) : mark('now', nowMs, clock)]
        }
        most={narrow ? 3 : 5}
        left={left}
        right={right}
      />
    </g>
  )
}

const mark = (word: string, at: number, clock: (ms: number) => string) => ({ at, text: `${word} ${clock(at)}` })

function AllowedWords({
  y,
  lens,
  left,
  right,
  target,
  allows,
  narrow,
}: { y: (g: number) => number; lens: { low: number; high: number } } & Pick<LensProps, 'left' | 'right' | 'target' | 'allows' | 'narrow'>) {
  const room = Math.abs(y(0) - y(allows)) > 22
  const lines = [
    { g: target, text: `${grams(target)} asked for`, bold: true },
    ...(room ? [{ g: target + allows, text: grams(target + allows), bold: false }] : []),
    ...(room ? [{ g: target - allows, text: `${grams(target - allows)}`, bold: false }] : []),
  ].filter((l) => l.g > lens.low && l.g < lens.high)
  return (
    <g fontSize="15.5" fill="var(--ink)">
      {lines.map((l) => (
        <text key={l.text} x={left + 12} y={room ? y(l.g) + (l.g > target ? 18 : -7) : y(target - allows) + 20} fontWeight={l.bold ? 600 : 400}>
          {l.text}
        </text>
      ))}
      {room && !narrow && target - allows > lens.low && (
        <text x={right - 8} y={y(target - allows) - 7} textAnchor="end">
          ±{grams(allows)} g allowed
        </text>
      )}
    </g>
  )
}
