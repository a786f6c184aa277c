'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { JobState } from '@/core/job/state'
import { vacuumSeen } from '@/core/readings/vacuum-seen'
import { beyondTheAirInHg, toStored } from '@/core/units/channel'
import { fromPascal, type PressureUnit, parsePressure, toPascal } from '@/core/units/pressure'
import { newSequence } from '../../api'
import { TextField } from '../../form/bound'
import { attempt, readMass } from '../../form/entries'
import { entry } from '../../form/schemas'
import { useSending } from '../../form/use-sending'

type Typed = { channel: 'scale' | 'vacuum'; value: number; unit: PressureUnit | 'g' }

/** Types what an instrument shows, in its own unit; the unit is remembered until another is typed. */
export function TypeReading({ jobId, state }: { jobId: string; state: JobState }) {
  const scale = state.step === 'charge'
  const [unit, setUnit] = useState<PressureUnit>(state.opened.rig.gauge === 'needle' ? 'inHgV' : 'micron')
  const { barometerPa } = state.opened.place
  const reading = entry((text) => (scale ? weighed(text) : attempt(() => shown(text, unit, barometerPa))))
  const form = useForm({ resolver: zodResolver(z.object({ reading })), defaultValues: { reading: '' } })
  const { post, busy, said } = useSending(form, `/api/jobs/${jobId}/readings`, () => 'reading')
  const submit = form.handleSubmit(async ({ reading: typed }) => {
    if (!(await post({ readings: [{ ...typed, seq: newSequence() }] }))) return
    if (typed.unit !== 'g') setUnit(typed.unit)
    form.reset()
  })
  return (
    <form onSubmit={submit} noValidate className="mt-2 grid max-w-[520px] grid-cols-[1fr_auto] items-start gap-3">
      <TextField
        control={form.control}
        name="reading"
        label={
          scale
            ? 'Type what the scale shows'
            : `Type a vacuum reading (${unit === 'inHgV' ? 'inHg below the air' : unit} unless you say)`
        }
        below={(text) => ({ hint: hintOf(text, unit, barometerPa, scale), ...(said && { warning: said }) })}
      />
      <button type="submit" className="plain-button mt-7" disabled={busy}>
        Log it
      </button>
    </form>
  )
}

function weighed(text: string) {
  const read = readMass(text)
  return 'value' in read ? { value: { channel: 'scale', value: read.value, unit: 'g' } satisfies Typed as Typed } : read
}

/** A pressure as an instrument shows it, kept in its own unit. @throws RangeError where no vacuum reads so */
function shown(text: string, unit: PressureUnit, barometerPa: number): Typed {
  const typed = parsePressure(text, unit)
  toStored('vacuum', typed.value, typed.unit, barometerPa)
  return { channel: 'vacuum', ...typed }
}

/** What a needle's inches mean; more than the air can give is asked about, and kept. */
function needleHint(inHg: number, barometerPa: number): string {
  const beyond = beyondTheAirInHg(inHg, barometerPa)
  if (beyond > 0)
    return `${(beyond + 0.5).toFixed(1)} inHg more than the air here can give: is it off its zero, or the altitude wrong? It is kept as typed.`
  return vacuumSeen(toStored('vacuum', inHg, 'inHgV', barometerPa), 'needle', barometerPa).means
}

function hintOf(text: string, unit: PressureUnit, barometerPa: number, scale: boolean): string {
  if (scale) return 'such as 374 g or 13.2 oz'
  try {
    const entry = parsePressure(text, unit)
    if (entry.unit === 'inHgV') return needleHint(entry.value, barometerPa)
    const pa = toPascal(entry.value, entry.unit, barometerPa)
    return `${Math.round(fromPascal(pa, 'micron')).toLocaleString('en')} micron, ${(pa / 1000).toPrecision(3)} kPa absolute, ${fromPascal(pa, 'inHgV', barometerPa).toFixed(1)} inHg below the air`
  } catch {
    return 'such as 776, 400u, 21.6 inHg or 0.1 kPa'
  }
}
