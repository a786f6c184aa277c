'use client'

import { type Control, type FieldPath, type FieldValues, useWatch } from 'react-hook-form'
import { W } from '@/core/language/screen/set-up'
import type { Air } from '@/core/shop/set-up'
import { ChoiceField, TextField } from '../form/bound'
import { airBelow } from './values'

export type AirValues = { by: Air['by']; altitude: string; barometer: string }

const WAYS = {
  altitude: W.howHighItLies,
  barometer: W.whatABarometerReadsHere,
  'sea-level': W.whatAForecastSays,
} as const

/** The air of a place, told in one of three ways; the first of `ways` is offered first. */
export function AirFields<T extends FieldValues & AirValues, O>({
  control,
  ways,
  className,
}: {
  control: Control<T, unknown, O>
  ways: readonly Air['by'][]
  className: string
}) {
  const name = (field: keyof AirValues) => field as FieldPath<T>
  const [by, altitude, barometer] = useWatch({
    control,
    name: [name('by'), name('altitude'), name('barometer')],
  }) as unknown as [Air['by'], string, string]
  const below = () => airBelow({ by, altitude, barometer })
  return (
    <>
      <div className={className}>
        <ChoiceField
          control={control}
          name={name('by')}
          label={W.whatDoYouKnowOf}
          options={ways.map((value) => ({ value, label: WAYS[value] }))}
        />
      </div>
      {by !== 'altitude' && (
        <TextField
          control={control}
          name={name('barometer')}
          label={by === 'barometer' ? W.theBarometerReads : W.seaLevelPressureItSays}
          placeholder={by === 'barometer' ? W.n962MbarOr284 : W.n1013MbarOr299}
          below={below}
        />
      )}
      <TextField
        control={control}
        name={name('altitude')}
        label={by === 'barometer' ? W.altitudeIfYouKnowIt : W.altitude}
        placeholder={W.n380MOr1250Ft}
        below={by === 'altitude' ? below : () => ({})}
      />
    </>
  )
}
