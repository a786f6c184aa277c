'use client'

import { useId } from 'react'
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
}

/**
 * A field in which a figure is typed in any unit; its other units, or the reason it cannot be, stand beside it at once.
 */
export function Field({ label, value, onChange, error, hint, warning, inputMode = 'text', placeholder }: FieldProps) {
  const id = useId()
  const below = error ?? warning ?? hint
  return (
    <div>
      <label htmlFor={id} className="text-[16px] font-medium">
        {label}
      </label>
      <input
        id={id}
        className="field mt-1"
        value={value}
        inputMode={inputMode}
        placeholder={placeholder}
        aria-invalid={error !== undefined}
        aria-describedby={`${id}-below`}
        autoComplete="off"
        onChange={(e) => onChange(e.target.value)}
      />
      <p
        id={`${id}-below`}
        className={`mt-1 min-h-5 text-[15px] leading-snug ${error ? 'font-medium text-leak' : warning ? 'font-medium text-caution' : 'text-ink-2'}`}
      >
        {error ? <Sign kind="fault" /> : warning && <Sign kind="caution" />}
        {below}
      </p>
    </div>
  )
}

/** One choice of a few, as large taps. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: T
  options: readonly { value: T; label: string }[]
  onChange: (value: T) => void
}) {
  return (
    <fieldset>
      <legend className="text-[16px] font-medium">{label}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {options.map((option) => (
          <label
            key={option.value}
            className={`flex min-h-[46px] cursor-pointer items-center rounded border-[1.5px] px-3 text-[17px] has-[:focus-visible]:outline-3 has-[:focus-visible]:outline-offset-2 ${value === option.value ? 'border-ink bg-ink font-medium text-ground' : 'border-rule-2 bg-sheet'}`}
          >
            <input
              type="radio"
              className="sr-only"
              name={label}
              checked={value === option.value}
              onChange={() => onChange(option.value)}
            />
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
