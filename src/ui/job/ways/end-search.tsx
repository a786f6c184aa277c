'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { TextField } from '../../form/bound'
import { Choice } from '../../form/field'
import { type WayProps, WHY } from './way'
import { WayForm } from './way-form'

const Ended = z.object({ why: WHY, dye: z.enum(['dye', 'none']) })
const DYE = [
  { value: 'dye', label: 'dye goes in with the charge' },
  { value: 'none', label: 'no dye' },
] as const

/** A search that is given up: why, and whether the next one will have dye to see. */
export function EndSearch({ deeds, onDone }: WayProps) {
  const form = useForm({ resolver: zodResolver(Ended), defaultValues: { why: '', dye: 'dye' as const } })
  const go = form.handleSubmit(({ why, dye }) => {
    deeds.record([{ kind: 'search-ended', payload: { why, dye: dye === 'dye' } }])
    onDone()
  })
  return (
    <WayForm name="End the search" action="End it; the record says what is left" busy={deeds.busy} onSubmit={go}>
      <p className="text-lead leading-snug">
        What was looked at stays, with the chances it left. Dye fit for this oil only; a hybrid’s compressor takes none
        that its maker does not allow.
      </p>
      <TextField control={form.control} name="why" label="Why it ends here" placeholder="nothing left worth its time" />
      <Choice
        label="Dye"
        value={form.watch('dye')}
        options={[...DYE]}
        onChange={(dye) => form.setValue('dye', dye as 'dye')}
      />
    </WayForm>
  )
}
