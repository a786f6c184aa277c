'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import { type Equipment, type EquipmentKind, EquipmentWritten, equipmentWritten } from '@/core/equipment/equipment'
import { W } from '@/core/language/screen/rig-room'
import type { Units } from '@/core/units/shown'
import { newEventId } from '../api'
import { ChoiceField, TextField } from '../form/bound'
import { figure, mass } from '../form/schemas'
import { useSending } from '../form/use-sending'
import { dayIn } from '../format'
import { useUnits } from '../units'
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
    number('speedCfm', W.speedByItsPlateCfm, '4'),
    choice('stages', W.stages, { 1: 'one', 2: 'two' }, 'number'),
    number('ultimateMicron', W.ultimateByItsPlateMicron, '25'),
  ],
  hose: [
    number('boreMm', W.boreMm14In, '9.5'),
    number('lengthM', W.lengthM, '1.2'),
    choice('hoseKind', W.kind, { 'barrier-new': W.newBarrier, 'rubber-old': W.oldRubber, metal: W.metal }),
    choice('use', W.keptFor, { cart: W.theCart, recovery: W.theRecoveryMachine }),
    day('boughtOn', W.boughtYearMonthDay),
    day('sealsRenewedOn', W.sealsRenewedYearMonthDay),
  ],
  gauge: [
    choice('gaugeKind', W.kind, { electronic: 'electronic', needle: 'needle' }),
    number('resolutionMicron', W.smallestStepMicronNeedle12700, '1'),
    day('calibratedOn', W.calibratedYearMonthDay),
  ],
  scale: [number('stepG', W.stepG, '2'), day('calibratedOn', W.calibratedYearMonthDay)],
  container: [
    choice('containerKind', W.kind, { can: 'can', cylinder: 'cylinder' }),
    choice('refrigerant', W.refrigerant, { 'R-134a': 'R-134a', 'R-1234yf': 'R-1234yf' }),
    { key: 'grossG', label: W.grossAsWeighed, first: '', read: 'mass' },
    { key: 'tareG', label: W.emptyWeight, first: '', read: 'mass' },
  ],
}

const readers = (units: Units) => ({ number: figure, mass: mass(units), text: z.string().trim() }) as const

type Props = { kind: EquipmentKind; now: number; item?: Equipment; onDone: () => void }

/** Puts a piece of equipment on the shelf, or mends what is written of one. */
export function EquipmentForm({ kind, now, item, onDone }: Props) {
  const router = useRouter()
  const today = dayIn(useZone())(now)
  const units = useUnits()
  const had = item && (equipmentWritten(item).spec as Record<string, unknown>)
  const [id] = useState(() => item?.id ?? newEventId())
  const form = useForm<Record<string, string>, unknown, EquipmentWritten>({
    resolver: zodResolver(formOf(kind, id, item?.retired ?? false, units)),
    defaultValues: {
      name: item?.name ?? '',
      ...Object.fromEntries(ENTRIES[kind].map((e) => [e.key, firstText(e, had?.[e.key], today)])),
    },
  })
  const { post, busy, said } = useSending(form, '/api/rig-room')
  const save = (retired: boolean) =>
    form.handleSubmit(async (equipment) => {
      if (!(await post({ what: 'equipment', equipment: { ...equipment, retired } }))) return
      router.refresh()
      onDone()
    })
  const { control } = form
  return (
    <form
      onSubmit={save(item?.retired ?? false)}
      noValidate
      className="grid grid-cols-2 gap-x-4 border-b border-rule bg-sheet p-3 max-sm:grid-cols-1"
    >
      <TextField control={control} name="name" label={W.nameOnIt} />
      {ENTRIES[kind].map(({ key, label, options }) =>
        options ? (
          <ChoiceField key={key} control={control} name={key} label={label} options={options} />
        ) : (
          <TextField key={key} control={control} name={key} label={label} />
        ),
      )}
      <div className="col-span-full flex flex-wrap items-center gap-3">
        <button type="submit" className="plain-button" disabled={busy}>
          {item ? W.save : W.putTheOnTheShelf(kind)}
        </button>
        {item && (
          <button type="button" className="plain-button" disabled={busy} onClick={save(!item.retired)}>
            {item.retired ? W.takeItBackIntoUse : W.retireIt}
          </button>
        )}
        <p role="status" className="text-small">
          {said}
        </p>
      </div>
    </form>
  )
}

/** What is typed of one kind of equipment, read and then held against what such a thing can be. */
function formOf(
  kind: EquipmentKind,
  id: string,
  retired: boolean,
  units: Units,
): z.ZodType<EquipmentWritten, Record<string, string>> {
  const entries = Object.fromEntries(ENTRIES[kind].map(({ key, read }) => [key, readers(units)[read]]))
  const typed = z.object({ name: z.string().trim(), ...entries }) as z.ZodType<{ name: string }, Record<string, string>>
  return typed.transform(({ name, ...spec }, context): EquipmentWritten => {
    const parsed = EquipmentWritten.safeParse({ id, name, kind, spec, retired })
    if (parsed.success) return parsed.data
    for (const { path, message } of parsed.error.issues)
      context.addIssue({ code: 'custom', path: [path[path.length - 1] ?? 'name'], message })
    return z.NEVER
  })
}

function firstText(entry: Entry, had: unknown, today: string): string {
  if (had !== undefined) return entry.read === 'mass' ? `${had} g` : String(had)
  return entry.key.endsWith('On') ? today : entry.first
}
