'use client'

import { W } from '@/core/language/screen/job-charge'

import { Choice } from '../../form/field'
import { MassField } from '../forms/fields'
import { useForms } from '../forms/forms'

/** A container as the scale shows it; one that starts otherwise than planned says why. */
export function GrossForm({ label, starts = false }: { label: string; starts?: boolean }) {
  const { values, errors, change } = useForms()
  return (
    <div className="flex flex-wrap items-start gap-x-5 gap-y-2">
      <div className="w-[360px] max-sm:w-full">
        <MassField name="gross" label={label} />
      </div>
      {starts && (errors.gross || values.differs) && (
        <Choice
          label={W.itWeighsOtherwiseBecause}
          value={values.differs ?? ''}
          options={[
            { value: 'hose-hung-on', label: W.theHoseHangsOnIt },
            { value: 'another-container', label: W.itIsAnotherContainer },
          ]}
          onChange={(why) => change('differs', why)}
        />
      )}
    </div>
  )
}
