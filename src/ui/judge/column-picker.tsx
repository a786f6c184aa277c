'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/judge'
import type { ColumnMapping } from '@/core/readings/readings-csv'
import { TextField } from '../form/bound'
import { Pick } from '../form/pick'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'

const Kept = z.object({ name: z.string().trim().min(1, W.aNameToKnowIt).max(60, W.atMost60Characters) })

type Props = {
  header: string[]
  mapping: ColumnMapping
  kept: ColumnMapping[]
  onChange: (mapping: ColumnMapping) => void
}

const TIME_WORDS = { s: W.seconds, min: W.minutes, clock: W.timeOfDay, iso: W.dateAndTimeWithOffset } as const
const UNITS = ['micron', 'Pa', 'kPa', 'mbar', 'inHgV'] as const
const UNIT_WORDS = { micron: 'micron', Pa: 'Pa', kPa: 'kPa', mbar: 'mbar', inHgV: W.inhgBelowTheAir } as const

/** Says which column of a foreign file is what; kept by a name for the next file of that logger. */
export function ColumnPicker({ header, mapping, kept, onChange }: Props) {
  const form = useForm({ resolver: zodResolver(Kept), defaultValues: { name: mapping.name } })
  const { post, busy, said } = useSending(form, '/api/column-mappings')
  const done = useSaid()
  const keep = form.handleSubmit(async ({ name }) => {
    if (await post({ ...mapping, name })) done(W.keptAs(name))
  })
  return (
    <fieldset className="border-t border-rule pt-2">
      <legend className="text-small font-semibold">{W.whichColumnIsWhat}</legend>
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {kept.length > 0 && (
          <Pick
            label={W.asKept}
            value={mapping.name}
            options={{ '': W.noneOfThese, ...Object.fromEntries(kept.map((m) => [m.name, m.name])) }}
            onPick={(n) => onChange(kept.find((m) => m.name === n) ?? mapping)}
            className="col-span-2"
          />
        )}
        <Pick
          label={W.time}
          value={mapping.time}
          options={Object.fromEntries(header.map((h) => [h, h]))}
          onPick={(time) => onChange({ ...mapping, time })}
        />
        <Pick
          label={W.countedIn}
          value={mapping.timeKind}
          options={TIME_WORDS}
          onPick={(k) => onChange({ ...mapping, timeKind: k as ColumnMapping['timeKind'] })}
        />
        <Pick
          label={W.vacuum}
          value={mapping.vacuum}
          options={Object.fromEntries(header.map((h) => [h, h]))}
          onPick={(vacuum) => onChange({ ...mapping, vacuum })}
        />
        <Pick
          label={W.in2}
          value={mapping.unit}
          options={UNIT_WORDS}
          onPick={(u) => onChange({ ...mapping, unit: UNITS.find((x) => x === u) ?? mapping.unit })}
        />
        <TextField control={form.control} name="name" label={W.keepItUnderAName} placeholder={W.theLoggerOnCart2} />
        <div className="pt-7">
          <button type="button" className="plain-button w-full text-small" disabled={busy} onClick={keep}>
            {W.keep}
          </button>
        </div>
      </div>
      <Refused>{said}</Refused>
    </fieldset>
  )
}
