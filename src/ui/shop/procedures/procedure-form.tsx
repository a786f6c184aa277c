'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useFieldArray, useForm, useWatch } from 'react-hook-form'
import { plainStages, type StageKind } from '@/core/job/stages'
import { procedureRead, procedureWritten } from '@/core/job/written'
import { W } from '@/core/language/screen/shop-procedures'
import { provesOf } from '@/core/schools/schools'
import type { StoredProcedure } from '@/core/views'
import { TextField } from '../../form/bound'
import { Refused } from '../../form/refused'
import { useSending } from '../../form/use-sending'
import { useSaid } from '../../frame/said'
import { NOT_SAVED } from '../edit-row'
import { StageCard } from './stage-card'
import { STAGE_NAMES } from './stage-picture'
import { BLANK, type ProcedureValues, Typed, valuesOfProcedure } from './stage-values'

const KINDS = Object.keys(STAGE_NAMES) as StageKind[]

/** A procedure as a strip of its stages, in order: each is a picture with what it asks. */
export function ProcedureForm({ procedure, onDone }: { procedure: StoredProcedure; onDone: () => void }) {
  const router = useRouter()
  const form = useForm({
    resolver: zodResolver(Typed),
    defaultValues: valuesOfProcedure(procedure, procedure.stages ?? plainStages(procedureWritten(procedure))),
  })
  const { control } = form
  const stages = useFieldArray({ control, name: 'stages' })
  const { post, busy, said, say } = useSending(form, '/api/shop')
  const done = useSaid()
  const save = form.handleSubmit(
    async (figures) => {
      if (!(await post({ what: 'procedure', procedure: { id: procedure.id, ...figures } }))) return
      done(W.saved)
      onDone()
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  return (
    <form
      onSubmit={save}
      noValidate
      aria-label={procedure.name || W.newProcedure}
      className="rounded border-[1.5px] border-ink bg-ground p-4"
    >
      <div className="grid grid-cols-[260px_1fr] gap-x-5 max-sm:grid-cols-1">
        <TextField control={control} name="name" label={W.name2} />
        <TextField control={control} name="proves" label={W.whatItIsGoodFor} />
      </div>
      <ol aria-label={W.stages} className="mt-1 flex items-stretch gap-2.5 overflow-x-auto pb-3">
        {stages.fields.map((field, i) => (
          <StageCard
            key={field.id}
            control={control}
            at={i}
            count={stages.fields.length}
            onMove={(by) => stages.move(i, i + by)}
            onRemove={() => stages.remove(i)}
          />
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-small">{W.add}</span>
        {KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            className="plain-button text-small"
            onClick={() =>
              // the hoses are held before anything else
              kind === 'hoses' ? stages.prepend({ ...BLANK, kind, minutes: '5' }) : stages.append({ ...BLANK, kind })
            }
          >
            {STAGE_NAMES[kind]}
          </button>
        ))}
      </div>
      <Proves values={useWatch({ control }) as ProcedureValues} />
      <div className="mt-3 flex flex-wrap items-center gap-2.5">
        <button type="submit" className="plain-button" disabled={busy}>
          {W.save}
        </button>
        <button type="button" className="plain-button text-small" onClick={onDone}>
          {W.leaveIt}
        </button>
        <Refused>{said}</Refused>
      </div>
    </form>
  )
}

/** What the stages as they stand can and cannot prove, worked out as they are edited. */
function Proves({ values }: { values: ProcedureValues }) {
  const read = Typed.safeParse({ ...values, name: 'it' })
  if (!read.success) return <p className="mt-2 text-note text-ink-2">{W.whatItProvesStandsHere}</p>
  return (
    <ul className="mt-2 list-disc space-y-0.5 pl-5 text-note leading-snug text-ink-2">
      {provesOf(procedureRead(read.data)).map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  )
}
