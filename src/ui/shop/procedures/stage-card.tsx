'use client'

import { ArrowLeft, ArrowRight, X } from 'lucide-react'
import { type Control, useFormState, useWatch } from 'react-hook-form'
import { OPENED_MINUTES } from '@/core/job/stages'
import { RULE_NAMES } from '@/core/schools/rules'
import { PickField, TextField } from '../../form/bound'
import { STAGE_NAMES, StagePicture } from './stage-picture'
import type { ProcedureValues } from './stage-values'

type Props = {
  // biome-ignore lint/suspicious/noExplicitAny: what the form's schema makes of it is no matter of a card
  control: Control<ProcedureValues, unknown, any>
  at: number
  count: number
  onMove: (by: -1 | 1) => void
  onRemove: () => void
}

const ENDS = { target: 'at its target', minutes: 'by its minutes', opened: 'by the time open' }
const UNTIL = { minutes: 'by its minutes', decided: 'when it is decided' }
const FAILS = { again: 'pull again', longer: 'hold longer', fix: 'look for the leak', lead: 'the lead decides' }
const ACCEPTS = {
  judge: 'the judge',
  word: 'a person’s word',
  ...Object.fromEntries(Object.entries(RULE_NAMES).map(([id, name]) => [id, `rule: ${name}`])),
}
const POINTS = { both: 'idle and 1,500 rpm', idle: 'idle only', 'at-speed': '1,500 rpm only' }

/** One stage of the strip: its picture, what it asks, and where it stands. */
export function StageCard({ control, at, count, onMove, onRemove }: Props) {
  const { kind, ends, accept } = useWatch({ control, name: `stages.${at}` })
  const { errors } = useFormState({ control })
  const fault = errors.stages?.[at]?.kind?.message
  const field = { control, inputMode: 'decimal' as const }
  return (
    <li
      aria-label={`${at + 1} ${STAGE_NAMES[kind]}`}
      className={`w-[208px] shrink-0 rounded border-[1.5px] bg-sheet p-2.5 ${fault ? 'border-leak' : 'border-ink'}`}
    >
      <StagePicture kind={kind} />
      <div className="mt-1 flex items-center justify-between gap-1">
        <b className="whitespace-nowrap text-row font-semibold leading-tight">
          {at + 1} {STAGE_NAMES[kind]}
        </b>
        <span className="flex">
          <Tool label="earlier" disabled={at === 0} onClick={() => onMove(-1)} sign={<ArrowLeft size={18} />} />
          <Tool label="later" disabled={at === count - 1} onClick={() => onMove(1)} sign={<ArrowRight size={18} />} />
          <Tool label="leave it out" disabled={count === 1} onClick={onRemove} sign={<X size={18} />} />
        </span>
      </div>
      {fault && <p className="text-note font-medium text-leak">{fault}</p>}
      {kind === 'pull' && (
        <>
          <PickField control={control} name={`stages.${at}.ends`} label="Ends" options={ENDS} className="mt-2" />
          <TextField {...field} name={`stages.${at}.targetMicron`} label="Target, micron" />
          {ends === 'opened' && (
            <p className="text-note leading-snug text-ink-2">
              nothing opened {OPENED_MINUTES.nothing} min, a core {OPENED_MINUTES['cap-or-core']}, a part{' '}
              {OPENED_MINUTES.component}, a night or longer {OPENED_MINUTES.overnight}
            </p>
          )}
          {ends !== 'opened' && <TextField {...field} name={`stages.${at}.minutes`} label="Pull, about, min" />}
        </>
      )}
      {kind === 'sweep' && (
        <>
          <TextField {...field} name={`stages.${at}.passes`} label="Times" />
          <TextField {...field} name={`stages.${at}.kPa`} label="To, kPa" hint="never above the label’s limit" />
        </>
      )}
      {kind === 'hold' && (
        <>
          <TextField {...field} name={`stages.${at}.minutes`} label="Hold, min" />
          <PickField control={control} name={`stages.${at}.accept`} label="Accepted by" options={ACCEPTS} />
          {accept === 'judge' && (
            <>
              <PickField control={control} name={`stages.${at}.until`} label="Ends" options={UNTIL} className="mt-2" />
              <TextField {...field} name={`stages.${at}.grams`} label="To a leak of, g a year" hint="may stay empty" />
            </>
          )}
          <PickField control={control} name={`stages.${at}.fails`} label="Else" options={FAILS} className="mt-2" />
        </>
      )}
      {kind === 'hoses' && <TextField {...field} name={`stages.${at}.minutes`} label="Hold them, min" />}
      {kind === 'charge' && <p className="mt-2 text-small leading-snug">By weight, as planned for the car.</p>}
      {kind === 'proof' && (
        <PickField control={control} name={`stages.${at}.at`} label="Read at" options={POINTS} className="mt-2" />
      )}
    </li>
  )
}

type ToolProps = { label: string; sign: React.ReactNode; disabled: boolean; onClick: () => void }

function Tool({ label, sign, disabled, onClick }: ToolProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
      className="grid size-9 place-items-center rounded hover:bg-air disabled:opacity-30"
    >
      {sign}
    </button>
  )
}
