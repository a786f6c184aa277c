'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { JobState } from '@/core/job/state'
import { W } from '@/core/language/screen/job-readings'
import { NAMES, type PadChannel, padChannels, padHint, padRead, type Typed, usualUnit } from '@/core/readings/pad'
import type { ReadingUnit } from '@/core/units/channel'
import { MINUTE_MS } from '@/core/units/constants'
import type { JobView } from '@/core/views'
import { newSequence } from '../../api'
import { TextField } from '../../form/bound'
import { attempt } from '../../form/entries'
import { Choice } from '../../form/field'
import { entry } from '../../form/schemas'
import { useOutbox } from '../../outbox/outbox'
import { useUnits } from '../../units'

/** By which the call's button finds it. */
export const PAD_ID = 'typed-reading'

type Props = {
  jobId: string
  state: JobState
  /** the newest reading of each channel, for the one that was typed last */
  latest: JobView['latest']
  /** no instrument reports this: keys for a gloved finger, and how long ago it was read */
  pad?: boolean
  /** job time now, ms */
  nowMs: number
  clock: (ms: number) => string
}

/** Types what an instrument shows, in its own unit; the unit is remembered for each until another is typed. */
export function TypeReading({ jobId, state, latest, pad = false, nowMs, clock }: Props) {
  const channels = padChannels(state.step, state.search?.nitrogen !== undefined)
  const [picked, setPicked] = useState<PadChannel>(channels[0])
  const channel = channels.includes(picked) ? picked : channels[0]
  const [units, setUnits] = useState<Partial<Record<PadChannel, ReadingUnit>>>({})
  const own = useUnits()
  const unit = units[channel] ?? usualUnit(channel, state.opened.rig.gauge, own)
  const { barometerPa } = state.opened.place
  const reading = entry((text) => attempt((): Typed => padRead(channel, text, unit, barometerPa)))
  const form = useForm({
    resolver: zodResolver(z.object({ reading, note: z.string() })),
    defaultValues: { reading: '', note: '' },
  })
  const box = useOutbox()
  const [busy, setBusy] = useState(false)
  const [said, say] = useState('')
  const [ago, setAgo] = useState('0')
  const submit = form.handleSubmit(async ({ reading: typed, note }) => {
    const at = new Date(Math.round(nowMs - Number(ago) * MINUTE_MS)).toISOString()
    const kept = note.trim() === '' ? {} : { note: note.trim() }
    say('')
    setBusy(true)
    const now = ago === '0' ? { now: true as const } : {}
    const readings = [{ channel, ...typed, ...now, at, ...kept, seq: newSequence() }]
    const put = await box.put(jobId, { kind: 'readings', readings })
    setBusy(false)
    if (put.kind === 'told' && !put.told.ok) {
      const [fault] = put.told.faults
      if (fault) form.setError('reading', { type: 'server', message: fault.reason })
      else say(put.told.message)
      return
    }
    setUnits({ ...units, [channel]: typed.unit })
    form.reset()
    setAgo('0')
  })
  const press = (key: string) => {
    const text = form.getValues('reading')
    form.setValue('reading', key === BACK ? text.slice(0, -1) : text + key, { shouldValidate: false })
  }
  const last = latest[channel]
  return (
    <form
      onSubmit={submit}
      noValidate
      id={PAD_ID}
      aria-label={W.typedReading}
      className={
        `mt-2 grid max-w-[520px] grid-cols-[1fr_auto] items-start gap-3 max-sm:grid-cols-1 max-sm:*:col-span-1 ` +
        `${pad ? 'rounded border border-ink bg-sheet p-3' : ''}`
      }
    >
      {pad && last && (
        <p className="col-span-2 flex items-end gap-3">
          <b className="figure text-fig-s font-semibold leading-none">{last.sentValue.toLocaleString('en')}</b>
          <span className="text-body">
            {last.sentUnit === 'inHgV' ? W.inhg : last.sentUnit}, {W.at2(NAMES[channel], clock(Date.parse(last.at)))}
          </span>
        </p>
      )}
      {pad && channels.length > 1 && (
        <div className="col-span-2">
          <Choice
            label={W.which}
            value={channel}
            options={channels.map((c) => ({ value: c, label: NAMES[c] }))}
            onChange={setPicked}
          />
        </div>
      )}
      <TextField
        control={form.control}
        name="reading"
        label={labelOf(channel, unit)}
        below={(text) => ({ hint: padHint(channel, text, unit, barometerPa), ...(said && { warning: said }) })}
      />
      <button
        type="submit"
        className="plain-button mt-7 max-sm:order-last max-sm:mt-0 max-sm:min-h-[56px] max-sm:text-row"
        disabled={busy}
      >
        {W.logIt}
      </button>
      {pad && (
        <div className="col-span-2 grid gap-3">
          <Keys press={press} />
          <Choice
            label={W.read}
            value={ago}
            options={AGO.map((minutes) => ({
              value: minutes,
              label: minutes === '0' ? W.now : W.minAgo(minutes),
            }))}
            onChange={setAgo}
          />
          <TextField control={form.control} name="note" label={W.note} placeholder={W.mayBeLeftOut} />
        </div>
      )}
    </form>
  )
}

const labelOf = (channel: PadChannel, unit: ReadingUnit): string =>
  channel === 'scale'
    ? W.typeWhatTheScaleShows
    : W.typeAUnlessYouSay(
        channel === 'vacuum' || channel === 'vent' ? W.reading(NAMES[channel]) : NAMES[channel],
        unit === 'inHgV' ? W.inhgBelowTheAir : unit,
      )

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
          aria-label={key === BACK ? W.takeTheLastFigureBack : key}
          onClick={() => press(key)}
        >
          {key}
        </button>
      ))}
    </div>
  )
}
