'use client'

import { ArrowLeft, ArrowRight, X } from 'lucide-react'
import { type Control, useFormState, useWatch } from 'react-hook-form'
import { OPENED_MINUTES } from '@/core/job/stages'
import { W } from '@/core/language/screen/shop-procedures'
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

const ENDS = { target: W.atItsTarget, minutes: W.byItsMinutes, opened: W.byTheTimeOpen }
const UNTIL = { minutes: W.byItsMinutes, decided: W.whenItIsDecided }
const FAILS = { again: W.pullAgain, longer: W.holdLonger, fix: W.lookForTheLeak, lead: W.theLeadDecides }
const ACCEPTS = {
  judge: W.theJudge,
  word: W.aPersonsWord,
  ...Object.fromEntries(Object.entries(RULE_NAMES).map(([id, name]) => [id, W.rule(name)])),
}
const POINTS = { both: W.idleAnd1500Rpm, idle: W.idleOnly, 'at-speed': W.n1500RpmOnly }

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
          <Tool label={W.earlier} disabled={at === 0} onClick={() => onMove(-1)} sign={<ArrowLeft size={18} />} />
          <Tool label={W.later} disabled={at === count - 1} onClick={() => onMove(1)} sign={<ArrowRight size={18} />} />
          <Tool label={W.leaveItOut} disabled={count === 1} onClick={onRemove} sign={<X size={18} />} />
        </span>
      </div>
      {fault && <p className="text-note font-medium text-leak">{fault}</p>}
      {kind === 'pull' && (
        <>
          <PickField control={control} name={`stages.${at}.ends`} label={W.ends} options={ENDS} className="mt-2" />
          <TextField {...field} name={`stages.${at}.targetMicron`} label={W.targetMicron} />
          {ends === 'opened' && (
            <p className="text-note leading-snug text-ink-2">
              {W.nothingOpenedMinA(OPENED_MINUTES.nothing, OPENED_MINUTES['cap-or-core'])}{' '}
              {W.aNightOrLonger2(OPENED_MINUTES.component, OPENED_MINUTES.overnight)}
            </p>
          )}
          {ends !== 'opened' && <TextField {...field} name={`stages.${at}.minutes`} label={W.pullAboutMin} />}
        </>
      )}
      {kind === 'sweep' && (
        <>
          <TextField {...field} name={`stages.${at}.passes`} label={W.times} />
          <TextField {...field} name={`stages.${at}.kPa`} label={W.toKpa} hint={W.neverAboveTheLabelsLimit} />
        </>
      )}
      {kind === 'hold' && (
        <>
          <TextField {...field} name={`stages.${at}.minutes`} label={W.holdMin} />
          <PickField control={control} name={`stages.${at}.accept`} label={W.acceptedBy} options={ACCEPTS} />
          {accept === 'judge' && (
            <>
              <PickField
                control={control}
                name={`stages.${at}.until`}
                label={W.ends}
                options={UNTIL}
                className="mt-2"
              />
              <TextField {...field} name={`stages.${at}.grams`} label={W.toALeakOfG} hint={W.mayStayEmpty} />
            </>
          )}
          <PickField control={control} name={`stages.${at}.fails`} label={W.else2} options={FAILS} className="mt-2" />
        </>
      )}
      {kind === 'hoses' && <TextField {...field} name={`stages.${at}.minutes`} label={W.holdThemMin} />}
      {kind === 'charge' && <p className="mt-2 text-small leading-snug">{W.byWeightAsPlannedFor}</p>}
      {kind === 'proof' && (
        <PickField control={control} name={`stages.${at}.at`} label={W.readAt} options={POINTS} className="mt-2" />
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
