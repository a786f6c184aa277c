'use client'

import { Camera } from 'lucide-react'
import { useRef, useState } from 'react'
import { type ClockSegment, jobTimeMs } from '@/core/job/clock'
import { PHOTO_OF, PHOTO_WORDS, type PhotoOf } from '@/core/job/photos'
import { W } from '@/core/language/screen/job-notes'
import type { Stretch } from '@/core/views'
import { newEventId } from '../../api'
import { Field } from '../../form/field'
import { Pick } from '../../form/pick'
import { Refused } from '../../form/refused'
import { useOutbox } from '../../outbox/outbox'
import { serverNow } from '../../server-clock'
import { shrunk } from './shrink'

type Props = { jobId: string; clock: readonly ClockSegment[]; take: (stretch: Stretch) => void }

/** Takes a photograph by the phone's camera, or a picture from the disk, and sends it small. */
export function TakePhoto({ jobId, clock, take }: Props) {
  const box = useOutbox()
  const input = useRef<HTMLInputElement>(null)
  const [of, setOf] = useState<PhotoOf>('label')
  const [caption, setCaption] = useState('')
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState(false)
  const picked = async (file: File | undefined) => {
    if (!file) return
    setBusy(true)
    setSaid('')
    try {
      const image = await shrunk(file)
      const at = new Date(Math.round(jobTimeMs(clock, serverNow()))).toISOString()
      const put = await box.put<Stretch>(jobId, { kind: 'photos', id: newEventId(), of, caption, at, image })
      if (put.kind === 'told' && !put.told.ok) setSaid(put.told.message)
      else {
        if (put.kind === 'told' && put.told.ok) take(put.told.data)
        setCaption('')
      }
    } catch (error) {
      setSaid(String((error as Error).message))
    }
    setBusy(false)
    if (input.current) input.current.value = ''
  }
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Pick
        label={W.itShows}
        value={of}
        options={PHOTO_WORDS}
        onPick={(value) => setOf(PHOTO_OF.find((o) => o === value) ?? 'other')}
      />
      <div className="min-w-[200px] max-w-[380px] flex-1">
        <Field label={W.inWords} value={caption} onChange={setCaption} placeholder={W.mayStayEmpty} />
      </div>
      <label className="plain-button mb-5 inline-flex cursor-pointer items-center gap-2 has-focus-visible:outline-3">
        <Camera size={20} aria-hidden="true" />
        {busy ? W.sending : W.photograph}
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          disabled={busy}
          onChange={(event) => void picked(event.target.files?.[0])}
        />
      </label>
      <Refused className="basis-full text-note">{said}</Refused>
    </div>
  )
}
