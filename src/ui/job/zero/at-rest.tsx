'use client'

import { restFinding } from '@/core/call/before'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-zero'
import { otherPressure } from '@/core/units/say'
import { UNIT_WORDS } from '@/core/units/shown'
import { useSay } from '../../units'

/** What both gauges showed at rest, and what it would be with liquid inside. */
export function AtRest({ state }: { state: JobState }) {
  const finding = restFinding(state)
  const say = useSay()
  if (!state.zero || !finding) return null
  const most = Math.max(state.zero.lowPaG, state.zero.highPaG)
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-10 gap-y-2">
      <p>
        <span className="figure text-fig-xxl font-semibold max-sm:text-fig-l">{say.pressureText(most)}</span>
        <span className="ml-2 text-title">{UNIT_WORDS[say.units.pressure]}</span>
        <span className="block text-body font-semibold">{W.atRestAboveTheAir(otherPressure(most, say))}</span>
      </p>
      {finding.kind === 'refrigerant' && (
        <p className="text-body">
          <span className="figure text-fig-m">{say.pressureText(finding.saturationPaG)}</span>{' '}
          {UNIT_WORDS[say.units.pressure]}
          <span className="block text-body font-semibold">
            {W.withLiquidInsideAt2(say.celsius(state.opened.place.ambientC))}
          </span>
        </p>
      )}
    </div>
  )
}
