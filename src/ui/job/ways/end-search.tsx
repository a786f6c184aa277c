'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/job-ways'
import { TextField } from '../../form/bound'
import { Choice } from '../../form/field'
import { type WayProps, WHY } from './way'
import { WayForm } from './way-form'

const Ended = z.object({ why: WHY, dye: z.enum(['dye', 'none']) })
const DYE = [
  { value: 'dye', label: W.dyeGoesInWithThe },
  { value: 'none', label: W.noDye },
] as const

/** A search that is given up: why, and whether the next one will have dye to see. */
export function EndSearch({ deeds, onDone }: WayProps) {
  const form = useForm({ resolver: zodResolver(Ended), defaultValues: { why: '', dye: 'dye' as const } })
  const go = form.handleSubmit(({ why, dye }) => {
    deeds.record([{ kind: 'search-ended', payload: { why, dye: dye === 'dye' } }])
    onDone()
  })
  return (
    <WayForm name={W.endTheSearch} action={W.endItTheRecordSays} busy={deeds.busy} onSubmit={go}>
      <p className="text-lead leading-snug">{W.whatWasLookedAtStays}</p>
      <TextField control={form.control} name="why" label={W.whyItEndsHere} placeholder={W.nothingLeftWorthItsTime} />
      <Choice
        label={W.dye}
        value={form.watch('dye')}
        options={[...DYE]}
        onChange={(dye) => form.setValue('dye', dye as 'dye')}
      />
    </WayForm>
  )
}
