'use client'

import { useState } from 'react'
import type { ColumnMapping } from '@/core/readings/readings-csv'
import { send } from '../api'
import { Field } from '../form/field'
import { Pick } from '../form/pick'

type Props = {
  header: string[]
  mapping: ColumnMapping
  kept: ColumnMapping[]
  onChange: (mapping: ColumnMapping) => void
}

const TIME_WORDS = { s: 'seconds', min: 'minutes', clock: 'time of day', iso: 'date and time with offset' } as const
const UNITS = ['micron', 'Pa', 'kPa', 'mbar', 'inHgV'] as const
const UNIT_WORDS = { micron: 'micron', Pa: 'Pa', kPa: 'kPa', mbar: 'mbar', inHgV: 'inHg below the air' } as const

/** Says which column of a foreign file is what; kept by a name for the next file of that logger. */
export function ColumnPicker({ header, mapping, kept, onChange }: Props) {
  const [name, setName] = useState(mapping.name)
  const [said, setSaid] = useState('')
  const keep = async () => {
    const answer = await send('/api/column-mappings', { ...mapping, name })
    setSaid(answer.ok ? `Kept as ${name}.` : answer.message)
  }
  return (
    <fieldset className="border-t border-rule pt-2">
      <legend className="text-[16px] font-semibold">Which column is what</legend>
      <div className="grid grid-cols-2 gap-x-4 gap-y-2">
        {kept.length > 0 && (
          <Pick
            label="As kept"
            value={mapping.name}
            options={{ '': 'none of these', ...Object.fromEntries(kept.map((m) => [m.name, m.name])) }}
            onPick={(n) => onChange(kept.find((m) => m.name === n) ?? mapping)}
            className="col-span-2"
          />
        )}
        <Pick
          label="Time"
          value={mapping.time}
          options={Object.fromEntries(header.map((h) => [h, h]))}
          onPick={(time) => onChange({ ...mapping, time })}
        />
        <Pick
          label="counted in"
          value={mapping.timeKind}
          options={TIME_WORDS}
          onPick={(k) => onChange({ ...mapping, timeKind: k as ColumnMapping['timeKind'] })}
        />
        <Pick
          label="Vacuum"
          value={mapping.vacuum}
          options={Object.fromEntries(header.map((h) => [h, h]))}
          onPick={(vacuum) => onChange({ ...mapping, vacuum })}
        />
        <Pick
          label="in"
          value={mapping.unit}
          options={UNIT_WORDS}
          onPick={(u) => onChange({ ...mapping, unit: UNITS.find((x) => x === u) ?? mapping.unit })}
        />
        <Field label="Keep it under a name" value={name} onChange={setName} placeholder="the logger on cart 2" />
        <div className="pt-7">
          <button
            type="button"
            className="plain-button w-full text-[16px]"
            disabled={name.trim() === ''}
            onClick={() => void keep()}
          >
            Keep
          </button>
        </div>
      </div>
      <p role="status" className="text-[15px]">
        {said}
      </p>
    </fieldset>
  )
}
