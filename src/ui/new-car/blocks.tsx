'use client'

import type { ReactNode } from 'react'
import { useFormState, useWatch } from 'react-hook-form'
import { OPENED } from '@/core/job/events'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { OPENED_WORDS } from '@/core/words/renewed'
import { ChoiceField, TextField } from '../form/bound'
import { celsiusHint, massHint } from '../form/entries'
import { Sign } from '../form/sign'
import { LabelEntry } from './label-entry'
import { airHint, type NewCarControl, REFUSED } from './values'

/** What people call it, what it is, and what is wrong. */
export function CarBlock({ control }: { control: NewCarControl }) {
  return (
    <Block title="Car">
      <TextField control={control} name="name" label="Name people use" placeholder="Shuttle 4" />
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
    </Block>
  )
}

/** What stands under the hood. */
export function LabelBlock({ control, question }: { control: NewCarControl; question: string | undefined }) {
  const [refrigerant, drive] = useWatch({ control, name: ['refrigerant', 'drive'] })
  const { errors } = useFormState({ control, name: 'refrigerant' })
  const refused = errors.refrigerant?.message ?? REFUSED[refrigerant]
  return (
    <Block title="Under-hood label">
      <div className="col-span-2 max-sm:col-span-1">
        <ChoiceField
          control={control}
          name="refrigerant"
          label="Refrigerant"
          options={(['R-134a', 'R-1234yf', 'R-12', 'R-744'] as const).map((r) => ({ value: r, label: r }))}
        />
        {refused && (
          <p className="mt-1 text-note font-medium text-leak">
            <Sign kind="fault" />
            {refused}
          </p>
        )}
      </div>
      <ChoiceField
        control={control}
        name="source"
        label="Figures from"
        options={[
          { value: 'label', label: 'the label' },
          { value: 'manual', label: 'service manual' },
        ]}
      />
      <LabelEntry control={control} warning={question} />
      <TextField control={control} name="tolerance" label="Tolerance ±" below={massHint} />
      <ChoiceField
        control={control}
        name="evaporators"
        label="Evaporators"
        options={[
          { value: '1', label: `one, ${FREE_VOLUME_L[1]} L` },
          { value: '2', label: `two, ${FREE_VOLUME_L[2]} L` },
        ]}
      />
      <TextField
        control={control}
        name="oilKind"
        label="Oil type"
        placeholder="PAG 46"
        hint={drive === 'hybrid' ? 'hybrid: only the maker’s non-conducting oil' : undefined}
      />
      <TextField control={control} name="oilMl" label="Oil amount, mL" inputMode="decimal" />
    </Block>
  )
}

/** The air it stands in, and how it came to be open. */
export function PlaceBlock({ control }: { control: NewCarControl }) {
  return (
    <Block title="Place and story">
      <TextField
        control={control}
        name="air"
        label="Altitude or barometer"
        below={(text) => ({ hint: airHint(text) })}
      />
      <TextField control={control} name="ambient" label="Ambient" below={(text) => ({ hint: celsiusHint(text) })} />
      <TextField control={control} name="openHours" label="Open for, hours" inputMode="decimal" />
      <div className="col-span-2 max-sm:col-span-1">
        <ChoiceField
          control={control}
          name="opened"
          label="What was opened"
          options={OPENED.map((o) => ({ value: o, label: OPENED_WORDS[o] }))}
        />
      </div>
      <ChoiceField
        control={control}
        name="drier"
        label="Drier or accumulator"
        options={[
          { value: 'yes', label: 'replaced' },
          { value: 'no', label: 'kept' },
        ]}
      />
      <TextField control={control} name="lastCharge" label="Last known charge" below={massHint} />
      <TextField control={control} name="daysSince" label="That was, days ago" inputMode="decimal" />
      <TextField control={control} name="recovered" label="Recovered already" below={massHint} />
    </Block>
  )
}

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-2 border-b border-rule pb-1 text-head font-semibold">{title}</h2>
      <div className="grid grid-cols-3 items-start gap-x-5 gap-y-1.5 max-md:grid-cols-2 max-sm:grid-cols-1">
        {children}
      </div>
    </section>
  )
}
