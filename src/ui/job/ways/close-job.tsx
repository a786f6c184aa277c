'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import type { Ending } from '@/core/call/ways-out'
import { W } from '@/core/language/screen/job-ways'
import { TextField } from '../../form/bound'
import { Choice } from '../../form/field'
import { REASONED, type WayProps } from './way'
import { WayForm } from './way-form'

/** The job ends here as what it is: it leaves the board, keeps its record, and can be opened again. */
export function CloseJob({ endings, deeds, onDone }: { endings: readonly Ending[] } & WayProps) {
  const form = useForm({ resolver: zodResolver(REASONED), defaultValues: { choice: endings[0]?.as ?? '', why: '' } })
  const chosen = endings.find((e) => e.as === form.watch('choice'))
  const go = form.handleSubmit(({ why }) => {
    if (!chosen) return
    deeds.record([{ kind: 'closed', payload: { as: chosen.as, why } }])
    onDone()
  })
  return (
    <WayForm name={W.endThisJobHere2} action={W.endItHere} busy={deeds.busy} onSubmit={go}>
      <Choice
        label={W.asWhat}
        value={chosen?.as ?? ''}
        options={endings.map((e) => ({ value: e.as, label: e.label }))}
        onChange={(as) => form.setValue('choice', as)}
      />
      <p className="mt-2 text-lead leading-snug">{chosen?.leaves}</p>
      <p className="mt-1 text-small text-ink-2">{W.itLeavesTheBoardKeeps}</p>
      <TextField control={form.control} name="why" label={W.why} placeholder={W.thePartComesOnFriday} />
    </WayForm>
  )
}
