'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import { type Turn, turnDeeds } from '@/core/call/turns'
import type { JobState } from '@/core/job/state'
import { STEP_NAMES } from '@/core/job/steps'
import { W } from '@/core/language/screen/job-ways'
import { TextField } from '../../form/bound'
import { Choice } from '../../form/field'
import { Sign } from '../../form/sign'
import { REASONED, type WayProps } from './way'
import { WayForm } from './way-form'

/** Where the work turns back to, what that undoes, and why. */
export function TurnBack({ turns, state, deeds, onDone }: { turns: readonly Turn[]; state: JobState } & WayProps) {
  const first = turns.find((t) => t.bars === undefined) ?? turns[0]
  const form = useForm({ resolver: zodResolver(REASONED), defaultValues: { choice: first?.to ?? '', why: '' } })
  const chosen = turns.find((t) => t.to === form.watch('choice'))
  const go = form.handleSubmit(({ why }) => {
    if (!chosen) return
    deeds.record(turnDeeds(state, chosen.to, why))
    onDone()
  })
  return (
    <WayForm
      name={W.backToAnEarlierStep2}
      action={chosen && !chosen.bars ? W.backTo(STEP_NAMES[chosen.to]) : undefined}
      busy={deeds.busy}
      onSubmit={go}
    >
      <Choice
        label={W.backTo2}
        value={chosen?.to ?? ''}
        options={turns.map((t) => ({ value: t.to, label: `${STEP_NAMES[t.to]}: ${t.label}` }))}
        onChange={(to) => form.setValue('choice', to)}
      />
      {chosen?.bars && (
        <p className="mt-2 text-lead font-medium text-caution">
          <Sign kind="caution" />
          {chosen.bars}
        </p>
      )}
      {chosen?.undoes.map((line) => (
        <p key={line} className="mt-2 text-lead leading-snug">
          {line}
        </p>
      ))}
      {chosen && !chosen.bars && (
        <TextField control={form.control} name="why" label={W.why} placeholder={W.aFittingWasForgotten} />
      )}
    </WayForm>
  )
}
