'use client'

import { oilWords } from '@/core/charge/oil'
import { planCharge } from '@/core/charge/plan'
import { chargeInputOf } from '@/core/charge/plan-for-job'
import { massWords, workingOf } from '@/core/charge/working'
import { RENEWED } from '@/core/procedure/events'
import type { JobState } from '@/core/procedure/state'
import { gaugeHint, massHint, readCelsius } from '../../form/entries'
import { Choice, Field } from '../../form/field'
import { Pick } from '../../form/pick'
import { RENEWED_WORDS } from '../../words/words'
import { useForms } from '../forms'
import { readContainers } from './definitions'
import { Collector } from './form-types'

function useField(name: string) {
  const { values, errors, change } = useForms()
  return { value: values[name] ?? '', error: errors[name], onChange: (value: string) => change(name, value) }
}

function GaugeField({ name, label, barometerPa }: { name: string; label: string; barometerPa: number }) {
  const field = useField(name)
  return <Field label={label} {...field} hint={gaugeHint(field.value, barometerPa) ?? 'such as 0 psig, 45 psi, 310 kPa or 12 inHg'} />
}

function MassField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const field = useField(name)
  const units = massHint(field.value)
  return <Field label={label} {...field} hint={units.hint ?? hint} warning={units.warning} />
}

export function ZeroForm({ state, recovering }: { state: JobState; recovering: boolean }) {
  const { barometerPa } = state.opened.place
  return (
    <div className="grid max-w-[640px] grid-cols-2 gap-x-5 gap-y-2 max-sm:grid-cols-1">
      {recovering && (
        <div className="col-span-full">
          <MassField name="grams" label="Recovered, by the recovery unit’s scale" hint="such as 410 g or 14.5 oz" />
        </div>
      )}
      <GaugeField name="low" label={recovering ? 'Low gauge, read again' : 'Low gauge at rest'} barometerPa={barometerPa} />
      <GaugeField name="high" label={recovering ? 'High gauge, read again' : 'High gauge at rest'} barometerPa={barometerPa} />
      <p className="col-span-full text-[16px] text-ink-2">Each counted ±1 psi. The air here is {(barometerPa / 1000).toFixed(1)} kPa.</p>
    </div>
  )
}

export function FixForm() {
  const { values, change } = useForms()
  return (
    <div className="max-w-[820px]">
      <fieldset>
        <legend className="text-[16px] font-medium">Renewed: tap once for each</legend>
        <div className="mt-1 grid grid-cols-3 gap-1.5 max-sm:grid-cols-2">
          {RENEWED.map((what) => {
            const count = Number(values[what] ?? 0)
            return (
              <div key={what} className={`flex min-h-[52px] items-stretch rounded border-[1.5px] ${count > 0 ? 'border-ink bg-deep' : 'border-rule-2 bg-sheet'}`}>
                <button
                  type="button"
                  className="flex-1 px-3 text-left text-[17px]"
                  onClick={() => change(what, String(count + 1))}
                  aria-label={`${RENEWED_WORDS[what]}, ${count} renewed, one more`}
                >
                  {RENEWED_WORDS[what]} {count > 0 && <b className="font-semibold">×{count}</b>}
                </button>
                {count > 0 && (
                  <button
                    type="button"
                    className="w-11 border-l border-ink text-[22px]"
                    onClick={() => change(what, String(count - 1))}
                    aria-label={`${RENEWED_WORDS[what]}, one less`}
                  >
                    −
                  </button>
                )}
              </div>
            )
          })}
        </div>
      </fieldset>
      <div className="mt-4 grid grid-cols-3 gap-5 max-sm:grid-cols-1">
        <Field label="Open for, hours" {...useField('openHours')} inputMode="decimal" />
        <Field label="Oil owed, mL" {...useField('oilMl')} inputMode="decimal" hint={oilWords(RENEWED.map((what) => ({ what, count: Number(values[what] ?? 0) })))} />
        <Field label="Because of" {...useField('oilReason')} placeholder="part, or oil seen lost" />
      </div>
    </div>
  )
}

