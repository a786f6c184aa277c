'use client'

import { useState } from 'react'
import { useFormState, useWatch } from 'react-hook-form'
import { W } from '@/core/language/screen/new-car'
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
          {W.everythingElseHasADefault}
          <span className="font-normal text-ink-2">{defaultsSaid(values)}</span>
        </>
      }
      className="border-t border-rule"
      open={open || wrong}
      onOpenChange={setOpen}
    >
      <div className="grid grid-cols-3 items-start gap-x-5 gap-y-1.5 pb-2 max-md:grid-cols-2 max-sm:grid-cols-1">
        <TextField control={control} name="model" label={W.model} placeholder={W.halvornRidge14} />
        <TextField control={control} name="complaint" label={W.complaint} placeholder={W.weakCoolingForMonths} />
        <ChoiceField
          control={control}
          name="drive"
          label={W.drive}
          options={[
            { value: 'plain', label: W.engineOnly },
            { value: 'hybrid', label: W.hybridOrElectric },
          ]}
        />
        <ChoiceField
          control={control}
          name="source"
          label={W.figuresFrom}
          options={[
            { value: 'label', label: W.theLabel },
            { value: 'manual', label: W.serviceManual },
          ]}
        />
        <TextField control={control} name="tolerance" label={W.tolerance} below={grams} />
        <ChoiceField
          control={control}
          name="drier"
          label={W.drierOrAccumulator}
          options={[
            { value: 'yes', label: W.replaced },
            { value: 'no', label: W.kept },
          ]}
        />
        <TextField
          control={control}
          name="oilKind"
          label={W.oilType}
          placeholder={W.askedAtTheRepair}
          hint={values.drive === 'hybrid' ? W.hybridOnlyTheMakersNon : undefined}
        />
        <TextField control={control} name="oilMl" label={W.oilAmount(UNIT_WORDS[units.oil])} inputMode="decimal" />
        <TextField control={control} name="openHours" label={W.openForHours} inputMode="decimal" />
        <TextField
          control={control}
          name="air"
          label={W.altitudeOrBarometer}
          below={(text) => ({ hint: airHint(text) })}
        />
        <TextField
          control={control}
          name="ambient"
          label={W.ambient}
          below={(text) => ({ hint: celsiusHint(text, units) })}
        />
        <TextField control={control} name="recovered" label={W.recoveredAlready} below={grams} />
        <TextField control={control} name="lastCharge" label={W.lastKnownCharge} below={grams} />
        <TextField control={control} name="daysSince" label={W.thatWasDaysAgo} inputMode="decimal" />
      </div>
    </Fold>
  )
}

/** The defaults as one line, as they stand. */
function defaultsSaid(v: NewCarValues): string {
  return [
    ...(v.model.trim() ? [v.model.trim()] : []),
    v.drive === 'hybrid' ? 'hybrid' : W.engineOnly,
    `${v.source === 'label' ? W.theLabel : W.theManual}, ±${v.tolerance}`,
    v.opened === 'nothing' ? '' : W.openHDrier(v.openHours, v.drier === 'yes' ? W.replaced : W.kept),
    W.airOf(v.air, v.ambient),
    v.oilKind.trim() ? W.oil(v.oilKind.trim()) : W.oilAskedAtTheRepair,
    v.lastCharge.trim() ? W.lastCharge(v.lastCharge.trim()) : W.lastChargeAskedWhereThe,
  ]
    .filter(Boolean)
    .join(' · ')
}
