'use client'

import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form'
import { Choice, Field, type FieldProps } from './field'
import { Pick } from './pick'

type Bound<T extends FieldValues, O> = { control: Control<T, unknown, O>; name: FieldPath<T> }

/** What stands below an entry while it can be taken: the same in other units, or what to look at once more. */
export type Below = { hint?: string | undefined; warning?: string | undefined }

/** A field of a form: what is typed, and beside it its other units or the reason it cannot be taken. */
export function TextField<T extends FieldValues, O>({
  control,
  name,
  below,
  ...rest
}: Bound<T, O> & { below?: (text: string) => Below } & Omit<FieldProps, 'value' | 'onChange' | 'error'>) {
  const { field, fieldState } = useController<T, FieldPath<T>, O>({ control, name })
  const text = String(field.value ?? '')
  const found = below?.(text)
  return (
    <Field
      {...rest}
      value={text}
      onChange={field.onChange}
      inputRef={field.ref}
      error={fieldState.error?.message}
      hint={found?.hint ?? rest.hint}
      warning={found?.warning ?? rest.warning}
    />
  )
}

/** One choice of a few, of a form. */
export function ChoiceField<T extends FieldValues, O>({
  control,
  name,
  label,
  options,
}: Bound<T, O> & { label: string; options: readonly { value: string; label: string }[] }) {
  const { field } = useController<T, FieldPath<T>, O>({ control, name })
  return <Choice label={label} value={String(field.value)} options={options} onChange={field.onChange} />
}

/** One of a list, of a form. */
export function PickField<T extends FieldValues, O>({
  control,
  name,
  label,
  options,
  className,
  onPicked,
}: Bound<T, O> & {
  label: string
  options: Record<string, string>
  className?: string
  onPicked?: (value: string) => void
}) {
  const { field } = useController<T, FieldPath<T>, O>({ control, name })
  return (
    <Pick
      label={label}
      value={String(field.value)}
      options={options}
      onPick={(value) => {
        field.onChange(value)
        onPicked?.(value)
      }}
      {...(className !== undefined && { className })}
    />
  )
}
