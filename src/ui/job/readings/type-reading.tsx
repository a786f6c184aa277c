'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { JobState } from '@/core/job/state'
import { vacuumSeen } from '@/core/readings/vacuum-seen'
import { beyondTheAirInHg, toStored } from '@/core/units/channel'
import { NEEDLE_HALF_WIDTH_PA, PA_PER_INHG } from '@/core/units/constants'
import { fromPascal, type PressureUnit, parsePressure, toPascal } from '@/core/units/pressure'
import { newSequence } from '../../api'
import { TextField } from '../../form/bound'
import { attempt, readMass } from '../../form/entries'
import { Choice } from '../../form/field'
import { entry } from '../../form/schemas'
import { useSending } from '../../form/use-sending'

type Typed = { channel: 'scale' | 'vacuum'; value: number; unit: PressureUnit | 'g' }

type Props = {
  jobId: string
  state: JobState
  /** no instrument reports this: keys for a gloved finger, and how long ago it was read */
  pad?: boolean
  /** job time now, ms */
  nowMs: number
}

/** Types what an instrument shows, in its own unit; the unit is remembered until another is typed. */
export function TypeReading({ jobId, state, pad = false, nowMs }: Props) {
  const scale = state.step === 'charge'
  const [unit, setUnit] = useState<PressureUnit>(state.opened.rig.gauge === 'needle' ? 'inHgV' : 'micron')
  const { barometerPa } = state.opened.place
  const reading = entry((text) => (scale ? weighed(text) : attempt(() => shown(text, unit, barometerPa))))
  const form = useForm({ resolver: zodResolver(z.object({ reading })), defaultValues: { reading: '' } })
  const { post, busy, said } = useSending(form, `/api/jobs/${jobId}/readings`, () => 'reading')
  const [ago, setAgo] = useState('0')
  const submit = form.handleSubmit(async ({ reading: typed }) => {
    const at = ago === '0' ? {} : { at: new Date(Math.round(nowMs - Number(ago) * 60_000)).toISOString() }
    if (!(await post({ readings: [{ ...typed, ...at, seq: newSequence() }] }))) return
    if (typed.unit !== 'g') setUnit(typed.unit)
    form.reset()
    setAgo('0')
  })
  const press = (key: string) => {
    const text = form.getValues('reading')
    form.setValue('reading', key === BACK ? text.slice(0, -1) : text + key, { shouldValidate: false })
  }
  return (
    <form
      onSubmit={submit}
      noValidate
      aria-label="Typed reading"
      className={`mt-2 grid max-w-[520px] grid-cols-[1fr_auto] items-start gap-3 ${pad ? 'rounded border border-ink bg-sheet p-3' : ''}`}
    >
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
      {pad && (
        <div className="col-span-2 grid gap-3">
          <Keys press={press} />
          <Choice
            label="Read"
            value={ago}
            options={AGO.map((minutes) => ({
              value: minutes,
              label: minutes === '0' ? 'now' : `${minutes} min ago`,
            }))}
            onChange={setAgo}
          />
        </div>
      )}
    </form>
  )
}

const BACK = '⌫'
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', BACK]
/** Minutes since it was read, as somebody comes back from the car. */
const AGO = ['0', '1', '2', '5', '10'] as const

/** A number pad for a gloved finger; the keyboard's own number row works as well. */
function Keys({ press }: { press: (key: string) => void }) {
  return (
    <div className="grid grid-cols-3 gap-2">
      {KEYS.map((key) => (
        <button
          key={key}
          type="button"
          className="plain-button figure !min-h-[60px] min-w-[60px] !text-act"
          aria-label={key === BACK ? 'take the last figure back' : key}
          onClick={() => press(key)}
        >
          {key}
        </button>
      ))}
    </div>
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
    return `${(beyond + NEEDLE_HALF_WIDTH_PA / PA_PER_INHG).toFixed(1)} inHg more than the air here can give: is it off its zero, or the altitude wrong? It is kept as typed.`
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
    return unit === 'inHgV' ? 'such as 29.5; or with its unit, 776 micron' : 'such as 776, 400u, 21.6 inHg or 0.1 kPa'
  }
}
