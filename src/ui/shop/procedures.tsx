'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { provesOfRule, SCHOOLS } from '@/core/hold/proves'
import { ProcedureWritten } from '@/core/job/events'
import { procedureRead } from '@/core/job/written'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { StoredProcedure } from '@/core/views'
import { newEventId } from '../api'
import { TextField } from '../form/bound'
import { figure } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { micronText } from '../format'
import { useSaid } from '../frame/said'
import { EditRow, NOT_SAVED } from './edit-row'

/** The shop's procedures, and the schools to begin a new one from; each says what its figures can and cannot prove. */
export function Procedures({ procedures }: { procedures: StoredProcedure[] }) {
  const [fresh, setFresh] = useState<StoredProcedure | null>(null)
  const copy = (from: Omit<StoredProcedure, 'id'>) => {
    const taken = procedures.some((p) => p.name === from.name)
    setFresh({ ...from, id: newEventId(), name: taken ? `${from.name}, ours` : from.name })
  }
  return (
    <section>
      <div className="mb-2 flex items-end justify-between">
        <h1 className="text-title font-semibold">Procedures</h1>
        <button type="button" className="plain-button" onClick={() => setFresh(BLANK_PROCEDURE())}>
          New procedure
        </button>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <span className="mr-1 text-body">or begin from a school:</span>
        {SCHOOLS.map((school) => (
          <button key={school.name} type="button" className="plain-button text-small" onClick={() => copy(school)}>
            {school.name}
          </button>
        ))}
      </div>
      <ul className="border-t-2 border-ink">
        {fresh && (
          <li className="border-b border-rule py-3">
            <ProcedureForm key={fresh.id} procedure={fresh} onDone={() => setFresh(null)} />
          </li>
        )}
        {procedures.map((p) => (
          <ProcedureRow key={p.id} procedure={p} />
        ))}
      </ul>
    </section>
  )
}

const BLANK_PROCEDURE = (): StoredProcedure => ({
  id: newEventId(),
  name: '',
  targetPa: 500 * PA_PER_MICRON,
  pullMinutes: 60,
  holdMinutes: 30,
  proves: '',
})

/** A procedure as people speak of it; its fields come when it is to be changed. */
function ProcedureRow({ procedure }: { procedure: StoredProcedure }) {
  const [editing, setEditing] = useState(false)
  const { name, targetPa, pullMinutes, holdMinutes, proves } = procedure
  if (editing)
    return (
      <li className="border-b border-rule py-3">
        <ProcedureForm procedure={procedure} onDone={() => setEditing(false)} />
      </li>
    )
  return (
    <li
      aria-label={name}
      className="grid grid-cols-[minmax(0,1fr)_repeat(3,112px)_140px] items-center gap-x-4 border-b border-rule py-3 max-md:grid-cols-3"
    >
      <div className="max-md:col-span-3">
        <h2 className="text-head font-semibold leading-tight">{name}</h2>
        <p className="text-small leading-snug">{proves}</p>
      </div>
      <Told figure={micronText(targetPa)} words="micron" />
      <Told figure={`${pullMinutes}`} words="min of pull" />
      <Told figure={`${holdMinutes}`} words="min of hold" />
      <button type="button" className="plain-button max-md:col-span-3 max-md:mt-2" onClick={() => setEditing(true)}>
        Change it
      </button>
    </li>
  )
}

function Told({ figure, words }: { figure: string; words: string }) {
  return (
    <p className="leading-tight">
      <b className="figure block text-title font-semibold">{figure}</b>
      <span className="text-note text-ink-2">{words}</span>
    </p>
  )
}

const Typed = z
  .object({ name: z.string(), proves: z.string(), targetMicron: figure, pullMinutes: figure, holdMinutes: figure })
  .pipe(ProcedureWritten.extend({ proves: z.string() }))

function ProcedureForm({ procedure, onDone }: { procedure: StoredProcedure; onDone: () => void }) {
  const router = useRouter()
  const { id, name, proves } = procedure
  const form = useForm({
    resolver: zodResolver(Typed),
    defaultValues: {
      name,
      proves,
      targetMicron: String(Math.round(procedure.targetPa / PA_PER_MICRON)),
      pullMinutes: String(procedure.pullMinutes),
      holdMinutes: String(procedure.holdMinutes),
    },
  })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const done = useSaid()
  const save = form.handleSubmit(
    async (figures) => {
      if (!(await post({ what: 'procedure', procedure: { id, ...figures } }))) return
      done('Saved.')
      onDone()
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  const { control } = form
  const [targetMicron, pullMinutes, holdMinutes] = useWatch({
    control,
    name: ['targetMicron', 'pullMinutes', 'holdMinutes'],
  })
  return (
    <EditRow name={name || 'New procedure'} said={said} busy={busy} onSubmit={save} onLeave={onDone}>
      <TextField control={control} name="name" label="Name" />
      <TextField control={control} name="targetMicron" label="Target, micron" inputMode="decimal" />
      <TextField control={control} name="pullMinutes" label="Pull, about, min" inputMode="decimal" />
      <TextField control={control} name="holdMinutes" label="Hold, min" inputMode="decimal" />
      <div className="col-span-full">
        <TextField control={control} name="proves" label="What it can and cannot prove" />
        <Proves figures={{ targetMicron, pullMinutes, holdMinutes }} />
      </div>
    </EditRow>
  )
}

/** What the figures as they stand can and cannot prove, worked out as they are edited. */
function Proves({ figures }: { figures: { targetMicron: string; pullMinutes: string; holdMinutes: string } }) {
  const read = Typed.safeParse({ ...figures, name: 'it', proves: '' })
  if (!read.success) return <p className="text-note text-ink-2">What it proves stands here once the figures can be.</p>
  return (
    <ul className="list-disc space-y-0.5 pl-5 text-note leading-snug text-ink-2">
      {provesOfRule(procedureRead(read.data)).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  )
}
