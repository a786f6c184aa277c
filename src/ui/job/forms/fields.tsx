import { useController } from 'react-hook-form'
import { W } from '@/core/language/screen/job-forms'
import { celsiusHint, gaugeHint, massHint } from '../../form/entries'
import { Field } from '../../form/field'
import { useUnits } from '../../units'
import { useForms } from './forms'

/** One field of the form the call names: its value, what is wrong with it, and what was asked about it. */
export function useField(name: string) {
  const { control, asked, change } = useForms()
  const { field, fieldState } = useController({ control, name })
  return {
    value: field.value ?? '',
    error: fieldState.error?.message,
    warning: asked[name],
    onChange: (value: string) => change(name, value),
    inputRef: field.ref,
  }
}

export function GaugeField({ name, label, barometerPa }: { name: string; label: string; barometerPa: number }) {
  const field = useField(name)
  return <Field label={label} {...field} hint={gaugeHint(field.value, barometerPa, useUnits()) ?? W.suchAs0Psig45} />
}

export function MassField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const field = useField(name)
  const units = massHint(field.value, useUnits())
  return <Field label={label} {...field} hint={units.hint ?? hint} warning={field.warning ?? units.warning} />
}

export function CelsiusField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const field = useField(name)
  return <Field label={label} {...field} hint={celsiusHint(field.value, useUnits()) ?? hint} />
}
