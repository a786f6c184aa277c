import { codeWords } from '@/core/language/codes'
import { W } from '@/core/language/screen/job-charge'
import { MINUTE_MS } from '@/core/units/constants'
import type { CurvePoint } from '@/core/views'
import { linear, pathOf } from '../../../chart/scales'
import { TimeLabels } from '../../../chart/time-labels'
import { useSay } from '../../../units'
import type { Ahead } from './ahead'
import { HEIGHT, TOP } from './layout'

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

/**
 * The last grams: what is allowed hatched, when the valve closes and where it lands, and what an open valve would do.
 */
export function Lens({ curve, ahead, lens, left, right, target, allows, clock, narrow }: LensProps) {
  const say = useSay()
  const y = linear(lens.low, lens.high, HEIGHT, TOP)
  const inLens = curve.filter((p) => p.value >= lens.low)
  const first = inLens[0]?.at ?? ahead.nowMs
  const spanMs = Math.max(60_000, (ahead.closeMs ?? ahead.nowMs) - Math.min(first, ahead.nowMs))
  const fromMs = Math.max(Math.min(first, ahead.nowMs), ahead.nowMs - 15 * MINUTE_MS) - 0.05 * spanMs
  const toMs = Math.max(ahead.closeMs ?? 0, ahead.nowMs + 0.3 * spanMs) + 0.45 * spanMs
  const x = linear(fromMs, toMs, left, right)
  const at = (ms: number, g: number) => `${x(ms).toFixed(1)} ${y(g).toFixed(1)}`
  const { nowMs, nowG, closeMs, goalG, overMs, mostG } = ahead
  return (
    <g>
      <defs>
        <clipPath id="charge-lens">
          <rect x={left} y={TOP} width={Math.max(0, right - left)} height={HEIGHT - TOP} />
        </clipPath>
        <pattern id="allowed" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="9" height="9" fill="var(--deep)" />
          <line x1="0" x2="0" y1="0" y2="9" stroke="var(--ground)" strokeWidth="2.4" opacity="0.55" />
        </pattern>
      </defs>
      <rect x={left} y={TOP} width={Math.max(0, right - left)} height={HEIGHT - TOP} fill="var(--air)" />
      <g clipPath="url(#charge-lens)">
        <rect
          x={left}
          y={y(target + allows)}
          width={Math.max(0, right - left)}
          height={y(target - allows) - y(target + allows)}
          fill="url(#allowed)"
          stroke="var(--rule-2)"
        />
        <line x1={left} x2={right} y1={y(target)} y2={y(target)} stroke="var(--ink)" strokeWidth="2.5" />
        <AllowedWords y={y} lens={lens} left={left} right={right} target={target} allows={allows} narrow={narrow} />
        {!ahead.last && (
          <>
            <line
              x1={left}
              x2={right}
              y1={y(goalG)}
              y2={y(goalG)}
              stroke="var(--ink)"
              strokeWidth="1.5"
              strokeDasharray="2 5"
            />
            <text
              x={right - 8}
              y={y(goalG) - 10}
              textAnchor="end"
              fontSize="15.5"
              fontWeight="600"
              fill="var(--ink)"
              stroke="var(--air)"
              strokeWidth="5"
              paintOrder="stroke"
            >
              {W.thisOneSShare(say.massShort(goalG))}
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
        {closeMs && (
          <path
            d={`M${at(nowMs, nowG)} L${at(closeMs, goalG)} H${right}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="3"
            strokeDasharray="9 5"
          />
        )}
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
          {W.leftOpenOverAt(say.mass(mostG), clock(overMs))}
        </text>
      )}
      {closeMs && <path d={`M${x(closeMs)} ${y(goalG) - 8}l8 8l-8 8l-8-8Z`} fill="var(--ink)" />}
      <circle
        className="glide"
        cx={x(nowMs)}
        cy={y(nowG)}
        r="8.5"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      {!narrow && (
        <text
          x={x(nowMs) + 15}
          y={y(nowG) + 28 > HEIGHT - 8 ? y(nowG) - 16 : y(nowG) + 28}
          fontSize="16.5"
          fontWeight="600"
          fill="var(--ink)"
          stroke="var(--air)"
          strokeWidth="5"
          paintOrder="stroke"
        >
          {W.inTheCar3(say.mass(nowG))}
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
            ? [mark(codeWords('now'), nowMs, clock), mark(codeWords('close'), closeMs, clock)]
            : [closeMs ? mark(codeWords('close'), closeMs, clock) : mark(codeWords('now'), nowMs, clock)]
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
}: { y: (g: number) => number; lens: { low: number; high: number } } & Pick<
  LensProps,
  'left' | 'right' | 'target' | 'allows' | 'narrow'
>) {
  const say = useSay()
  const room = Math.abs(y(0) - y(allows)) > 22
  const lines = [
    { g: target, text: W.askedFor(say.massShort(target)), bold: true },
    ...(room ? [{ g: target + allows, text: say.massShort(target + allows), bold: false }] : []),
    ...(room ? [{ g: target - allows, text: say.massShort(target - allows), bold: false }] : []),
  ].filter((l) => l.g > lens.low && l.g < lens.high)
  return (
    <g fontSize="15.5" fill="var(--ink)">
      {lines.map((l) => (
        <text
          key={l.text}
          x={left + 12}
          y={room ? y(l.g) + (l.g > target ? 18 : -7) : y(target - allows) + 20}
          fontWeight={l.bold ? 600 : 400}
        >
          {l.text}
        </text>
      ))}
      {room && !narrow && target - allows > lens.low && (
        <text x={right - 8} y={y(target - allows) - 7} textAnchor="end">
          {W.allowed2(say.mass(allows))}
        </text>
      )}
    </g>
  )
}
