'use client'

import { RENEWED } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { oilWords } from '@/core/shop/oil'
import { RENEWED_WORDS } from '@/core/words/renewed'
import { Choice, Field } from '../../form/field'
import { Sign } from '../../form/sign'
import { useForms } from '../forms'
import { CelsiusField, GaugeField, MassField, useField } from './fields'

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
      <GaugeField
        name="high"
        label={recovering ? 'High gauge, read again' : 'High gauge at rest'}
        barometerPa={barometerPa}
      />
      <p className="col-span-full text-[16px] text-ink-2">
        Each counted ±1 psi. The air here is {(barometerPa / 1000).toFixed(1)} kPa.
      </p>
    </div>
  )
}

export function FixForm({ state }: { state: JobState }) {
  const { values, change } = useForms()
  const { car, label } = state.opened
  return (
    <div className="max-w-[820px]">
      <fieldset>
        <legend className="text-[16px] font-medium">Renewed: tap once for each</legend>
        <div className="mt-1 grid grid-cols-3 gap-1.5 max-sm:grid-cols-2">
          {RENEWED.map((what) => {
            const count = Number(values[what] ?? 0)
            return (
              <div
                key={what}
                className={`flex min-h-[52px] items-stretch rounded border-[1.5px] ${count > 0 ? 'border-ink bg-deep' : 'border-rule-2 bg-sheet'}`}
              >
                <button
                  type="button"
                  className="flex-1 px-3 text-left text-[17px]"
                  onClick={() => change(what, String(count + 1))}
                  aria-label={`${RENEWED_WORDS[what]}, ${count} renewed, one more`}
                >
                  {RENEWED_WORDS[what]} {count > 0 && <b className="font-semibold">×{count}</b>}
                </button>
                {count > 0 && (
                  <button
                    type="button"
                    className="w-11 border-l border-ink text-[22px]"
                    onClick={() => change(what, String(count - 1))}
                    aria-label={`${RENEWED_WORDS[what]}, one less`}
                  >
                    −
                  </button>
                )}
              </div>
            )
          })}
        </div>
      </fieldset>
      <div className="mt-4 grid grid-cols-3 gap-5 max-sm:grid-cols-1">
        <Field label="Open for, hours" {...useField('openHours')} inputMode="decimal" />
        <Field
          label="Oil owed, mL"
          {...useField('oilMl')}
          inputMode="decimal"
          hint={oilWords(RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })))}
        />
        <Field label="Because of" {...useField('oilReason')} placeholder="part, or oil seen lost" />
      </div>
      <p className="text-[16px]">Oil by the label: {label.oilKind}. Never added without a reason.</p>
      {car.hybrid && (
        <p className="text-[16px] font-medium text-caution">
          <Sign kind="caution" />
          Hybrid: its compressor takes only the maker’s non-conducting oil; any other can put the car’s high voltage on
          its housing.
        </p>
      )}
    </div>
  )
}

export function GrossForm({ label, starts = false }: { label: string; starts?: boolean }) {
  const { values, errors, change } = useForms()
  return (
    <div className="flex flex-wrap items-start gap-x-5 gap-y-2">
      <div className="w-[360px] max-sm:w-full">
        <MassField name="gross" label={label} />
      </div>
      {starts && (errors.gross || values.differs) && (
        <Choice
          label="It weighs otherwise because"
          value={values.differs ?? ''}
          options={[
            { value: 'hose-hung-on', label: 'the hose hangs on it now' },
            { value: 'another-container', label: 'it is another container' },
          ]}
          onChange={(why) => change('differs', why)}
        />
      )}
    </div>
  )
}

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

export function SignForm() {
  return (
    <div className="max-w-[360px]">
      <Field label="Certificate number" {...useField('certificate')} hint="goes with the record" />
    </div>
  )
}