function ContainerFields({ n, refrigerant }: { n: 1 | 2; refrigerant: string }) {
  const { values, change, stock } = useForms()
  const fitting = stock.filter((s) => s.refrigerant === refrigerant && s.grossG - s.tareG > 1)
  const take = (id: string) => {
    const item = fitting.find((s) => s.id === id)
    change(`stock${n}`, id)
    if (!item) return
    change(`name${n}`, item.name)
    change(`kind${n}`, item.kind)
    change(`gross${n}`, `${item.grossG} g`)
    change(`second${n}`, `${item.kind === 'can' ? item.grossG - item.tareG : item.tareG} g`)
  }
  const kind = values[`kind${n}`] === 'cylinder' ? 'cylinder' : 'can'
  const options = [
    { value: 'can', label: 'full can' },
    { value: 'cylinder', label: 'cylinder or partly used' },
  ] as const
  return (
    <div className="grid grid-cols-[260px_1fr_1fr] gap-x-5 max-sm:grid-cols-1">
      {fitting.length > 0 && (
        <Pick
          label={n === 1 ? 'From the shelf' : 'The second from the shelf'}
          className="col-span-full max-w-[420px]"
          value={values[`stock${n}`] ?? ''}
          options={{ '': 'one not on the shelf', ...Object.fromEntries(fitting.map((s) => [s.id, `${s.name}, ${Math.round(s.grossG - s.tareG)} g left`])) }}
          onPick={take}
        />
      )}
      <Choice label={n === 1 ? 'First container' : 'Second, if needed'} value={kind} options={options} onChange={(v) => change(`kind${n}`, v)} />
      <MassField name={`gross${n}`} label={`Gross of container ${n}, as weighed`} hint="such as 472 g or 16.6 oz" />
      <MassField
        name={`second${n}`}
        label={kind === 'can' ? `Net of container ${n}, from its label` : `Empty weight of container ${n}`}
        hint={kind === 'can' ? 'such as 340 g or 12 oz' : 'such as 3410 g'}
      />
    </div>
  )
}

export function PlanForm({ state }: { state: JobState }) {
  return (
    <div className="space-y-3">
      <ContainerFields n={1} refrigerant={state.opened.label.refrigerant} />
      <ContainerFields n={2} refrigerant={state.opened.label.refrigerant} />
      <Preview state={state} />
    </div>
  )
}

/** The plan worked out as one types, line by line, so that it can be checked by hand. */
function Preview({ state }: { state: JobState }) {
  const { values } = useForms()
  const c = new Collector()
  const containers = readContainers(values, c)
  if (Object.keys(c.errors).length > 0) return <p className="text-[16px] text-ink-2">The stop weights appear here once gross and net can be read.</p>
  const input = chargeInputOf(state, containers)
  const plan = planCharge(input)
  return (
    <div className="border-t border-rule pt-2 text-[17px]">
      <table className="w-full max-w-[720px]">
        <thead className="text-left text-[15px] text-ink-2">
          <tr>
            <th className="font-medium">container</th>
            <th className="text-right font-medium">on at</th>
            <th className="text-right font-medium">stop at</th>
            <th className="text-right font-medium">taken</th>
            <th className="text-right font-medium">of it purged</th>
          </tr>
        </thead>
        <tbody>
          {plan.steps.map((s) => (
            <tr key={s.id}>
              <td>
                {s.id}
                {s.emptied ? ', emptied to its heel' : ''}
              </td>
              <td className="text-right">{s.startGrossG.toFixed(0)} g</td>
              <td className="text-right font-semibold">
                {s.stopGrossG.toFixed(0)} g, {s.stopGrossOz.toFixed(1)} oz
              </td>
              <td className="text-right">{s.takenG.toFixed(0)} g</td>
              <td className="text-right">{s.purgeG.toFixed(0)} g</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2">
        Into the car {plan.deliveredG.toFixed(0)} g, between {plan.bandG[0].toFixed(0)} and {plan.bandG[1].toFixed(0)} ({massWords(plan.targetG)} asked).
      </p>
      <details className="mt-1 text-[16px] text-ink-2">
        <summary className="min-h-11 cursor-pointer py-2 font-medium">How it is worked out</summary>
        <ol className="space-y-0.5">
          {workingOf(input, plan).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </details>
      {plan.warnings.map((w) => (
        <p key={w} className="font-medium text-caution">
          △ {w}
        </p>
      ))}
    </div>
  )
}

export function GrossForm({ label }: { label: string }) {
  return (
    <div className="max-w-[360px]">
      <MassField name="gross" label={label} />
    </div>
  )
}

export function ProofForm({ state }: { state: JobState }) {
  const { barometerPa } = state.opened.place
  const vent = useField('vent')
  const ambient = useField('ambient')
  const note = useField('note')
  const fahrenheit = (text: string) => {
    const entry = readCelsius(text)
    return 'value' in entry ? `${entry.value.toFixed(1)} °C, ${((entry.value * 9) / 5 + 32).toFixed(0)} °F`.replaceAll('-', '−') : undefined
  }
  return (
    <div className="grid max-w-[820px] grid-cols-2 gap-x-5 gap-y-1 max-sm:grid-cols-1">
      <GaugeField name="low" label="Low side, running" barometerPa={barometerPa} />
      <GaugeField name="high" label="High side, running" barometerPa={barometerPa} />
      <Field label="Middle vent" {...vent} hint={fahrenheit(vent.value) ?? 'such as 8 C or 46 F'} />
      <Field label="Ambient" {...ambient} hint={fahrenheit(ambient.value)} />
      <div className="col-span-full">
        <Field label="Note" {...note} placeholder="cold suction line, compressor steady …" />
      </div>
    </div>
  )
}

export function SignForm() {
  return (
    <div className="max-w-[360px]">
      <Field label="Certificate number" {...useField('certificate')} hint="goes with the record" />
    </div>
  )
}
