'use client'

import { RadioGroup } from 'radix-ui'
import { useController, useFormState, useWatch } from 'react-hook-form'
import { W } from '@/core/language/screen/new-car'
import { FREE_VOLUME_L } from '@/core/rig/free-volume'
import { ChoiceField } from '../form/bound'
import { Sign } from '../form/sign'
import { useUnits } from '../units'
import { LabelEntry } from './label-entry'
import { asksEvaporators, type NewCarControl, type NewCarValues, REFUSED } from './values'

const REFRIGERANTS: readonly NewCarValues['refrigerant'][] = ['R-134a', 'R-1234yf', 'R-12', 'R-744']

/** The label under the hood, being filled as it is printed there. */
export function LabelCard({ control, question }: { control: NewCarControl; question: string | undefined }) {
  const units = useUnits()
  const [several, charge] = useWatch({ control, name: ['several', 'charge'] })
  return (
    <section
      aria-label={W.underHoodLabel}
      className="max-w-[640px] rounded-[5px] border-[3px] border-ink bg-sheet px-5 pt-3 pb-4"
    >
      <p className="flex justify-between text-small">
        <span>{W.underTheHood}</span>
        <span className="text-ink-2">{W.asItIsPrinted}</span>
      </p>
      <Refrigerant control={control} />
      <div className="mt-3 border-t-2 border-ink pt-3">
        <LabelEntry control={control} warning={question} />
      </div>
      {asksEvaporators({ several, charge }, units) && (
        <ChoiceField
          control={control}
          name="evaporators"
          label={W.evaporatorsTwoChangeTheVolume}
          options={[
            { value: '1', label: W.oneL(FREE_VOLUME_L[1]) },
            { value: '2', label: W.twoL(FREE_VOLUME_L[2]) },
          ]}
        />
      )}
    </section>
  )
}

function Refrigerant({ control }: { control: NewCarControl }) {
  const { field } = useController({ control, name: 'refrigerant' })
  const { errors } = useFormState({ control, name: 'refrigerant' })
  const refused = errors.refrigerant?.message ?? REFUSED[field.value]
  return (
    <>
      <RadioGroup.Root
        aria-label={W.refrigerant}
        value={field.value}
        onValueChange={field.onChange}
        className="mt-1 flex flex-wrap items-center gap-x-2 gap-y-1"
      >
        {REFRIGERANTS.map((name) => (
          <RadioGroup.Item
            key={name}
            value={name}
            className={
              'min-h-[52px] cursor-pointer rounded border-[1.5px] border-rule-2 px-3 text-row text-ink-2 ' +
              'data-[state=checked]:border-ink data-[state=checked]:bg-deep data-[state=checked]:text-title ' +
              'data-[state=checked]:font-semibold data-[state=checked]:text-ink'
            }
          >
            {name}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {refused && (
        <p className="mt-1 text-note font-medium text-leak">
          <Sign kind="fault" />
          {refused}
        </p>
      )}
    </>
  )
}
