'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { Live } from '@/core/call/types'
import { expectedLater } from '@/core/hold/expected-later'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-ways'
import { ChoiceField, TextField } from '../../form/bound'
import { amount, optional } from '../../form/schemas'
import { useSay } from '../../units'
import { type WayProps, WHY } from './way'
import { WayForm } from './way-form'

const Parked = z.object({
  why: WHY,
  couplers: z.enum(['on', 'off']),
  hours: optional(amount(W.theHoursUntilThen, 24 * 60)),
})

/** A car left standing under its vacuum: couplers on or off, until when, and what its gauge should show then. */
export function ParkCar({ state, live, deeds, onDone }: { state: JobState; live: Live } & WayProps) {
  const say = useSay(state.opened.place.barometerPa)
  const form = useForm({
    resolver: zodResolver(Parked),
    defaultValues: { why: '', couplers: 'on' as const, hours: '' },
  })
  const go = form.handleSubmit(({ why, couplers, hours }) => {
    const comeBackAt =
      hours === undefined ? undefined : new Date(Math.round(live.nowMs + hours * 3600_000)).toISOString()
    deeds.record([{ kind: 'parked', payload: { why, couplers, ...(comeBackAt && { comeBackAt }) } }])
    onDone()
  })
  return (
    <WayForm name={W.leaveItUnderVacuum} action={W.leaveItStanding} busy={deeds.busy} onSubmit={go}>
      {expectedLater(state, live, say).map((line) => (
        <p key={line} className="text-lead leading-snug">
          {line}
        </p>
      ))}
      <ChoiceField
        control={form.control}
        name="couplers"
        label={W.couplers}
        options={[
          { value: 'on', label: W.stayOnTheHosesAre },
          { value: 'off', label: W.comeOffClosedFirstThe },
        ]}
      />
      <div className="mt-2 grid grid-cols-2 gap-x-5 max-sm:grid-cols-1">
        <TextField control={form.control} name="why" label={W.why} placeholder={W.waitsForAPartThe} />
        <TextField
          control={form.control}
          name="hours"
          label={W.comeBackInHours}
          inputMode="decimal"
          hint={W.leftEmptyWhenSomebodyTakes}
        />
      </div>
    </WayForm>
  )
}
