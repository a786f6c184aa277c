'use client'

import { Field } from '../../form/field'
import { useField } from '../forms/fields'

/** The certificate of whoever vouches. */
export function SignForm() {
  const asked = useField('asked')
  return (
    <div className="max-w-[360px]">
      <Field
        label="Certificate number"
        {...useField('certificate')}
        hint={
          asked.value === 'no'
            ? 'none is asked for here; the record says so where none is given'
            : 'goes with the record'
        }
      />
    </div>
  )
}
