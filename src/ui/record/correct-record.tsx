'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { JobEvent } from '@/core/job/events'
import { W } from '@/core/language/screen/record'
import { eventWords } from '@/core/words/event-words'
import { newEventId } from '../api'
import { PickField, TextField } from '../form/bound'
import { Fold } from '../form/fold'
import { Refused } from '../form/refused'
import { useSending } from '../form/use-sending'

const Correction = z.object({
  eventId: z.string(),
  is: z.string().trim().min(1, W.whatItShouldSay),
  why: z.string().trim().min(1, W.whyItWasWrong),
})

/** A mistake is corrected on top, before the signature or after it: what stood, what is right, and why. */
export function CorrectRecord({ jobId, events }: { jobId: string; events: JobEvent[] }) {
  const router = useRouter()
  const entries = events.filter((e) => e.kind !== 'step-finished' && e.kind !== 'signed' && e.kind !== 'corrected')
  const form = useForm({
    resolver: zodResolver(Correction),
    defaultValues: { eventId: entries[0]?.id ?? '', is: '', why: '' },
  })
  const { post, busy, said } = useSending(form, `/api/jobs/${jobId}/events`)
  const submit = form.handleSubmit(async ({ eventId, is, why }) => {
    const chosen = entries.find((e) => e.id === eventId)
    if (!chosen) return
    const payload = { eventId, was: eventWords(chosen).slice(0, 200), is, why }
    if (!(await post({ events: [{ id: newEventId(), kind: 'corrected', payload }] }))) return
    form.reset()
    router.refresh()
  })
  const { control } = form
  return (
    <Fold title={W.correctAnEntry} className="no-print mt-5 border-t border-rule pt-2">
      <form onSubmit={submit} noValidate className="grid gap-3">
        <PickField
          control={control}
          name="eventId"
          label={W.entry}
          options={Object.fromEntries(entries.map((e) => [e.id, eventWords(e)]))}
        />
        <div className="grid grid-cols-2 gap-5 max-sm:grid-cols-1">
          <TextField control={control} name="is" label={W.itShouldSay} />
          <TextField control={control} name="why" label={W.why} placeholder={W.misreadOtherCan} />
        </div>
        <div className="flex items-center gap-4">
          <button type="submit" className="plain-button" disabled={busy}>
            {W.putTheCorrectionOnTop}
          </button>
          <Refused className="text-small">{said}</Refused>
        </div>
      </form>
    </Fold>
  )
}
