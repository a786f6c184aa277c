'use client'

import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-prove'
import { Choice, Field } from '../../form/field'
import { CelsiusField, GaugeField, useField } from '../forms/fields'
import { useForms } from '../forms/forms'

/** One reading of it running. */
export function ProofForm({ state }: { state: JobState }) {
  const { barometerPa } = state.opened.place
  const { values, change } = useForms()
  return (
    <div className="grid max-w-[880px] grid-cols-3 gap-x-5 gap-y-1 max-sm:grid-cols-1">
      <div className="col-span-full mb-1">
        <Choice
          label={W.theEngineRuns}
          value={values.engine === 'idle' ? 'idle' : 'at-speed'}
          options={[
            { value: 'idle', label: W.atIdle },
            { value: 'at-speed', label: W.at1500Rpm },
          ]}
          onChange={(v) => change('engine', v)}
        />
      </div>
      <GaugeField name="low" label={W.lowSideRunning} barometerPa={barometerPa} />
      <GaugeField name="high" label={W.highSideRunning} barometerPa={barometerPa} />
      <CelsiusField name="vent" label={W.middleVent} hint={W.suchAs8COr} />
      <CelsiusField name="ambient" label={W.ambient} />
      <Field label={W.humidity} {...useField('humidity')} inputMode="decimal" hint={W.widensTheBandsMayBe} />
      <Field label={W.note} {...useField('note')} placeholder={W.suctionLineColdSteady} />
    </div>
  )
}
