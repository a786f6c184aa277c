'use client'

import { RadioGroup } from 'radix-ui'
import { type Ref, useId } from 'react'
import { Sign } from './sign'

export type FieldProps = {
  label: string
  value: string
  onChange: (value: string) => void
  /** the reason the entry cannot be taken, beside the field */
  error?: string | undefined
  /** the same figure in other units, or what to type */
  hint?: string | undefined
  /** questioned once and kept */
  warning?: string | undefined
  inputMode?: 'text' | 'decimal'
  placeholder?: string
  type?: 'text' | 'password' | 'datetime-local' | 'date'
  autoComplete?: string
  inputRef?: Ref<HTMLInputElement>
  /** the one entry a page is about */
  large?: boolean
}

/**
 * A field in which a figure is typed in any unit; its other units, or the reason it cannot be, stand beside it at once.
 */
export function Field({
  label,
  value,
  onChange,
  error,
  hint,
  warning,
  inputMode = 'text',
  placeholder,
  type = 'text',
  autoComplete = 'off',
  inputRef,
  large = false,
}: FieldProps) {
  const id = useId()
  const below = error ?? warning ?? hint
  return (
    <div>
      <label htmlFor={id} className="text-small font-medium">
        {label}
      </label>
      <input
        id={id}
        ref={inputRef}
        type={type}
        className={`field mt-1 ${large ? 'field-large' : ''}`}
        value={value}
        inputMode={inputMode}
        placeholder={placeholder}
        aria-invalid={error !== undefined}
        aria-describedby={`${id}-below`}
        autoComplete={autoComplete}
        onChange={(e) => onChange(e.target.value)}
      />
      <p
        id={`${id}-below`}
        className={
          `mt-1 min-h-5 text-note leading-snug ` +
          `${error ? 'font-medium text-leak' : warning ? 'font-medium text-caution' : 'text-ink-2'}`
        }
      >
        {error ? <Sign kind="fault" /> : warning && <Sign kind="caution" />}
        {below}
      </p>
    </div>
  )
}

/** One choice of a few, as large taps; arrow keys go from one to the next. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  disabled = false,
}: {
  label: string
  value: T
  options: readonly { value: T; label: string }[]
  onChange: (value: T) => void
  disabled?: boolean
}) {
  const id = useId()
  return (
    <div>
      <p id={id} className="text-small font-medium">
        {label}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        disabled={disabled}
        onValueChange={(chosen) => onChange(chosen as T)}
        className="mt-1 flex flex-wrap gap-1.5"
      >
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className={
              'flex min-h-[46px] cursor-pointer items-center rounded border-[1.5px] border-rule-2 bg-sheet px-3 ' +
              'text-body data-[state=checked]:border-ink data-[state=checked]:bg-ink ' +
              'data-[state=checked]:font-medium data-[state=checked]:text-ground'
            }
          >
            {option.label}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  )
}
