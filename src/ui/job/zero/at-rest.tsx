'use client'

import { restFinding } from '@/core/call/before'
import type { JobState } from '@/core/job/state'
import { gaugeText } from '../../format'

/** What both gauges showed at rest, and what it would be with liquid inside. */
export function AtRest({ state }: { state: JobState }) {
  const finding = restFinding(state)
  if (!state.zero || !finding) return null
  const most = Math.max(state.zero.lowPaG, state.zero.highPaG)
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-10 gap-y-2">
      <p>
        <span className="figure text-fig-xxl font-semibold max-sm:text-fig-l">{Math.round(most / 1000)}</span>
        <span className="ml-2 text-title">kPa</span>
        <span className="block text-body font-semibold">at rest, above the air here ({gaugeText(most)})</span>
      </p>
      {finding.kind === 'refrigerant' && (
        <p className="text-body">
          <span className="figure text-fig-m">{Math.round(finding.saturationPaG / 1000)}</span> kPa
          <span className="block text-body font-semibold">
            with liquid inside at {Math.round(state.opened.place.ambientC)} °C
          </span>
        </p>
      )}
    </div>
  )
}
