'use client'

import { sidesOf } from '@/core/job/sides'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-zero'
import { GaugeField, MassField } from '../forms/fields'

/** Both gauges at rest, and what was recovered where something was inside. */
export function ZeroForm({ state, recovering }: { state: JobState; recovering: boolean }) {
  const { barometerPa } = state.opened.place
  return (
    <div className="grid max-w-[640px] grid-cols-2 gap-x-5 gap-y-2 max-sm:grid-cols-1">
      {recovering && (
        <div className="col-span-full">
          <MassField name="grams" label={W.recoveredByTheRecoveryUnits} hint={W.suchAs410GOr} />
        </div>
      )}
      <GaugeField name="low" label={recovering ? W.lowGaugeReadAgain : W.lowGaugeAtRest} barometerPa={barometerPa} />
      {sidesOf(state.opened.rig).includes('high') && (
        <GaugeField
          name="high"
          label={recovering ? W.highGaugeReadAgain : W.highGaugeAtRest}
          barometerPa={barometerPa}
        />
      )}
      <p className="col-span-full text-small text-ink-2">{W.eachCounted1Psi((barometerPa / 1000).toFixed(1))}</p>
    </div>
  )
}
