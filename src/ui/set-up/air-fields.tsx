'use client'

import { type Control, type FieldPath, type FieldValues, useWatch } from 'react-hook-form'
import type { Air } from '@/core/shop/set-up'
import { ChoiceField, TextField } from '../form/bound'
import { airBelow } from './values'

export type AirValues = { by: Air['by']; altitude: string; barometer: string }

const WAYS = {
  altitude: 'how high it lies',
  barometer: 'what a barometer reads here',
  'sea-level': 'what a forecast says',
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
          label="What do you know of the air?"
          options={ways.map((value) => ({ value, label: WAYS[value] }))}
        />
      </div>
      {by !== 'altitude' && (
        <TextField
          control={control}
          name={name('barometer')}
          label={by === 'barometer' ? 'The barometer reads' : 'Sea-level pressure it says'}
          placeholder={by === 'barometer' ? '962 mbar or 28.4 inHg' : '1013 mbar or 29.9 inHg'}
          below={below}
        />
      )}
      <TextField
        control={control}
        name={name('altitude')}
        label={by === 'barometer' ? 'Altitude, if you know it' : 'Altitude'}
        placeholder="380 m or 1250 ft"
        below={by === 'altitude' ? below : () => ({})}
      />
    </>
  )
}
