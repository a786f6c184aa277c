'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { countWords, KNOWABLE } from '@/core/call/charge-counted'
import { labelTargetG } from '@/core/charge/plan-for-job'
import { MOST_CANS } from '@/core/job/events'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-charge'
import type { Units } from '@/core/units/shown'
import { TextField } from '../../form/bound'
import { massHint, readMass } from '../../form/entries'
import { Fold } from '../../form/fold'
import { mass } from '../../form/schemas'
import { useSay } from '../../units'
import type { Deeds } from '../use-deeds'

const cans = (units: Units) =>
  z.object({
    netG: mass(units),
    count: z
      .string()
      .refine((text) => /^\d+$/.test(text.trim()), KNOWABLE)
      .transform(Number)
      .refine((n) => n >= 1 && n <= MOST_CANS, W.fromOneCanTo(MOST_CANS)),
  })

/** No scale: whole cans are counted, and what that can and cannot hit is said before the first is opened. */
export function CountedForm({ state, deeds }: { state: JobState; deeds: Deeds }) {
  const say = useSay()
  const [Cans] = useState(() => cans(say.units))
  const form = useForm({ resolver: zodResolver(Cans), defaultValues: { netG: '340 g', count: guess(state, 340) } })
  const [netText, countText] = [form.watch('netG'), form.watch('count')]
  const net = readMass(netText, say.units)
  const count = Number(countText)
  const start = form.handleSubmit(({ netG, count: cans }) =>
    deeds.record([{ kind: 'cans-planned', payload: { count: cans, netG, targetG: labelTargetG(state) } }]),
  )
  return (
    <Fold title={W.noScaleHereWholeCans} className="mt-3 border-t border-rule">
      <form aria-label={W.wholeCans} className="max-w-[760px] pb-3" onSubmit={start} noValidate>
        <div className="grid grid-cols-2 gap-x-5 max-sm:grid-cols-1">
          <TextField
            control={form.control}
            name="netG"
            label={W.netOfOneCanFrom}
            below={(text) => massHint(text, say.units)}
          />
          <TextField control={form.control} name="count" label={W.wholeCans} inputMode="decimal" />
        </div>
        {'value' in net && Number.isInteger(count) && count >= 1 && count <= MOST_CANS && (
          <p aria-live="polite" className="mb-2 text-lead leading-snug">
            {countWords(state, count, net.value, say)}
          </p>
        )}
        <button type="submit" className="plain-button" disabled={deeds.busy}>
          {W.chargeByCounting}
        </button>
      </form>
    </Fold>
  )
}

/** So many whole cans come nearest to the label. */
const guess = (state: JobState, netG: number): string => String(Math.max(1, Math.round(labelTargetG(state) / netG)))
