'use client'

import { useState } from 'react'
import { useFormState, useWatch } from 'react-hook-form'
import { UNIT_WORDS } from '@/core/units/shown'
import { ChoiceField, TextField } from '../form/bound'
import { celsiusHint, massHint } from '../form/entries'
import { Fold } from '../form/fold'
import { useUnits } from '../units'
import { airHint, type NewCarControl, type NewCarValues } from './values'

const FIELDS = [
  'model',
  'complaint',
  'tolerance',
  'oilKind',
  'oilMl',
  'air',
  'ambient',
  'openHours',
  'lastCharge',
  'daysSince',
  'recovered',
] as const satisfies readonly (keyof NewCarValues)[]

/** What has a default, said on its own line; each is asked where it is used, or told here. */
export function RestBlock({ control }: { control: NewCarControl }) {
  const [open, setOpen] = useState(false)
  const units = useUnits()
  const grams = (text: string) => massHint(text, units)
  const values = useWatch({ control }) as NewCarValues
  const { errors } = useFormState({ control })
  const wrong = FIELDS.some((field) => errors[field])
  return (
    <Fold
      title={
        <>
          Everything else has a default <span className="font-normal text-ink-2">{defaultsSaid(values)}</span>
        </>
      }
      className="border-t border-rule"
      open={open || wrong}
      onOpenChange={setOpen}
    >
      <div className="grid grid-cols-3 items-start gap-x-5 gap-y-1.5 pb-2 max-md:grid-cols-2 max-sm:grid-cols-1">
        <TextField control={control} name="model" label="Model" placeholder="Halvorn Ridge 14" />
        <TextField control={control} name="complaint" label="Complaint" placeholder="weak cooling for months" />
        <ChoiceField
          control={control}
          name="drive"
          label="Drive"
          options={[
            { value: 'plain', label: 'engine only' },
            { value: 'hybrid', label: 'hybrid or electric' },
          ]}
        />
        <ChoiceField
          control={control}
          name="source"
          label="Figures from"
          options={[
            { value: 'label', label: 'the label' },
            { value: 'manual', label: 'service manual' },
          ]}
        />
        <TextField control={control} name="tolerance" label="Tolerance ±" below={grams} />
        <ChoiceField
          control={control}
          name="drier"
          label="Drier or accumulator"
          options={[
            { value: 'yes', label: 'replaced' },
            { value: 'no', label: 'kept' },
          ]}
        />
        <TextField
          control={control}
          name="oilKind"
          label="Oil type"
          placeholder="asked at the repair"
          hint={values.drive === 'hybrid' ? 'hybrid: only the maker’s non-conducting oil' : undefined}
        />
        <TextField control={control} name="oilMl" label={`Oil amount, ${UNIT_WORDS[units.oil]}`} inputMode="decimal" />
        <TextField control={control} name="openHours" label="Open for, hours" inputMode="decimal" />
        <TextField
          control={control}
          name="air"
          label="Altitude or barometer"
          below={(text) => ({ hint: airHint(text) })}
        />
        <TextField
          control={control}
          name="ambient"
          label="Ambient"
          below={(text) => ({ hint: celsiusHint(text, units) })}
        />
        <TextField control={control} name="recovered" label="Recovered already" below={grams} />
        <TextField control={control} name="lastCharge" label="Last known charge" below={grams} />
        <TextField control={control} name="daysSince" label="That was, days ago" inputMode="decimal" />
      </div>
    </Fold>
  )
}

/** The defaults as one line, as they stand. */
function defaultsSaid(v: NewCarValues): string {
  return [
    ...(v.model.trim() ? [v.model.trim()] : []),
    v.drive === 'hybrid' ? 'hybrid' : 'engine only',
    `${v.source === 'label' ? 'the label' : 'the manual'}, ±${v.tolerance}`,
    v.opened === 'nothing' ? '' : `open ${v.openHours} h, drier ${v.drier === 'yes' ? 'replaced' : 'kept'}`,
    `air of ${v.air}, ${v.ambient}`,
    v.oilKind.trim() ? `oil ${v.oilKind.trim()}` : 'oil asked at the repair',
    v.lastCharge.trim() ? `last charge ${v.lastCharge.trim()}` : 'last charge asked where the loss is worked out',
  ]
    .filter(Boolean)
    .join(' · ')
}
