'use client'

import { useRouter } from 'next/navigation'
import { type FormEvent, useState } from 'react'
import type { JobEvent } from '@/core/job/events'
import { eventWords } from '@/core/words/event-words'
import { newEventId, send } from '../api'
import { Field } from '../form/field'

/** After the signature a mistake is corrected on top: what stood, what is right, and why. */
export function CorrectRecord({ jobId, events }: { jobId: string; events: JobEvent[] }) {
  const router = useRouter()
  const entries = events.filter((e) => e.kind !== 'step-finished' && e.kind !== 'signed' && e.kind !== 'corrected')
  const [eventId, setEventId] = useState(entries[0]?.id ?? '')
  const [is, setIs] = useState('')
  const [why, setWhy] = useState('')
  const [refused, setRefused] = useState<string>()
  const chosen = entries.find((e) => e.id === eventId)
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (!chosen) return
    const payload = { eventId, was: eventWords(chosen).slice(0, 200), is, why }
    const answer = await send(`/api/jobs/${jobId}/events`, {
      events: [{ id: newEventId(), kind: 'corrected', payload }],
    })
    setRefused(answer.ok ? undefined : answer.message)
    if (!answer.ok) return
    setIs('')
    setWhy('')
    router.refresh()
  }
  return (
    <details className="no-print mt-5 border-t border-rule pt-2">
      <summary className="min-h-9 cursor-pointer text-[17px] font-semibold">Correct an entry</summary>
      <form onSubmit={submit} className="grid gap-3">
        <label className="text-[16px] font-medium">
          Entry
          <select className="field mt-1" value={eventId} onChange={(e) => setEventId(e.target.value)}>
            {entries.map((e) => (
              <option key={e.id} value={e.id}>
                {eventWords(e)}
              </option>
            ))}
          </select>
        </label>
        <div className="grid grid-cols-2 gap-5 max-sm:grid-cols-1">
          <Field label="It should say" value={is} onChange={setIs} error={refused} />
          <Field label="Why" value={why} onChange={setWhy} placeholder="misread, other can …" />
        </div>
        <button type="submit" className="plain-button justify-self-start">
          Put the correction on top
        </button>
      </form>
    </details>
  )
}
