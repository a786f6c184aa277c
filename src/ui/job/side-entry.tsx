'use client'

import { useState } from 'react'
import type { Deed } from '@/core/call/types'
import { Field } from '../form/field'
import { Collector, type Errors, type Values } from './forms/form-types'
import type { Deeds } from './use-deeds'

type SideField = {
  name: string
  label: string
  initial?: string
  hint?: (text: string) => string | undefined
  placeholder?: string
}
type Props = {
  title: string
  /** what it is good for, before anybody types */
  intro: string
  fields: readonly SideField[]
  /** what the entries become; faults go to the collector */
  read: (values: Values, c: Collector) => Deed[]
  action: string
  deeds: Deeds
}

/** Something that may be entered beside what the call asks for, behind a fold, with its own button. */
export function SideEntry({ title, intro, fields, read, action, deeds }: Props) {
  const [typed, setTyped] = useState<Values>({})
  const [errors, setErrors] = useState<Errors>({})
  const [open, setOpen] = useState(false)
  const values = { ...Object.fromEntries(fields.map((f) => [f.name, f.initial ?? ''])), ...typed }
  const enter = () => {
    const c = new Collector()
    const found = read(values, c)
    setErrors(c.errors)
    if (Object.keys(c.errors).length > 0) return
    deeds.record(found)
    setTyped({})
    setOpen(false)
  }
  return (
    <details className="border-t border-rule" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2.5 text-[17px] font-semibold">{title}</summary>
      <form
        aria-label={title}
        className="pb-3"
        onSubmit={(e) => {
          e.preventDefault()
          enter()
        }}
      >
        <p className="mb-1 max-w-[760px] text-[16px] leading-snug">{intro}</p>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-5">
          {fields.map((f) => (
            <Field
              key={f.name}
              label={f.label}
              value={values[f.name] ?? ''}
              error={errors[f.name]}
              hint={f.hint?.(values[f.name] ?? '')}
              {...(f.placeholder && { placeholder: f.placeholder })}
              onChange={(v) => {
                setTyped((before) => ({ ...before, [f.name]: v }))
                setErrors(({ [f.name]: _mended, ...rest }) => rest)
              }}
            />
          ))}
        </div>
        <button type="submit" className="plain-button mt-1" disabled={deeds.busy}>
          {action}
        </button>
      </form>
    </details>
  )
}
