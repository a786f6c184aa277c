'use client'

import { Field } from '../../form/field'
import { useField } from '../forms/fields'

/** The certificate of whoever vouches. */
export function SignForm() {
  return (
    <div className="max-w-[360px]">
      <Field label="Certificate number" {...useField('certificate')} hint="goes with the record" />
    </div>
  )
}
