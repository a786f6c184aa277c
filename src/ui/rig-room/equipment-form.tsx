'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Equipment, type EquipmentKind } from '@/core/equipment/equipment'
import { parseMass } from '@/core/units/mass'
import { newEventId, send } from '../api'
import { Choice, Field } from '../form/field'
import { dayIn } from '../format'
import { useZone } from '../zone'

/** One entry of a form: how it is read from what was typed. */
type Entry = {
  key: string
  label: string
  first: string
  read: 'number' | 'mass' | 'text'
  options?: readonly { value: string; label: string }[]
}

const number = (key: string, label: string, first: string): Entry => ({ key, label, first, read: 'number' })
const day = (key: string, label: string): Entry => ({ key, label, first: '', read: 'text' })
const choice = (key: string, label: string, options: Record<string, string>, read: Entry['read'] = 'text'): Entry => ({
  key,
  label,
  first: Object.keys(options)[0] as string,
  read,
  options: Object.entries(options).map(([value, text]) => ({ value, label: text })),
})

const ENTRIES: Record<EquipmentKind, readonly Entry[]> = {
  pump: [
    number('speedCfm', 'Speed by its plate, CFM', '4'),
    choice('stages', 'Stages', { 1: 'one', 2: 'two' }, 'number'),
    number('ultimateMicron', 'Ultimate by its plate, micron', '25'),
  ],
  hose: [
    number('boreMm', 'Bore, mm (1/4 in is 4.8)', '9.5'),
    number('lengthM', 'Length, m', '1.2'),
    choice('hoseKind', 'Kind', { 'barrier-new': 'new barrier', 'rubber-old': 'old rubber', metal: 'metal' }),
    day('boughtOn', 'Bought, year-month-day'),
    day('sealsRenewedOn', 'Seals renewed, year-month-day'),
  ],
  gauge: [
    choice('gaugeKind', 'Kind', { electronic: 'electronic', needle: 'needle' }),
    number('resolutionMicron', 'Smallest step, micron (needle 12700)', '1'),
    day('calibratedOn', 'Calibrated, year-month-day'),
  ],
  scale: [number('stepG', 'Step, g', '2'), day('calibratedOn', 'Calibrated, year-month-day')],
  container: [
    choice('containerKind', 'Kind', { can: 'can', cylinder: 'cylinder' }),
    choice('refrigerant', 'Refrigerant', { 'R-134a': 'R-134a', 'R-1234yf': 'R-1234yf' }),
    { key: 'grossG', label: 'Gross, as weighed', first: '', read: 'mass' },
    { key: 'tareG', label: 'Empty weight', first: '', read: 'mass' },
  ],
}

type Props = { kind: EquipmentKind; now: number; item?: Equipment; onDone: () => void }

/** Puts a piece of equipment on the shelf, or mends what is written of one. */
export function EquipmentForm({ kind, now, item, onDone }: Props) {
  const router = useRouter()
  const today = dayIn(useZone())(now)
  const had = item?.spec as Record<string, unknown> | undefined
  const [name, setName] = useState(item?.name ?? '')
  const [values, setValues] = useState<Record<string, string>>(() =>
    Object.fromEntries(ENTRIES[kind].map((e) => [e.key, firstText(e, had?.[e.key], today)])),
  )
  const [errors, setErrors] = useState<Record<string, string>>({})
  const [id] = useState(() => item?.id ?? newEventId())
  const save = async (retired: boolean) => {
    const read = readAll(kind, values)
    const parsed = Equipment.safeParse({ id, name: name.trim(), kind, spec: read.spec, retired })
    const found = {
      ...Object.fromEntries((parsed.error?.issues ?? []).map((i) => [String(i.path[i.path.length - 1]), i.message])),
      ...read.errors,
    }
    setErrors(found)
    if (!parsed.success || Object.keys(read.errors).length > 0) return
    const answer = await send('/api/rig-room', { what: 'equipment', equipment: parsed.data })
    if (!answer.ok) {
      setErrors({ name: answer.faults[0]?.reason ?? answer.message })
      return
    }
    router.refresh()
    onDone()
  }
  return (
    <div className="grid grid-cols-2 gap-x-4 border-b border-rule bg-sheet p-3 max-sm:grid-cols-1">
      <Field label="Name on it" value={name} onChange={setName} error={errors.name} />
      {ENTRIES[kind].map(({ key, label, options }) =>
        options ? (
          <Choice
            key={key}
            label={label}
            value={values[key] ?? ''}
            options={options}
            onChange={(v) => setValues({ ...values, [key]: v })}
          />
        ) : (
          <Field
            key={key}
            label={label}
            value={values[key] ?? ''}
            onChange={(v) => setValues({ ...values, [key]: v })}
            error={errors[key]}
          />
        ),
      )}
      <div className="col-span-full flex gap-3">
        <button type="button" className="plain-button" onClick={() => void save(false)}>
          {item ? 'Save' : `Put the ${kind} on the shelf`}
        </button>
        {item && (
          <button type="button" className="plain-button" onClick={() => void save(!item.retired)}>
            {item.retired ? 'Take it back into use' : 'Retire it'}
          </button>
        )}
      </div>
    </div>
  )
}

function firstText(entry: Entry, had: unknown, today: string): string {
  if (had !== undefined) return entry.read === 'mass' ? `${had} g` : String(had)
  return entry.key.endsWith('On') ? today : entry.first
}

function readAll(
  kind: EquipmentKind,
  values: Record<string, string>,
): { spec: Record<string, unknown>; errors: Record<string, string> } {
  const spec: Record<string, unknown> = {}
  const errors: Record<string, string> = {}
  for (const { key, read } of ENTRIES[kind]) {
    const text = (values[key] ?? '').trim()
    try {
      if (read === 'text') spec[key] = text
      else if (read === 'mass') spec[key] = parseMass(text).grams
      else {
        const value = Number(text.replace(',', '.'))
        if (text === '' || !Number.isFinite(value)) throw new Error('type a number')
        spec[key] = value
      }
    } catch (error) {
      errors[key] = (error as Error).message
    }
  }
  return { spec, errors }
}
