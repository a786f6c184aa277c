'use client'

import type { JobState } from '@/core/job/state'
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
          label="The engine runs"
          value={values.engine === 'idle' ? 'idle' : 'at-speed'}
          options={[
            { value: 'idle', label: 'at idle' },
            { value: 'at-speed', label: 'at 1,500 rpm' },
          ]}
          onChange={(v) => change('engine', v)}
        />
      </div>
      <GaugeField name="low" label="Low side, running" barometerPa={barometerPa} />
      <GaugeField name="high" label="High side, running" barometerPa={barometerPa} />
      <CelsiusField name="vent" label="Middle vent" hint="such as 8 C or 46 F" />
      <CelsiusField name="ambient" label="Ambient" />
      <Field
        label="Humidity, %"
        {...useField('humidity')}
        inputMode="decimal"
        hint="widens the bands; may be left out"
      />
      <Field label="Note" {...useField('note')} placeholder="suction line cold, steady …" />
    </div>
  )
}
