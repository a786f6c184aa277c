'use client'

import { useState } from 'react'
import { plainStages, type Stage } from '@/core/job/stages'
import { procedureWritten } from '@/core/job/written'
import { W } from '@/core/language/screen/shop'
import { SCHOOLS } from '@/core/schools/schools'
import { PA_PER_MICRON } from '@/core/units/constants'
import type { StoredProcedure } from '@/core/views'
import { newEventId } from '../api'
import { ProcedureForm } from './procedures/procedure-form'
import { StagePicture } from './procedures/stage-picture'

/** The shop's procedures, and the schools to begin a new one from; each says what its figures can and cannot prove. */
export function Procedures({ procedures }: { procedures: StoredProcedure[] }) {
  const [fresh, setFresh] = useState<StoredProcedure | null>(null)
  const copy = (from: Omit<StoredProcedure, 'id'>) => {
    const taken = procedures.some((p) => p.name === from.name)
    setFresh({ ...from, id: newEventId(), name: taken ? W.ours(from.name) : from.name })
  }
  return (
    <section>
      <div className="mb-2 flex items-end justify-between">
        <h1 className="text-title font-semibold">{W.procedures}</h1>
        <button type="button" className="plain-button" onClick={() => setFresh(BLANK_PROCEDURE())}>
          {W.newProcedure}
        </button>
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <span className="mr-1 text-body">{W.orBeginFromASchool}</span>
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
  const { name, stages, proves } = procedure
  if (editing)
    return (
      <li className="border-b border-rule py-3">
        <ProcedureForm procedure={procedure} onDone={() => setEditing(false)} />
      </li>
    )
  return (
    <li
      aria-label={name}
      className={
        'grid grid-cols-[minmax(200px,1fr)_auto_120px] items-center gap-x-4 border-b border-rule py-3 ' +
        'max-md:grid-cols-1'
      }
    >
      <div>
        <h2 className="text-head font-semibold leading-tight">{name}</h2>
        <p className="text-small leading-snug">{proves}</p>
      </div>
      <ol aria-label={W.stages} className="flex gap-1.5">
        {(stages ?? plainStages(procedureWritten(procedure))).map((stage, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a stage is its place
          <li key={i} className="w-[84px] text-note leading-tight">
            <StagePicture kind={stage.kind} />
            {stageWords(stage)}
          </li>
        ))}
      </ol>
      <button type="button" className="plain-button max-md:mt-2" onClick={() => setEditing(true)}>
        {W.changeIt}
      </button>
    </li>
  )
}

/** A stage in a word or two below its picture. */
function stageWords(stage: Stage): string {
  switch (stage.kind) {
    case 'pull':
      return (
        `${stage.minutes === null ? W.byTimeOpen : W.min(stage.minutes)}, ` +
        `${stage.ends === 'minutes' ? W.byTheClock : W.to(stage.targetMicron.toLocaleString('en'))}`
      )
    case 'sweep':
      return W.nitrogen(stage.passes)
    case 'hold':
      return W.min2(
        stage.minutes,
        stage.until ? W.andOn : '',
        { judge: W.judge, rule: W.rule, word: W.word }[stage.accept.by],
      )
    case 'hoses':
      return W.hosesMin(stage.minutes)
    case 'charge':
      return 'charge'
    case 'proof':
      return 'proof'
    default: {
      const unknown: never = stage
      return unknown
    }
  }
}
