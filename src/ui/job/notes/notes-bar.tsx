'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useEffect, useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { ClockSegment } from '@/core/job/clock'
import { MOST_PHOTOS, PHOTO_WORDS } from '@/core/job/photos'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-notes'
import type { Stretch } from '@/core/views'
import { TextField } from '../../form/bound'
import { Fold } from '../../form/fold'
import { useOutbox } from '../../outbox/outbox'
import type { Deeds } from '../use-deeds'
import { TakePhoto } from './take-photo'

type Props = {
  jobId: string
  state: JobState
  deeds: Deeds
  take: (stretch: Stretch) => void
  clock: (ms: number) => string
  segments: readonly ClockSegment[]
}

/** What is noted and photographed of this car, at any moment: it stands in the trail and in the record. */
export function NotesBar({ jobId, state, deeds, take, clock, segments }: Props) {
  const { notes, photos } = state
  const count = notes.length + photos.length
  return (
    <Fold
      title={
        <>
          {W.notesAndPhotographs}{' '}
          <span className="font-normal text-ink-2">{count === 0 ? W.noneYet : W.and(notes.length, photos.length)}</span>
        </>
      }
      className="mt-3 border-t border-rule"
    >
      <NoteForm deeds={deeds} />
      {photos.length < MOST_PHOTOS && <TakePhoto jobId={jobId} clock={segments} take={take} />}
      {notes.length > 0 && (
        <ul aria-label={W.notes} className="mt-2 text-body">
          {notes.map((n) => (
            <li key={n.at + n.text} className="grid grid-cols-[56px_1fr_auto] gap-x-3 border-t border-rule py-1">
              <span className="text-ink-2" suppressHydrationWarning>
                {clock(Date.parse(n.at))}
              </span>
              <span>{n.text}</span>
              <span className="text-ink-2">{n.by}</span>
            </li>
          ))}
        </ul>
      )}
      <Photos jobId={jobId} photos={photos} />
    </Fold>
  )
}

/** Photographs side by side; one opens large by a tap. */
export function Photos({ jobId, photos }: { jobId: string; photos: JobState['photos'] }) {
  if (photos.length === 0) return null
  return (
    <ul aria-label={W.photographs} className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-3">
      {photos.map((p) => {
        const words = `${PHOTO_WORDS[p.of]}${p.caption ? `: ${p.caption}` : ''}`
        return (
          <li key={p.photo}>
            <PhotoSeen jobId={jobId} photo={p.photo} words={words} by={p.by} />
          </li>
        )
      })}
    </ul>
  )
}

/** One of them, from the server; one that waits here from this device. */
function PhotoSeen({ jobId, photo, words, by }: { jobId: string; photo: string; words: string; by: string }) {
  const { kept } = useOutbox()
  const waits = kept.find((k) => k.kind === 'photos' && k.id === photo)
  const image = waits?.kind === 'photos' ? waits.image : null
  const [here, setHere] = useState<string | null>(null)
  useEffect(() => {
    const url = image && URL.createObjectURL(image)
    setHere(url)
    return () => (url === null ? undefined : URL.revokeObjectURL(url))
  }, [image])
  const src = image ? here : `/api/jobs/${jobId}/photos/${photo}`
  return (
    <a href={src ?? undefined} target="_blank" rel="noreferrer">
      {src && (
        // biome-ignore lint/performance/noImgElement: it is ours, small already, and behind the session
        <img src={src} alt={words} loading="lazy" className="aspect-[4/3] w-full border border-rule-2 object-cover" />
      )}
      <span className="mt-0.5 block text-note leading-tight">
        {words}, {by}
        {image && W.waitsToBeSent}
      </span>
    </a>
  )
}

const Note = z.object({ text: z.string().trim().min(1, W.aWordOrTwo).max(200, W.upTo200Letters) })

function NoteForm({ deeds }: { deeds: Deeds }) {
  const form = useForm({ resolver: zodResolver(Note), defaultValues: { text: '' } })
  const add = form.handleSubmit(({ text }) => {
    deeds.record([{ kind: 'noted', payload: { text } }])
    form.reset()
  })
  return (
    <form aria-label={W.note} className="flex flex-wrap items-end gap-3" onSubmit={add} noValidate>
      <div className="min-w-[240px] max-w-[560px] flex-1">
        <TextField control={form.control} name="text" label={W.note} placeholder={W.whatTheNextOneShould} />
      </div>
      <button type="submit" className="plain-button mb-5" disabled={deeds.busy}>
        {W.noteIt}
      </button>
    </form>
  )
}
