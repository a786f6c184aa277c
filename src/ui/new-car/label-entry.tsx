'use client'

import { RadioGroup } from 'radix-ui'
import { useController, useFieldArray, useWatch } from 'react-hook-form'
import { W } from '@/core/language/screen/new-car'
import { ChoiceField, TextField } from '../form/bound'
import { massHint } from '../form/entries'
import { Sign } from '../form/sign'
import { useUnits } from '../units'
import type { NewCarControl } from './values'

/** Lines a label has at most. */
const MOST_LINES = 6

/**
 * The label's charge: one figure or range, or a line for each engine or set of evaporators, of which one is this car's.
 */
export function LabelEntry({ control, warning }: { control: NewCarControl; warning: string | undefined }) {
  const units = useUnits()
  const several = useWatch({ control, name: 'several' })
  return (
    <div className="space-y-2">
      <ChoiceField
        control={control}
        name="several"
        label={W.theLabelHas}
        options={[
          { value: 'one', label: W.oneCharge },
          { value: 'several', label: W.severalLines },
        ]}
      />
      {several === 'one' ? (
        <TextField
          control={control}
          name="charge"
          label={W.chargeAFigureOrA}
          large
          hint={W.suchAs567G530}
          below={(text) => massHint(text, units)}
        />
      ) : (
        <div>
          <Lines control={control} />
          {warning && (
            <p className="mt-1 text-small font-medium text-caution">
              <Sign kind="caution" />
              {warning}
            </p>
          )}
        </div>
      )}
    </div>
  )
}

function Lines({ control }: { control: NewCarControl }) {
  const units = useUnits()
  const { fields, append } = useFieldArray({ control, name: 'lines' })
  const { field } = useController({ control, name: 'picked' })
  return (
    <RadioGroup.Root aria-label={W.thisCarsLine} value={field.value} onValueChange={field.onChange}>
      {fields.map(({ id }, i) => (
        <div key={id} className="grid grid-cols-[124px_1fr_1fr] gap-x-3 max-sm:grid-cols-1">
          <RadioGroup.Item
            value={String(i)}
            aria-label={W.lineIsThisCars(i + 1)}
            className={
              'group mt-7 flex min-h-[46px] cursor-pointer items-center gap-2 self-start text-left text-small ' +
              'data-[state=checked]:font-semibold max-sm:mt-1'
            }
          >
            <span
              aria-hidden="true"
              className={
                'grid size-5 shrink-0 place-items-center rounded-full border-[2px] border-ink ' +
                'group-data-[state=checked]:bg-ink'
              }
            />
            {W.thisCars}
          </RadioGroup.Item>
          <TextField
            control={control}
            name={`lines.${i}.name`}
            label={W.lineIsFor(i + 1)}
            placeholder={i === 0 ? W.frontOnly : W.frontAndRear}
          />
          <TextField
            control={control}
            name={`lines.${i}.charge`}
            label={W.chargeOfLine(i + 1)}
            below={(text) => massHint(text, units)}
          />
        </div>
      ))}
      {fields.length < MOST_LINES && (
        <button type="button" className="plain-button text-small" onClick={() => append({ name: '', charge: '' })}>
          {W.anotherLine}
        </button>
      )}
    </RadioGroup.Root>
  )
}
