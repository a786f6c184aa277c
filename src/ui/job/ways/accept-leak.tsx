'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { chargeKnowingly } from '@/core/call/ways-out'
import { W } from '@/core/language/screen/job-ways'
import { TextField } from '../../form/bound'
import { type WayProps, WHY } from './way'
import { WayForm } from './way-form'

const Accepted = z.object({ why: WHY, customer: WHY })

/** A charge into a car that is known to leak: how long it lasts, why, and what whoever pays said to it. */
export function AcceptLeak({ ahead, deeds, onDone }: { ahead: { gramsPerYear: number; words: string } } & WayProps) {
  const form = useForm({ resolver: zodResolver(Accepted), defaultValues: { why: '', customer: '' } })
  const go = form.handleSubmit(({ why, customer }) => {
    deeds.record(chargeKnowingly(ahead.gramsPerYear, why, customer))
    onDone()
  })
  return (
    <WayForm name={W.chargeItAlthoughItLeaks2} action={W.chargeItTheRecordSays} busy={deeds.busy} onSubmit={go}>
      <p className="text-lead leading-snug">{ahead.words}</p>
      <div className="grid grid-cols-2 gap-x-5 max-sm:grid-cols-1">
        <TextField control={form.control} name="why" label={W.whyItIsChargedAll} placeholder={W.forThisSummer} />
        <TextField
          control={form.control}
          name="customer"
          label={W.whatTheCustomerSaidTo}
          placeholder={W.knowsWantsItSo}
        />
      </div>
    </WayForm>
  )
}
