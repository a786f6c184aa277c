'use client'

import type { Live } from '@/core/call/types'
import { type Level, levelsOf } from '@/core/charge/levels'
import { toleranceG } from '@/core/charge/plan-for-job'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import type { Say } from '@/core/units/say'
import type { CurvePoint } from '@/core/views'
import { linear } from '../../../chart/scales'
import { useWidth } from '../../../hooks/use-width'
import { useSay } from '../../../units'
import { aheadOf, ascentOf, lensRange } from './ahead'
import { HEIGHT, TOP } from './layout'
import { Lens } from './lens'
import { Whole } from './whole'

type Props = { state: JobState; live: Live; scale: readonly CurvePoint[]; clock: (ms: number) => string }

/**
 * The ascent: the containers are the layers, the label's weight the surface; the last grams before the next closing
 * through a lens.
 */
export function ChargeAscent({ state, scale, clock, live }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(896)
  const say = useSay()
  const levels = levelsOf(state)
  const target = state.plan?.targetG ?? 0
  if (levels.length === 0 || target === 0) return null
  const narrow = width < 560
  const curve = ascentOf(state, scale, live.factor ?? 1)
  const ahead = aheadOf(state, live, levels)
  const allows = toleranceG(state)
  const smallLeft = narrow ? 0 : 162
  const smallRight = smallLeft + (narrow ? 70 : 144)
  const lensLeft = smallRight + (narrow ? 26 : 90)
  const most = Math.max(target * 1.05, target + allows, ahead.nowG)
  const y = linear(0, most, HEIGHT, TOP)
  const lens = lensRange(ahead, allows, target)
  const said =
    W.ofAre(say.mass(ahead.nowG), say.mass(target)) +
    W.in2(ahead.closeMs ? W.atThisFlowTheValve(clock(ahead.closeMs)) : '')
  return (
    <figure ref={ref} className="mt-3" aria-label={W.ascent}>
      <svg width={width} height={HEIGHT + 36} role="img" aria-label={said}>
        <Whole
          state={state}
          levels={levels}
          curve={curve}
          ahead={ahead}
          y={y}
          left={smallLeft}
          right={smallRight}
          target={target}
          narrow={narrow}
          clock={clock}
        />
        <path
          d={
            `M${smallRight} ${y(lens.high).toFixed(1)} L${lensLeft} ${TOP} V${HEIGHT} L${smallRight} ` +
            `${y(lens.low).toFixed(1)}Z`
          }
          fill="var(--air)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        <path
          d={`M${smallRight} ${y(lens.high).toFixed(1)} V${y(lens.low).toFixed(1)}`}
          stroke="var(--ink)"
          strokeWidth="5"
        />
        <Lens
          curve={curve}
          ahead={ahead}
          lens={lens}
          left={lensLeft}
          right={width}
          target={target}
          allows={allows}
          clock={clock}
          narrow={narrow}
        />
      </svg>
      {narrow && (
        <ol className="text-small">
          {levels.map((l) => (
            <li key={l.id} className={l.state === 'now' ? 'font-semibold' : 'text-ink-2'}>
              {l.id} {levelWords(l, say)}
            </li>
          ))}
        </ol>
      )}
    </figure>
  )
}

const levelWords = (l: Level, say: Say): string =>
  l.state === 'coming'
    ? W.toWord(say.massShort(l.startGrossG), say.massShort(l.stopGrossG))
    : l.state === 'now'
      ? W.nowTo(say.massShort(l.stopGrossG))
      : W.doneTo(say.massShort(l.startGrossG), say.massShort(l.stopGrossG))
