'use client'

import { useEffect } from 'react'
import { type UseFormReturn, useFormState, useWatch } from 'react-hook-form'
import { OPENED } from '@/core/job/events'
import { W } from '@/core/language/screen/new-car'
import { OPENED_WORDS } from '@/core/words/renewed'
import { ChoiceField } from '../form/bound'
import { type NewCarOpened, type NewCarValues, USUAL_HOURS } from './values'
import { WaterExpected } from './water-expected'

/** What was opened, and what that costs. */
export function OpenedBlock({ form }: { form: UseFormReturn<NewCarValues, unknown, NewCarOpened> }) {
  const { control, setValue } = form
  const opened = useWatch({ control, name: 'opened' })
  const { dirtyFields } = useFormState({ control })
  const told = dirtyFields.openHours === true
  useEffect(() => {
    if (!told) setValue('openHours', USUAL_HOURS[opened])
  }, [opened, told, setValue])
  return (
    <section aria-label={W.whatWasOpened}>
      <ChoiceField
        control={control}
        name="opened"
        label={W.whatWasOpened2}
        options={OPENED.map((o) => ({ value: o, label: OPENED_WORDS[o] }))}
      />
      <WaterExpected opened={opened} />
    </section>
  )
}
