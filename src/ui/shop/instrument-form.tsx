'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useForm, useWatch } from 'react-hook-form'
import * as z from 'zod'
import { INSTRUMENT_KINDS, type InstrumentKind } from '@/core/job/instrument-kinds'
import { W } from '@/core/language/screen/shop'
import { CHANNELS_OF, type Instrument, KIND_WORDS, NewInstrument, UNITS_OF } from '@/core/shop/instruments'
import { PickField, TextField } from '../form/bound'
import { figure } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { useSaid } from '../frame/said'
import { EditRow, NOT_SAVED } from './edit-row'

type Told = { id: string; token: string; channel: string; unit: string }
type Props = { instrument?: Instrument; onDone: (told: Told | undefined) => void; onLeave: () => void }

/** Usual step and range of a kind, in its usual unit (assumed, to be set right by the instrument's own sheet). */
const USUAL: Record<InstrumentKind, { step: string; rangeLow: string; rangeHigh: string }> = {
  vacuum: { step: '1', rangeLow: '0', rangeHigh: '25000' },
  low: { step: '0.1', rangeLow: '-15', rangeHigh: '250' },
  high: { step: '0.5', rangeLow: '-15', rangeHigh: '500' },
  scale: { step: '2', rangeLow: '-500', rangeHigh: '100000' },
  thermometer: { step: '0.1', rangeLow: '-40', rangeHigh: '120' },
  barometer: { step: '0.1', rangeLow: '500', rangeHigh: '1100' },
}

const optional = z
  .string()
  .transform((text) => (text.trim() === '' ? null : text))
  .pipe(z.union([z.null(), figure]))

const Typed = z
  .object({
    kind: z.enum(INSTRUMENT_KINDS),
    name: z.string(),
    unit: z.string(),
    step: figure,
    rangeLow: optional,
    rangeHigh: optional,
    calibratedOn: z.string().transform((day) => (day === '' ? null : day)),
  })
  .pipe(NewInstrument)

/** Registers an instrument, or changes what is known of it. */
export function InstrumentForm({ instrument, onDone, onLeave }: Props) {
  const router = useRouter()
  const form = useForm({
    resolver: zodResolver(Typed),
    defaultValues: instrument
      ? {
          ...instrument,
          step: String(instrument.step),
          rangeLow: instrument.rangeLow === null ? '' : String(instrument.rangeLow),
          rangeHigh: instrument.rangeHigh === null ? '' : String(instrument.rangeHigh),
          calibratedOn: instrument.calibratedOn ?? '',
        }
      : { kind: 'vacuum' as InstrumentKind, name: '', unit: 'micron', ...USUAL.vacuum, calibratedOn: '' },
  })
  const { post, busy, said, say } = useSending(form, '/api/instruments')
  const done = useSaid()
  const kind = useWatch({ control: form.control, name: 'kind' }) as InstrumentKind
  const takeKind = (next: InstrumentKind) => {
    form.setValue('unit', UNITS_OF[next][0] as string)
    for (const [field, value] of Object.entries(USUAL[next])) form.setValue(field as 'step', value)
  }
  const save = form.handleSubmit(
    async (made) => {
      const body = instrument
        ? { what: 'change', id: instrument.id, instrument: made }
        : { what: 'register', instrument: made }
      const answer = await post<{ id: string; token: string | null }>(body)
      if (!answer) return
      done(W.saved)
      const channel = CHANNELS_OF[made.kind][0] as string
      onDone(answer.token ? { id: answer.id, token: answer.token, channel, unit: made.unit } : undefined)
      router.refresh()
    },
    () => say(NOT_SAVED),
  )
  const { control } = form
  return (
    <EditRow name={instrument?.name ?? W.newInstrument2} said={said} busy={busy} onSubmit={save} onLeave={onLeave}>
      <PickField
        control={control}
        name="kind"
        label={W.kind}
        options={KIND_WORDS}
        onPicked={(next) => takeKind(next as InstrumentKind)}
      />
      <TextField control={control} name="name" label={W.name2} placeholder={W.gauge2} hint={W.asOnItsTapeOr} />
      <PickField
        control={control}
        name="unit"
        label={W.unitItSends}
        options={Object.fromEntries(UNITS_OF[kind].map((u) => [u, u]))}
      />
      <TextField control={control} name="step" label={W.smallestStep} inputMode="decimal" />
      <TextField control={control} name="rangeLow" label={W.rangeFrom} inputMode="decimal" />
      <TextField control={control} name="rangeHigh" label={W.rangeTo} inputMode="decimal" />
      <TextField control={control} name="calibratedOn" label={W.calibratedOn} type="date" />
    </EditRow>
  )
}
