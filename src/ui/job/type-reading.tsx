'use client'

import { type FormEvent, useState } from 'react'
import type { JobState } from '@/core/job/state'
import { toStored } from '@/core/units/channel'
import { parseMass } from '@/core/units/mass'
import { fromPascal, type PressureUnit, parsePressure, toPascal } from '@/core/units/pressure'
import { newSequence, send } from '../api'
import { Field } from '../form/field'

/** Types what an instrument shows, in its own unit; the unit is remembered until another is typed. */
export function TypeReading({ jobId, state }: { jobId: string; state: JobState }) {
  const scale = state.step === 'charge'
  const [text, setText] = useState('')
  const [unit, setUnit] = useState<PressureUnit>(state.opened.rig.gauge === 'needle' ? 'inHgV' : 'micron')
  const [refused, setRefused] = useState<string>()
  const { barometerPa } = state.opened.place
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    try {
      const reading = scale
        ? { channel: 'scale', value: parseMass(text).grams, unit: 'g' }
        : { channel: 'vacuum', ...parsePressure(text, unit) }
      if (!scale) {
        toStored('vacuum', reading.value, reading.unit as PressureUnit, barometerPa)
        setUnit(reading.unit as PressureUnit)
      }
      const answer = await send(`/api/jobs/${jobId}/readings`, { readings: [{ ...reading, seq: newSequence() }] })
      if (!answer.ok) throw new Error(answer.message)
      setText('')
      setRefused(undefined)
    } catch (error) {
      setRefused((error as Error).message)
    }
  }
  return (
    <form onSubmit={submit} className="mt-2 grid max-w-[520px] grid-cols-[1fr_auto] items-start gap-3">
      <Field
        label={
          scale
            ? 'Type what the scale shows'
            : `Type a vacuum reading (${unit === 'inHgV' ? 'inHg below the air' : unit} unless you say)`
        }
        value={text}
        onChange={setText}
        error={refused}
        hint={hintOf(text, unit, barometerPa, scale)}
      />
      <button type="submit" className="plain-button mt-7">
        Log it
      </button>
    </form>
  )
}

function hintOf(text: string, unit: PressureUnit, barometerPa: number, scale: boolean): string {
  if (scale) return 'such as 374 g or 13.2 oz'
  try {
    const entry = parsePressure(text, unit)
    const pa = toPascal(entry.value, entry.unit, barometerPa)
    return `${Math.round(fromPascal(pa, 'micron')).toLocaleString('en')} micron, ${(pa / 1000).toPrecision(3)} kPa absolute, ${fromPascal(pa, 'inHgV', barometerPa).toFixed(1)} inHg below the air`
  } catch {
    return 'such as 776, 400u, 21.6 inHg or 0.1 kPa'
  }
}
