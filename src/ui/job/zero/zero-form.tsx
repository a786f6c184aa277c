'use client'

import { sidesOf } from '@/core/job/sides'
import type { JobState } from '@/core/job/state'
import { GaugeField, MassField } from '../forms/fields'

/** Both gauges at rest, and what was recovered where something was inside. */
export function ZeroForm({ state, recovering }: { state: JobState; recovering: boolean }) {
  const { barometerPa } = state.opened.place
  return (
    <div className="grid max-w-[640px] grid-cols-2 gap-x-5 gap-y-2 max-sm:grid-cols-1">
      {recovering && (
        <div className="col-span-full">
          <MassField name="grams" label="Recovered, by the recovery unit’s scale" hint="such as 410 g or 14.5 oz" />
        </div>
      )}
      <GaugeField
        name="low"
        label={recovering ? 'Low gauge, read again' : 'Low gauge at rest'}
        barometerPa={barometerPa}
      />
      {sidesOf(state.opened.rig).includes('high') && (
        <GaugeField
          name="high"
          label={recovering ? 'High gauge, read again' : 'High gauge at rest'}
          barometerPa={barometerPa}
        />
      )}
      <p className="col-span-full text-small text-ink-2">
        Each counted ±1 psi. The air here is {(barometerPa / 1000).toFixed(1)} kPa.
      </p>
    </div>
  )
}
