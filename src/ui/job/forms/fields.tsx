import { gaugeHint, massHint, readCelsius } from '../../form/entries'
import { Field } from '../../form/field'
import { useForms } from '../forms'

/** One field of the form the call names: its value, what is wrong with it, and what was asked about it. */
export function useField(name: string) {
  const { values, errors, asked, change } = useForms()
  return {
    value: values[name] ?? '',
    error: errors[name],
    warning: asked[name],
    onChange: (value: string) => change(name, value),
  }
}

export function GaugeField({ name, label, barometerPa }: { name: string; label: string; barometerPa: number }) {
  const field = useField(name)
  return (
    <Field
      label={label}
      {...field}
      hint={gaugeHint(field.value, barometerPa) ?? 'such as 0 psig, 45 psi, 310 kPa or 12 inHg'}
    />
  )
}

export function MassField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const field = useField(name)
  const units = massHint(field.value)
  return <Field label={label} {...field} hint={units.hint ?? hint} warning={field.warning ?? units.warning} />
}

/** The other unit of a temperature as typed, or nothing while it cannot be read. */
export function celsiusHint(text: string): string | undefined {
  const entry = readCelsius(text)
  return 'value' in entry
    ? `${entry.value.toFixed(1)} °C, ${((entry.value * 9) / 5 + 32).toFixed(0)} °F`.replaceAll('-', '−')
    : undefined
}

export function CelsiusField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const field = useField(name)
  return <Field label={label} {...field} hint={celsiusHint(field.value) ?? hint} />
}
