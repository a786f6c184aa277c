'use client'

import type { Live } from '@/core/call/types'
import { chargedG, type JobState, openContainer } from '@/core/procedure/state'
import { GRAMS_PER_OUNCE } from '@/core/units/constants'
import { linear, pathOf } from '../chart/scales'
import { TimeLabels } from '../chart/time-labels'
import type { CurvePoint } from '../hooks/use-job-live'
import { useWidth } from '../hooks/use-width'

type Props = { state: JobState; live: Live; scale: readonly CurvePoint[]; clock: (ms: number) => string }

const grams = (value: number): string => Math.round(value).toLocaleString('en').replace('-', '−')

/** What is left to weigh, the largest figure; where the scale stands and where it must stop. */
export function ChargeFigures({ state, live, scale, clock }: Props) {
  const open = openContainer(state)
  const stop = state.plan?.stops.find((s) => s.id === open?.id)
  const target = state.plan?.targetG ?? 0
  const inside = chargedG(state, open ? (live.scaleG ?? open.startGrossG) : undefined)
  const seconds = live.closing
    ? Math.max(0, live.closing.inS)
    : stop && live.scaleG !== undefined && live.flowGMin && live.flowGMin > 1
      ? Math.max(0, ((live.scaleG - stop.stopGrossG) / live.flowGMin) * 60)
      : undefined
  return (
    <section aria-label="Charge" className="mt-3">
      <div className="flex flex-wrap items-end gap-x-12 gap-y-2 max-sm:gap-x-6">
        <Figure big text={grams(target - inside)} unit="g" below={`to go, of ${grams(target)} g (${(target / GRAMS_PER_OUNCE).toFixed(1)} oz)`} testId="to-go" />
        {open && stop && <Figure text={`${grams(live.scaleG ?? open.startGrossG)} → ${grams(stop.stopGrossG)}`} unit="g" below={`${open.id} on the scale, close at`} />}
        {open && live.flowGMin !== undefined && <Figure text={live.flowGMin.toFixed(0)} unit="g/min" below="flow" />}
        {seconds !== undefined && (
          <Figure
            text={`${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`}
            unit=""
            below={live.closing?.short ? 'until the word, a little short' : 'until the word to close'}
          />
        )}
      </div>
      <Ascent state={state} scale={scale} clock={clock} live={live} />
    </section>
  )
}

function Figure({ text, unit, below, big = false, testId }: { text: string; unit: string; below: string; big?: boolean; testId?: string }) {
  return (
    <p>
      <span data-testid={testId} className={`figure font-semibold ${big ? 'text-[124px] max-sm:text-[92px]' : 'text-[52px] max-sm:text-[34px]'}`}>
        {text}
      </span>
      <span className={big ? 'ml-2 text-[40px]' : 'ml-1.5 text-[20px]'}>{unit}</span>
      <span className="block text-[17px] font-medium">{below}</span>
    </p>
  )
}

/** The ascent: grams in the car against time, the label's weight as the surface, the tolerance hatched. */
function Ascent({ state, scale, clock, live }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const target = state.plan?.targetG ?? 0
  const first = state.containers[0]
  if (!first) return null
  const curve = ascentOf(state, scale)
  const startMs = Date.parse(first.startedAt)
  const endMs = Math.max(live.nowMs, startMs + 60_000) + 60_000
  const tolerance = state.opened.label.toleranceG
  const height = 190
  const left = width < 560 ? 52 : 166
  const x = linear(startMs, endMs, left, width)
  const y = linear(0, target * 1.12, height, 4)
  const last = curve[curve.length - 1]
  return (
    <figure ref={ref} className="mt-3">
      <svg width={width} height={height + 36} role="img" aria-label={`${grams(last?.value ?? 0)} g of ${grams(target)} g are in`}>
        <rect x={left} y={0} width={width - left} height={height} fill="var(--air)" />
        <rect x={left} y={y(target + tolerance)} width={width - left} height={y(target - tolerance) - y(target + tolerance)} fill="var(--deep)" />
        <line x1={left} x2={width} y1={y(target)} y2={y(target)} stroke="var(--ink)" strokeWidth="2.5" />
        <g fontSize="15.5" fontWeight="600" fill="var(--ink)">
          <text x="0" y={y(target) + 5}>
            {left > 100 ? `Label ${grams(target)} g` : grams(target)}
          </text>
          {left > 100 && (
            <text x="0" y={y(target) + 24} fontWeight="400" fill="var(--ink-2)">
              allows ±{tolerance} g
            </text>
          )}
        </g>
        <path d={pathOf(curve, x, y)} fill="none" stroke="var(--ink)" strokeWidth="4" strokeLinejoin="round" />
        {last && <circle cx={x(last.at)} cy={y(last.value)} r="8" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="4" />}
        <TimeLabels
          fromMs={startMs}
          toMs={endMs}
          x={x}
          y={height}
          clock={clock}
          marks={last ? [{ at: last.at, text: `${grams(last.value)} g in` }] : []}
          most={width < 560 ? 3 : 6}
          left={left}
          right={width}
        />
      </svg>
    </figure>
  )
}

/** Grams in the car over time, from the scale: each container's loss on top of what the ones before gave. */
export function ascentOf(state: JobState, scale: readonly CurvePoint[]): CurvePoint[] {
  let before = 0
  return state.containers.flatMap((c) => {
    const from = Date.parse(c.startedAt)
    const to = c.endedAt ? Date.parse(c.endedAt) : Number.POSITIVE_INFINITY
    const purgeG = state.plan?.stops.find((s) => s.id === c.id)?.purgeG ?? 0
    const base = before
    const inCar = (gross: number) => base + Math.max(0, c.startGrossG - gross - purgeG)
    const points = scale.filter((p) => p.at >= from && p.at <= to).map((p) => ({ at: p.at, value: inCar(p.value) }))
    if (c.endGrossG !== undefined) before = inCar(c.endGrossG)
    return [{ at: from, value: base }, ...points, ...(c.endGrossG !== undefined && c.endedAt ? [{ at: to, value: before }] : [])]
  })
}
