'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRef, useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { Deed } from '@/core/call/types'
import { TextField } from '../../form/bound'
import { Fold } from '../../form/fold'
import { tellFaults } from '../../form/schemas'
import type { Deeds } from '../use-deeds'
import { Collector, type Values } from './form-types'

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
  const [open, setOpen] = useState(false)
  const reader = useRef(read)
  reader.current = read
  const [schema] = useState(() =>
    z.custom<Values>().transform((values, context): Deed[] => {
      const c = new Collector()
      const found = reader.current(values, c)
      return Object.keys(c.errors).length > 0 ? tellFaults(context, c.errors) : found
    }),
  )
  const form = useForm<Values, unknown, Deed[]>({
    resolver: zodResolver(schema),
    defaultValues: Object.fromEntries(fields.map((f) => [f.name, f.initial ?? ''])),
  })
  const enter = form.handleSubmit((found) => {
    deeds.record(found)
    form.reset()
    setOpen(false)
  })
  return (
    <Fold title={title} className="border-t border-rule" open={open} onOpenChange={setOpen}>
      <form aria-label={title} className="pb-3" onSubmit={enter} noValidate>
        <p className="mb-1 max-w-[760px] text-small leading-snug">{intro}</p>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-x-5">
          {fields.map(({ name, label, hint, placeholder }) => (
            <TextField
              key={name}
              control={form.control}
              name={name}
              label={label}
              {...(hint && { below: (text: string) => ({ hint: hint(text) }) })}
              {...(placeholder && { placeholder })}
            />
          ))}
        </div>
        <button type="submit" className="plain-button mt-1" disabled={deeds.busy}>
          {action}
        </button>
      </form>
    </Fold>
  )
}
