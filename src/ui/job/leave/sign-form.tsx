'use client'

import { W } from '@/core/language/screen/job-leave'

import { Field } from '../../form/field'
import { useField } from '../forms/fields'

/** The certificate of whoever vouches. */
export function SignForm() {
  const asked = useField('asked')
  return (
    <div className="max-w-[360px]">
      <Field
        label={W.certificateNumber}
        {...useField('certificate')}
        hint={asked.value === 'no' ? W.noneIsAskedForHere : W.goesWithTheRecord}
      />
    </div>
  )
}
