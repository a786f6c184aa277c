'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { W } from '@/core/language/screen/job-charge'
import type { Stretch } from '@/core/views'
import { newEventId } from '../../api'
import { TextField } from '../../form/bound'
import { Fold } from '../../form/fold'
import { Refused } from '../../form/refused'
import { useSending } from '../../form/use-sending'

const Typed = z.object({ signIn: z.string().min(1, W.theirNameToSignIn), password: z.string().min(1, 'theirs') })

/** A technician beside a trainee nods to the plan on the trainee's own screen. */
export function NodHere({ jobId, take }: { jobId: string; take: (stretch: Stretch) => void }) {
  const form = useForm({ resolver: zodResolver(Typed), defaultValues: { signIn: '', password: '' } })
  const { post, busy, said } = useSending(form, `/api/jobs/${jobId}/nod`)
  const submit = form.handleSubmit(async (typed) => {
    const told = await post<Stretch>({ id: newEventId(), ...typed })
    form.resetField('password')
    if (told) take(told)
  })
  return (
    <Fold title={W.aTechnicianStandsHereNod} className="mt-3 max-w-[520px]">
      <form onSubmit={submit} noValidate aria-label={W.nod} className="grid gap-2 py-2">
        <TextField control={form.control} name="signIn" label={W.techniciansNameToSignIn} autoComplete="off" />
        <TextField control={form.control} name="password" label={W.theirPassword} type="password" autoComplete="off" />
        <Refused>{said}</Refused>
        <button type="submit" className="plain-button justify-self-start" disabled={busy}>
          {W.nodToThePlan}
        </button>
      </form>
    </Fold>
  )
}
